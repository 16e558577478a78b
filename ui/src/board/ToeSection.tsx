import type { Plan } from "../api/client";
import { Term } from "../terms/Term";
import { lengthWithUnit, useUnit } from "../units/units";
import { Field } from "./Field";
import { Num } from "./Num";
import { Ways } from "./Ways";
import { Yes } from "./Yes";

/** ToeSection decides how the sock begins. */
export function ToeSection({ plan }: { plan: Plan }) {
  const unit = useUnit();
  const s = plan.summary;
  const kind = plan.design.toe.kind;
  const length = s.heel_starts_at_mm - (s.foot_rounds * 100) / plan.design.gauge.rounds_per_100mm;
  return (
    <section>
      <h2>
        <Term name={kind === "short_row" ? "short_rows" : kind === "wedge" ? "wedge" : "garter"}>Toe</Term>{" "}
        <small>
          <Num name="cast_on_stitches">{s.cast_on_stitches}</Num> cast on ·{" "}
          <Num name="toe_rounds">{s.toe_rounds}</Num> {kind === "wedge" ? "rounds" : "rows"} ·{" "}
          <Num name="toe_length">{lengthWithUnit(length, unit)}</Num>
        </small>
      </h2>
      <Ways
        field="toe.kind"
        reset={["toe.cast_on", "toe.start_stitches", "toe.fast_rounds", "toe.turns_per_side"]}
      />
      <Ways field="toe.start" reset={["toe.start_stitches", "toe.fast_rounds"]} />
      <details className="more">
        <summary>More about the toe</summary>
        <Ways field="toe.cast_on" />
        <Ways field="toe.start_loop" />
        <Ways field="toe.increase" />
        <div className="pair">
          {kind === "wedge" && (
            <>
              <Field field="toe.start_stitches" label="Cast on exactly" suffix="sts" plain />
              <Field field="toe.fast_rounds" label="Increase rounds at once" suffix="rounds" plain />
            </>
          )}
          {kind === "short_row" && (
            <Field field="toe.turns_per_side" label="Turns on each side" suffix="turns" plain />
          )}
          <Yes field="mirror" label="Mirrored, for the other foot" />
        </div>
      </details>
    </section>
  );
}
