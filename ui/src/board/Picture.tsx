import { Skeleton } from "antd";
import { useCallback, useDeferredValue } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { saidFault } from "../api/client";
import { useWearer } from "../api/feet";
import { SockDrawing, spoken } from "../drawing/SockDrawing";
import { Strip } from "../drawing/Strip";
import { Failure } from "../shell/Failure";
import { gaugeText, gaugeWidth, lengthWithUnit, useUnit } from "../units/units";
import { FitAlong } from "./FitAlong";
import { Num, useShown } from "./Num";
import { decisionOf } from "./open";
import { Pair } from "./Pair";
import { useBoard } from "./store";
import { Working } from "./Working";

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
  const choose = useBoard((b) => b.choose);
  const [shown, show] = useShown();
  const [search] = useSearchParams();
  const view = search.get("pair");
  const move = useCallback(
    (field: string, value: number, drag: string) =>
      choose(field, Number.isInteger(value) ? value : Math.round(value * 1000) / 1000, drag),
    [choose],
  );
  const navigate = useNavigate();
  const id = useBoard((b) => b.id);
  // The sock is the menu, also from the panels beside the board.
  const touch = useCallback(
    (section: string) => navigate(`/socks/${id}?at=${decisionOf[section] ?? ""}`, { replace: true }),
    [navigate, id],
  );
  const stop = answer?.plan?.checks.find((c) => c.level === "stop");
  const stale = answer !== undefined && !answer.shape;
  // The drawing first; strip and bars in the next breath.
  const after = useDeferredValue(good);
  const plan = good?.plan;
  if (!good || !plan) {
    return null;
  }
  return (
    <>
      <p className="lead-figures">
        <Num name="foot_stitches">{plan.summary.foot_stitches}</Num> stitches round ·{" "}
        {gaugeText(plan.design.gauge.stitches_per_100mm, unit)} stitches ×{" "}
        {gaugeText(plan.design.gauge.rounds_per_100mm, unit)} rounds in {gaugeWidth(unit)} · the sock is{" "}
        <Num name="finished_length_mm">{lengthWithUnit(plan.summary.finished_length_mm, unit)}</Num> long for
        a foot of {lengthWithUnit(plan.design.foot.length_mm, unit)}
      </p>
      {stale && (
        <p className="stale-note" role="status">
          {stop?.text ??
            "This is the sock before the last change. It follows again when every field can be read."}
        </p>
      )}
      <div className={view === null ? "drawn one" : "drawn"}>
        <PairSwitch />
        {view === "side" || view === "over" ? (
          <Pair view={view} />
        ) : (
          <SockDrawing
            answer={good}
            unit={unit}
            stale={stale}
            marked={shown?.startsWith("fit.") ? shown.slice(4) : null}
            show={show}
            move={move}
            touch={touch}
          />
        )}
      </div>
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

/** PairSwitch lays the socks of both feet beside or over each other, where both are measured. */
function PairSwitch() {
  const [search, setSearch] = useSearchParams();
  const id = useBoard((b) => b.content.foot?.wearer_id ?? "");
  const wearer = useWearer(id).data;
  const both = wearer?.left.taken.lengths.length_mm && wearer.right.taken.lengths.length_mm;
  if (!both) {
    return null;
  }
  const now = search.get("pair") ?? "one";
  const ways = [
    { value: "one", label: "This sock" },
    { value: "side", label: "Left and right" },
    { value: "over", label: "On top of each other" },
  ];
  return (
    <fieldset className="pair-switch">
      <legend className="hidden">Which socks are drawn</legend>
      {ways.map((way) => (
        <label key={way.value} className={way.value === now ? "chosen" : ""}>
          <input
            type="radio"
            name="pair"
            checked={way.value === now}
            onChange={() =>
              setSearch(
                (before) => {
                  const after = new URLSearchParams(before);
                  after.delete("pair");
                  if (way.value !== "one") {
                    after.set("pair", way.value);
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
    <div className="waiting">
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
