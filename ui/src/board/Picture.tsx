import { Skeleton } from "antd";
import { lazy, Suspense, useCallback, useDeferredValue, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { type PlanAnswer, type Spot, saidFault } from "../api/client";
import { useWearer } from "../api/feet";
import type { DesignField } from "../api/field";
import drawingCss from "../drawing/drawing.module.css";
import { SockDrawing, spoken } from "../drawing/SockDrawing";
import { Strip } from "../drawing/Strip";
import { Failure } from "../shell/Failure";
import { useSettings } from "../shell/settings";
import { gaugeText, gaugeWidth, lengthWithUnit, useUnit } from "../units/units";
import boardCss from "./board.module.css";
import { FitAlong } from "./FitAlong";
import { Num, useShown } from "./Num";
import { decisionOf } from "./open";
import { Pair } from "./Pair";
import { PullNote } from "./PullNote";
import pairCss from "./pair.module.css";
import { useBoard } from "./store";
import { Working } from "./Working";

/** What turns the sock in space is large, and fetched when somebody wants it. */
const Turned = lazy(() => import("../turn/Turned"));

const looks = [
  { value: "rows", label: "Rows" },
  { value: "pull", label: "Where it pulls" },
  { value: "turn", label: "Turn it" },
  { value: "turn-pull", label: "Turn the pull" },
];

/** Picture is the sock as far as it is decided. */
export function Picture() {
  const answer = useBoard((b) => b.answer);
  const good = useBoard((b) => b.good);
  const failure = useBoard((b) => b.failure);
  const ask = useBoard((b) => b.ask);
  return (
    <>
      {failure && <Failure error={failure} retry={ask} />}
      {good ? <Drawn /> : answer ? <Waiting /> : !failure && <Skeleton active />}
    </>
  );
}

function Drawn() {
  const unit = useUnit();
  const answer = useBoard((b) => b.answer);
  const good = useBoard((b) => b.good);
  const drawing = useBoard((b) => b.drawing);
  const choose = useBoard((b) => b.choose);
  const [shown, show] = useShown();
  const [search] = useSearchParams();
  const view = search.get("pair");
  const look = search.get("look") ?? "rows";
  const [spot, setSpot] = useState<Spot>();
  const move = useCallback(
    (field: DesignField, value: number, drag: string) =>
      choose(field, Number.isInteger(value) ? value : Math.round(value * 1000) / 1000, drag),
    [choose],
  );
  const { scheme } = useSettings(); // the colours of what is turned are mixed once
  const navigate = useNavigate();
  const id = useBoard((b) => b.id);
  // The sock is the menu, also from the panels beside the board.
  const touch = useCallback(
    (section: string) => navigate(`/socks/${id}?at=${decisionOf[section] ?? ""}`, { replace: true }),
    [navigate, id],
  );
  const stop = answer?.plan?.checks.find((c) => c.level === "stop");
  const stale = answer !== undefined && !answer.fit;
  // The drawing first; strip and bars in the next breath.
  const after = useDeferredValue(good);
  const plan = good?.plan;
  if (!good || !plan) {
    return null;
  }
  return (
    <>
      <p className={boardCss.leadFigures}>
        <Num name="foot_stitches">{plan.summary.foot_stitches}</Num> stitches round ·{" "}
        {gaugeText(plan.design.gauge.stitches_per_100mm, unit)} stitches ×{" "}
        {gaugeText(plan.design.gauge.rounds_per_100mm, unit)} rounds in {gaugeWidth(unit)} · the sock is{" "}
        <Num name="finished_length_mm">{lengthWithUnit(plan.summary.finished_length_mm, unit)}</Num> long for
        a foot of {lengthWithUnit(plan.design.foot.length_mm, unit)}
      </p>
      {good.second && <SecondSock second={good.second} />}
      {stale && (
        <p className="stale-note" role="status">
          {stop?.text ??
            "This is the sock before the last change. It follows again when every field can be read."}
        </p>
      )}
      <div className={view === null ? `${pairCss.drawn} ${pairCss.one}` : pairCss.drawn}>
        <div className={pairCss.pictureSwitches}>
          <PairSwitch />
          {view !== "over" && (
            <Switch
              name="look"
              legend={view === "side" ? "How the socks are seen" : "How the sock is seen"}
              ways={looks.filter(({ value }) => view !== "side" || !value.includes("pull"))}
            />
          )}
        </div>
        {view === "side" || view === "over" ? (
          <Pair view={view} turned={view === "side" && look === "turn"} />
        ) : look === "turn" || look === "turn-pull" ? (
          <Suspense fallback={<Skeleton active />}>
            <Turned key={scheme} drafts={[after?.draft ?? good.draft]} pull={look === "turn-pull"} />
          </Suspense>
        ) : drawing === undefined ? (
          <div className={drawingCss.sock} role="status" aria-label="The sock is being drawn" />
        ) : (
          <SockDrawing
            answer={good}
            drawing={drawing}
            pull={look === "pull"}
            spot={look === "pull" ? spot : undefined}
            look={setSpot}
            unit={unit}
            stale={stale}
            marked={shown?.startsWith("fit.") ? shown.slice(4) : null}
            show={show}
            move={move}
            touch={touch}
          />
        )}
      </div>
      {drawing && view === null && (look === "pull" || look === "turn-pull") && (
        <PullNote
          drawing={drawing}
          fit={good.fit ?? []}
          spot={look === "pull" ? spot : undefined}
          still={look === "pull"}
        />
      )}
      {after?.strip && <Strip parts={after.strip} />}
      {after?.fit && <FitAlong places={after.fit} shown={shown} show={show} />}
      <Working />
      <details className="more twin">
        <summary>The sock in words</summary>
        <ul>
          {spoken(plan, unit).map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      </details>
    </>
  );
}

/** SecondSock has the figures of the other sock of the pair where its foot differs. */
function SecondSock({ second }: { second: NonNullable<PlanAnswer["second"]> }) {
  const unit = useUnit();
  return (
    <p className={second.stop ? "stale-note" : boardCss.leadFigures}>
      <strong>The second sock</strong>, for a foot of {lengthWithUnit(second.foot_length_mm, unit)}:{" "}
      {second.stop ||
        [
          ...second.differences.map((d) => `${d.label.toLowerCase()} ${d.right} instead of ${d.left}`),
          `${lengthWithUnit(second.finished_length_mm, unit)} long`,
        ].join(" · ")}
    </p>
  );
}

/** PairSwitch lays the socks of both feet beside or over each other, where both are measured. */
function PairSwitch() {
  const id = useBoard((b) => b.content.foot?.wearer_id ?? "");
  const wearer = useWearer(id).data;
  const both = wearer?.left.taken.lengths.length_mm && wearer.right.taken.lengths.length_mm;
  const differs = useBoard((b) => b.calm.good?.second !== undefined);
  if (!both && !differs) {
    return null;
  }
  return (
    <Switch
      name="pair"
      legend="Which socks are drawn"
      ways={[
        { value: "one", label: "This sock" },
        { value: "side", label: "Left and right" },
        { value: "over", label: "On top of each other" },
      ]}
    />
  );
}

/** Switch chooses between ways to see the sock; the first is the usual one, and the address says the others. */
function Switch({
  name,
  legend,
  ways,
}: {
  name: string;
  legend: string;
  ways: { value: string; label: string }[];
}) {
  const [search, setSearch] = useSearchParams();
  const now = search.get(name) ?? ways[0]?.value;
  return (
    <fieldset className={pairCss.pairSwitch}>
      <legend className="hidden">{legend}</legend>
      {ways.map((way) => (
        <label key={way.value} className={way.value === now ? pairCss.chosen : ""}>
          <input
            type="radio"
            name={name}
            checked={way.value === now}
            onChange={() =>
              setSearch(
                (before) => {
                  const after = new URLSearchParams(before);
                  after.delete(name);
                  if (way !== ways[0]) {
                    after.set(name, way.value);
                  }
                  return after;
                },
                { replace: true },
              )
            }
          />
          {way.label}
        </label>
      ))}
    </fieldset>
  );
}

const needed: Record<string, string> = {
  "foot.length_mm": "the length of the foot",
  "foot.ball_girth_mm": "the girth round the ball",
  "gauge.stitches_per_100mm": "the stitches of the swatch",
  "gauge.rounds_per_100mm": "the rounds of the swatch",
};

/** Waiting says what is still missing before there is a sock to see. */
function Waiting() {
  const answer = useBoard((b) => b.answer);
  const stop = answer?.plan?.checks.find((c) => c.level === "stop");
  return (
    <div className={boardCss.waiting}>
      <h2>{stop ? "This is not a sock yet" : "Your sock appears here"}</h2>
      {stop ? <p>{stop.text}</p> : <p>Still needed:</p>}
      <ul>
        {answer?.faults.map((f) => (
          <li key={f.field}>{needed[f.field] ?? saidFault(f)}</li>
        ))}
      </ul>
    </div>
  );
}
