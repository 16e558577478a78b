import { useQuery } from "@tanstack/react-query";
import type { PlanAnswer } from "../api/client";
import { compareOf } from "../api/plan";
import { useUnit } from "../units/units";
import { valueAt } from "./Field";
import type { Board } from "./useBoard";

const kinds = [
  { kind: "short_row", name: "Short rows" },
  { kind: "flap_under", name: "Flap below" },
  { kind: "gusset_turn", name: "Gusset first" },
];

/** HeelCards are the three ways round the heel, each with what it does on this foot. */
export function HeelCards({ board, shown }: { board: Board; shown: PlanAnswer }) {
  const unit = useUnit();
  const report = useQuery(compareOf(shown.draft, unit));
  const chosen = valueAt(board.content.draft.design, "heel.kind") ?? "short_row";
  const best = (kind: string) => report.data?.heels.find((c) => c.heel === kind);
  const first = report.data?.heels.reduce<{ heel: string; misfit: number } | undefined>(
    (least, c) => (least === undefined || c.misfit < least.misfit ? c : least),
    undefined,
  )?.heel;
  return (
    <fieldset className="counts">
      <legend className="hidden">Kind of heel</legend>
      {kinds.map(({ kind, name }) => {
        const candidate = best(kind);
        return (
          <label key={kind} className={kind === chosen ? "count chosen" : "count"}>
            <input
              type="radio"
              name="heel-kind"
              checked={kind === chosen}
              onChange={() => board.choose("heel.kind", kind)}
              value={kind}
            />
            <span className="figure small">{name}</span>
            <span className="consequence">
              {candidate
                ? `stretches ${candidate.heel_stretch_pct.toFixed(0)} % · ${candidate.grams.toFixed(0)} g`
                : "not for this foot"}
            </span>
            {kind === first && <span className="mark">fits best</span>}
          </label>
        );
      })}
    </fieldset>
  );
}
