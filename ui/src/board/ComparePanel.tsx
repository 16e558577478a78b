import { useQueries, useQuery } from "@tanstack/react-query";
import { Button, Checkbox, Select, Skeleton } from "antd";
import { useMemo, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import type { Drawing, PlanAnswer } from "../api/client";
import { briefOf, drawingOf, waysOf } from "../api/plan";
import { useTechnique, useTechniques } from "../api/reference";
import { useVariants } from "../api/socks";
import { Rows } from "../drawing/Rows";
import { StillSock } from "../drawing/StillSock";
import { among } from "../shell/among";
import { lengthWithUnit, useUnit } from "../units/units";
import { readWay, wayText } from "./changes";
import { withChoices } from "./content";
import { PlaceBar } from "./FitAlong";
import fitCss from "./fit.module.css";
import pairCss from "./pair.module.css";
import panelsCss from "./panels.module.css";
import { useBoard } from "./store";

/** The most ways that fit beside each other. */
const most = 4;
/** So many stand beside the sock as it is, until somebody asks for others. */
const atFirst = 2;
const variantMark = "variant ";

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** ComparePanel sets up to four ways to knit the sock side by side; one is kept. */
export function ComparePanel() {
  const unit = useUnit();
  const navigate = useNavigate();
  const [search, setSearch] = useSearchParams();
  const id = useBoard((b) => b.id);
  const draft = useBoard((b) => b.content.draft);
  const change = useBoard((b) => b.change);
  const kept = useVariants(id).data;
  const techniques = useTechniques();
  // Kept addresses call a variant a version.
  const asked = search.getAll("way").map((way) => way.replace(/^version /, variantMark));
  const good = useBoard((b) => b.calm.good?.draft);
  const best = useQuery({
    ...waysOf(good ?? { design: {}, entries: {} }, unit, "fit", []),
    enabled: good !== undefined && asked.length === 0,
  });
  // Nobody asked for anything: the sock as it is, beside the best other ways.
  const others = (best.data?.candidates ?? []).filter((c) => !c.chosen).slice(0, atFirst);
  const ways = asked.length > 0 ? asked.slice(0, most) : ["", ...others.map((c) => wayText(c.changes))];
  const usual = best.data?.candidates[0];
  const drafts = useMemo(
    () =>
      ways.map((way) => {
        const variant = kept?.find((v) => `${variantMark}${v.id}` === way);
        return variant ? variant.draft : withChoices(draft, readWay(way));
      }),
    [ways, draft, kept],
  );
  const answers = useQueries({ queries: drafts.map((d) => briefOf(d, unit)) });
  const drawings = useQueries({ queries: drafts.map((d) => drawingOf(d, unit)) });
  const pull = search.get("look") === "pull";
  const [over, setOver] = useState(false);
  const shapes = drawings.flatMap((drawing) => drawing.data?.shape ?? []);
  const room = {
    width: Math.max(0, ...shapes.map((s) => s.width_mm)),
    height: Math.max(0, ...shapes.map((s) => s.height_mm)),
  };
  const setWays = (next: string[]) =>
    setSearch({ way: next.length > 0 ? next : [""], ...(pull && { look: "pull" }) }, { replace: true });
  const more: { value: string; label: string }[] = [
    ...techniques
      .filter((t) => t.field === "heel.kind" || t.field === "toe.kind")
      .sort((a, b) => a.field.localeCompare(b.field))
      .map((t) => ({ value: wayText(t.changes), label: capital(t.said) })),
    ...(kept ?? []).map((v) => ({ value: `${variantMark}${v.id}`, label: `variant “${v.name}”` })),
  ].filter((option) => !ways.includes(option.value));
  return (
    <>
      <div className="page-heading">
        <h2>Side by side</h2>
        <Checkbox
          checked={pull}
          onChange={(event) =>
            setSearch(
              (before) => {
                const after = new URLSearchParams(before);
                after.delete("look");
                if (event.target.checked) {
                  after.set("look", "pull");
                }
                return after;
              },
              { replace: true },
            )
          }
        >
          Where they pull
        </Checkbox>
        <Checkbox checked={over} onChange={(event) => setOver(event.target.checked)}>
          On top of each other
        </Checkbox>
        {ways.length < most && (
          <Select
            aria-label="Add a way"
            placeholder="Add a way …"
            value={null}
            className={panelsCss.addWay}
            options={more}
            onChange={(way: string | null) => way !== null && setWays([...ways, way])}
          />
        )}
      </div>
      {over && shapes.length > 0 && (
        <svg
          className={pairCss.over}
          viewBox={`-14 -14 ${room.width + 34} ${room.height + 28}`}
          role="img"
          aria-label="All of them drawn over each other, at one scale"
        >
          {drawings.map(
            ({ data }, i) =>
              data?.shape &&
              answers[i]?.data?.plan && (
                <g
                  // biome-ignore lint/suspicious/noArrayIndexKey: two ways may be the same
                  key={`${ways[i]} ${i}`}
                  className={among(pairCss, `over-${i}`)}
                  transform={`translate(0 ${room.height - data.shape.height_mm})`}
                >
                  <Rows shape={data.shape} plan={answers[i].data.plan} />
                </g>
              ),
          )}
        </svg>
      )}
      <div className={panelsCss.variants}>
        {answers.map((answer, i) => (
          <Variant
            // biome-ignore lint/suspicious/noArrayIndexKey: two ways may be the same
            key={`${ways[i]} ${i}`}
            answer={answer.data}
            drawing={drawings[i]?.data}
            pull={pull}
            fault={answer.error?.message}
            room={room}
            own={ways[i] === ""}
            why={
              best.data?.candidates.find((c) => (ways[i] === "" ? c.chosen : ways[i] === wayText(c.changes)))
                ?.why
            }
            usual={
              usual !== undefined && (ways[i] === "" ? usual.chosen : ways[i] === wayText(usual.changes))
            }
            name={kept?.find((v) => `${variantMark}${v.id}` === ways[i])?.name}
            remove={ways.length > 1 ? () => setWays(ways.filter((_, j) => j !== i)) : undefined}
            take={() => {
              change({ draft: drafts[i] ?? draft }, `keep ${ways[i]}`);
              navigate(`/socks/${id}`);
            }}
          />
        ))}
      </div>
    </>
  );
}

function Variant({
  answer,
  drawing,
  pull,
  room,
  fault,
  own,
  usual,
  why: speaks,
  name,
  remove,
  take,
}: {
  answer: PlanAnswer | undefined;
  drawing: Drawing | undefined;
  /** Shows where it pulls. */
  pull: boolean;
  /** As wide and as high as the greatest of the socks, so that all are drawn to one scale. */
  room: { width: number; height: number };
  fault: string | undefined;
  own: boolean;
  /** It is what the judgement puts first. */
  usual: boolean;
  /** What the judgement says of it. */
  why: string | undefined;
  name: string | undefined;
  remove: (() => void) | undefined;
  take: () => void;
}) {
  const unit = useUnit();
  const { plan } = answer ?? {};
  const why = fault ?? answer?.faults[0]?.message ?? plan?.checks.find((c) => c.level === "stop")?.text;
  const design = plan?.design;
  const heel = useTechnique("heel.kind", design?.heel.kind ?? "");
  const toe = useTechnique("toe.kind", design?.toe.kind ?? "");
  const title = name ?? (heel && toe ? `${capital(heel.said)}, ${toe.said}` : "…");
  const grams = (answer?.grams?.own ?? 0) + (answer?.grams?.contrast ?? 0);
  return (
    <article className={own ? `${panelsCss.variant} ${panelsCss.own}` : panelsCss.variant}>
      <h3>
        {own && "✓ "}
        {title}
      </h3>
      <p className={panelsCss.variantMarks}>
        {[own && "the sock as it is", usual && "usual here"].filter(Boolean).join(" · ")}
      </p>
      {speaks && <p className="muted">{speaks}</p>}
      {plan && drawing?.shape && answer?.fit ? (
        <>
          <StillSock drawing={drawing} plan={plan} label={`Drawing: ${title}`} room={room} pull={pull} />
          <dl className={panelsCss.variantFigures}>
            <dt>length</dt>
            <dd>{lengthWithUnit(plan.summary.finished_length_mm, unit)}</dd>
            <dt>round the instep</dt>
            <dd>{lengthWithUnit(plan.summary.heel_diagonal_girth_mm, unit)}</dd>
            <dt>rounds to the heel</dt>
            <dd>{plan.summary.foot_rounds}</dd>
            <dt>heel starts at</dt>
            <dd>{lengthWithUnit(plan.summary.heel_starts_at_mm, unit)}</dd>
            <dt>rows</dt>
            <dd>{answer?.effort?.rows}</dd>
            <dt>yarn</dt>
            <dd>{grams.toFixed(0)} g</dd>
            <dt title={`at ${answer?.effort?.stitches_a_minute} stitches a minute`}>time</dt>
            <dd>about {answer?.effort?.hours.toFixed(1)} h</dd>
          </dl>
          <ul className={panelsCss.variantFit}>
            {answer?.fit?.map((place) => (
              <li key={place.name} className={among(fitCss, place.level)}>
                <PlaceBar place={place} />
              </li>
            ))}
          </ul>
        </>
      ) : why ? (
        <p className="stale-note">{why}</p>
      ) : (
        <Skeleton active />
      )}
      <div className="actions">
        {!own && (
          <Button type="primary" onClick={take} disabled={!answer?.fit}>
            Keep this one
          </Button>
        )}
        {remove && <Button onClick={remove}>Take away</Button>}
      </div>
    </article>
  );
}
