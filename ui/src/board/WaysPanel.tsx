import { useQuery } from "@tanstack/react-query";
import { Checkbox, Skeleton } from "antd";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import type { Candidate } from "../api/client";
import { type Wish, waysOf } from "../api/plan";
import { useTechniques } from "../api/reference";
import { keepTicked, knownWith, usePractised } from "../practice/known";
import { Failure } from "../shell/Failure";
import { lengthWithUnit, useUnit } from "../units/units";
import { wayText } from "./changes";
import pairCss from "./pair.module.css";
import panelsCss from "./panels.module.css";
import { useBoard } from "./store";
import waysCss from "./ways.module.css";

const wishes: { value: Wish; label: string }[] = [
  { value: "fit", label: "The best fit" },
  { value: "yarn", label: "Least yarn" },
  { value: "counting", label: "Least counting" },
  { value: "known", label: "Nothing new to learn" },
];

/** WaysPanel ranks the ways to knit this sock by what matters to the knitter. */
export function WaysPanel() {
  const unit = useUnit();
  const [search, setSearch] = useSearchParams();
  const by = wishes.find((w) => w.value === search.get("by"))?.value ?? "fit";
  const techniques = useTechniques().filter((t) => t.known !== "");
  usePractised();
  const [ticked, setTicked] = useState<string[]>();
  // Who was not asked yet is taken to have knitted the usual one of each kind.
  const usual = techniques.filter((t, i) => techniques.findIndex((u) => u.field === t.field) === i);
  const known = ticked ?? knownWith(usual.map((t) => t.known));
  const draft = useBoard((b) => b.calm.good?.draft);
  const ways = useQuery({
    ...waysOf(draft ?? { design: {}, entries: {} }, unit, by, by === "known" ? known : []),
    enabled: draft !== undefined,
  });
  const keepKnown = (list: string[]) => {
    keepTicked(list);
    setTicked(list);
  };
  return (
    <>
      <h2>
        The best ways for this foot{" "}
        <small>
          {ways.data && `${ways.data.candidates.length} that feel different, of ${ways.data.tried} tried`}
        </small>
      </h2>
      <fieldset className={pairCss.pairSwitch}>
        <legend className="hidden">What matters most</legend>
        {wishes.map((wish) => (
          <label key={wish.value} className={wish.value === by ? pairCss.chosen : ""}>
            <input
              type="radio"
              name="wish"
              checked={wish.value === by}
              onChange={() => setSearch({ by: wish.value }, { replace: true })}
            />
            {wish.label}
          </label>
        ))}
      </fieldset>
      {by === "known" && (
        <fieldset className={panelsCss.known}>
          <legend>I have knitted</legend>
          <Checkbox.Group
            value={known}
            options={techniques.map((t) => ({ value: t.known, label: t.said }))}
            onChange={keepKnown}
          />
        </fieldset>
      )}
      {ways.isError && <Failure error={ways.error} retry={() => ways.refetch()} />}
      {ways.isPending && <Skeleton active />}
      {ways.data?.candidates.length === 0 && (
        <p className="stale-note">
          Nothing is left. Tick one more thing that you have knitted, or look at the best fit.
        </p>
      )}
      <ol className={panelsCss.ranking}>
        {ways.data?.candidates.map((c, i) => (
          <Ranked key={wayText(c.changes)} candidate={c} place={i + 1} />
        ))}
      </ol>
      <p className="hint">{ways.data?.note}</p>
    </>
  );
}

function Ranked({ candidate, place }: { candidate: Candidate; place: number }) {
  const unit = useUnit();
  const chooseAll = useBoard((b) => b.chooseAll);
  const id = useBoard((b) => b.id);
  const { changes } = candidate;
  return (
    <li className={candidate.chosen ? waysCss.chosen : ""}>
      <span className={panelsCss.placeNumber}>{place}</span>
      <div>
        <h3>
          {candidate.chosen && <span title="as the sock is">✓ </span>}
          {candidate.title} {place === 1 && <small className={waysCss.usual}>usual here</small>}
        </h3>
        <p>{candidate.why}</p>
        <p className="muted">
          {candidate.stitches} stitches, {candidate.ease_pct.toFixed(0)} % smaller · stretches{" "}
          {candidate.heel_stretch_pct.toFixed(0)} % over the instep · heel at{" "}
          {lengthWithUnit(candidate.heel_starts_at_mm, unit)} · {candidate.grams.toFixed(0)} g ·{" "}
          {candidate.counting} things to count
        </p>
        <p className="actions">
          {!candidate.chosen && (
            <button type="button" className="link" onClick={() => chooseAll(changes)}>
              Take it
            </button>
          )}
          <Link to={`/socks/${id}/compare?way=&way=${encodeURIComponent(wayText(changes))}`}>Compare it</Link>
        </p>
      </div>
    </li>
  );
}
