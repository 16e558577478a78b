import type { Plan } from "../api/client";
import { Term } from "../terms/Term";
import { Field } from "./Field";
import { NeedlesBySection } from "./NeedlesBySection";
import { Num } from "./Num";
import { Ways } from "./Ways";

/** LegSection decides leg, cuff, bind-off and needles. */
export function LegSection({ plan }: { plan: Plan }) {
  return (
    <>
      <section>
        <h2>
          Leg and <Term name="cuff">cuff</Term>{" "}
          <small>
            <Num name="leg_rounds">{plan.summary.leg_rounds}</Num> and{" "}
            <Num name="cuff_rounds">{plan.summary.cuff_rounds}</Num> rounds, from the end of the heel
          </small>
        </h2>
        <div className="pair">
          <Field
            field="leg.height_mm"
            label="Leg with its cuff"
            guess={plan.design.leg.height_mm}
            hint={`${plan.summary.leg_rounds} rounds below the cuff`}
          />
          <Field
            field="cuff.height_mm"
            label="Cuff of it"
            guess={plan.design.cuff.height_mm}
            hint={`${plan.summary.cuff_rounds} rounds`}
          />
        </div>
        <Ways field="leg.pattern" />
        <Ways field="leg.panels" first={4} />
        <Ways field="cuff.pattern" first={2} />
        <details className="more">
          <summary>More about the leg</summary>
          <Ways field="leg.instep_pattern" />
          <div className="pair">
            <Field field="leg.plain_rounds" label="Plain rounds first" suffix="rounds" plain />
            <Field field="leg.stitches" label="Leg stitches exactly" suffix="sts" plain />
          </div>
        </details>
      </section>
      <section>
        <h2>
          <Term name="bind_off">Bind-off</Term>
        </h2>
        <Ways field="bind_off" title={null} />
      </section>
      <section>
        <h2>
          <Term name="magic_loop">Needles</Term>
        </h2>
        <Ways field="needles" title={null} first={2} />
        <NeedlesBySection />
      </section>
    </>
  );
}
