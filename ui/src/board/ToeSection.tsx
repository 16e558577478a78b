import type { Plan } from "../api/client";
import { useTechnique } from "../api/reference";
import { Term } from "../terms/Term";
import { lengthWithUnit, useUnit } from "../units/units";
import { Num } from "./Num";
import { Numbers } from "./Numbers";
import { Ways } from "./Ways";
import { Yes } from "./Yes";

/** ToeSection decides how the sock begins. */
export function ToeSection({ plan, length }: { plan: Plan; length: number }) {
  const unit = useUnit();
  const s = plan.summary;
  const toe = useTechnique("toe.kind", plan.design.toe.kind);
  return (
    <section>
      <h2>
        <Term name={toe?.term ?? "wedge"}>Toe</Term>{" "}
        <small>
          <Num name="cast_on_stitches">{s.cast_on_stitches}</Num> cast on ·{" "}
          <Num name="toe_rounds">{s.toe_rounds}</Num> {toe?.rows} ·{" "}
          <Num name="toe_length">{lengthWithUnit(length, unit)}</Num>
        </small>
      </h2>
      <Ways field="toe.kind" />
      <Ways field="toe.start" />
      <Ways field="toe.odd" />
      <details className="more">
        <summary>More about the toe</summary>
        <Ways field="toe.cast_on" />
        <Ways field="toe.start_loop" />
        <Ways field="toe.increase" />
        <div className="pair">
          <Numbers of={toe} />
          <Yes field="mirror" label="Mirrored, for the other foot" />
        </div>
      </details>
    </section>
  );
}
