import type { CountChoice, Plan } from "../api/client";
import { Term } from "../terms/Term";
import { lengthWithUnit, useUnit } from "../units/units";
import { Counts } from "./Counts";
import { Field } from "./Field";
import { useBoard } from "./store";
import { Ways } from "./Ways";

/** RoundSection decides how many stitches go round the foot. */
export function RoundSection({ counts, plan }: { counts: CountChoice[]; plan: Plan }) {
  const unit = useUnit();
  const choose = useBoard((b) => b.choose);
  return (
    <section>
      <h2>
        Round the foot{" "}
        <small>
          {lengthWithUnit(plan.design.foot.ball_girth_mm, unit)}, less {plan.design.fit.girth_ease_pct} %{" "}
          <Term name="ease">ease</Term>
        </small>
      </h2>
      <Counts
        counts={counts}
        onChoose={(choice) => choose("stitches", choice.nearest ? null : choice.stitches)}
      />
      <details className="more">
        <summary>More ways</summary>
        <div className="pair">
          <Field field="fit.girth_ease_pct" label="Smaller than the foot by" suffix="%" />
          <Field
            field="fit.length_ease_mm"
            label="Shorter by"
            guess={plan.design.fit.length_ease_mm}
            hint={<Term name="length_ease">length ease</Term>}
          />
        </div>
        <Ways field="fit.multiple" first={4} />
      </details>
    </section>
  );
}
