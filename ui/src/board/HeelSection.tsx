import type { Plan, School } from "../api/client";
import { useTechnique } from "../api/reference";
import { Term } from "../terms/Term";
import { lengthWithUnit, useUnit } from "../units/units";
import { Field } from "./Field";
import { Num } from "./Num";
import { Numbers } from "./Numbers";
import { Ways } from "./Ways";
import { Yes } from "./Yes";

/** HeelSection decides the heel, its corners and the ankle, and how far the foot goes before it. */
export function HeelSection({
  plan,
  schools,
  place,
}: {
  plan: Plan;
  schools: School[];
  /** Where the heel begins on the foot. */
  place: string | undefined;
}) {
  const unit = useUnit();
  const heel = useTechnique("heel.kind", plan.design.heel.kind);
  return (
    <>
      <section>
        <h2>
          Foot{" "}
          <small>
            <Num name="foot_rounds">{plan.summary.foot_rounds}</Num> rounds ·{" "}
            <Num name="heel_starts_at_mm">{lengthWithUnit(plan.summary.heel_starts_at_mm, unit)}</Num> from
            the tip
          </small>
        </h2>
        {place && <p className="hint">Tried on, the heel begins {place}.</p>}
        <details className="more">
          <summary>More about the foot</summary>
          <Ways field="foot_length.school" first={3} />
          <Schools schools={schools} />
          <div className="pair">
            <Field field="foot_length.toe_mm" label="Toe takes" hint="measured on a sock that fits" />
            <Field field="foot_length.heel_mm" label="Heel takes" />
          </div>
          <Ways field="foot_length.sole" />
        </details>
      </section>
      <section>
        <h2>
          <Term name={heel?.term ?? "short_rows"}>Heel</Term>{" "}
          <small>
            <Term name="heel_diagonal">heel diagonal</Term>:{" "}
            {lengthWithUnit(plan.design.foot.heel_diagonal_mm, unit)}
          </small>
        </h2>
        <Ways field="heel.kind" title={null} />
        <Ways field="heel.turn" />
        <Ways field="heel.share" />
        <Ways field="heel.fabric" />
        <Ways field="heel.slip_columns" />
        <details className="more">
          <summary>More about the heel</summary>
          <Ways field="heel.rounds_between" />
          <Ways field="heel.first_row" />
          <Ways field="round_start" />
          <div className="pair">
            <Numbers of={heel} />
          </div>
          {heel?.uses.includes("heel.own_strand") && (
            <Yes field="heel.own_strand" label="A strand of its own" />
          )}
        </details>
      </section>
      <section>
        <h2>
          <Term name="corner">Corners</Term> and <Term name="ankle">ankle</Term>{" "}
          <small>
            <Num name="leg_stitches">{plan.summary.leg_stitches}</Num> stitches on the leg
          </small>
        </h2>
        <Ways field="corner.method" title={null} />
        <details className="more">
          <summary>More about corners and ankle</summary>
          <div className="pair">
            <Field field="corner.pick_up" label="Extra at each corner" suffix="sts" />
            <Field field="corner.hold_rounds" label="They stay" suffix="rounds" />
          </div>
          <Ways field="ankle.change" first={4} />
          <Ways field="ankle.place" />
        </details>
      </section>
    </>
  );
}

/** Schools sets the ways to reckon the foot side by side. */
function Schools({ schools }: { schools: School[] }) {
  const unit = useUnit();
  const exact = schools.find((s) => s.name === "exact");
  const thumb = schools.find((s) => s.name === "thumb");
  if (!exact || !thumb) {
    return null;
  }
  return (
    <p className="hint">
      {exact.rounds} rounds by the toe's and heel's own rows; the rule of thumb says {thumb.rounds},{" "}
      {lengthWithUnit(Math.abs(thumb.longer_mm), unit)} {thumb.longer_mm < 0 ? "shorter" : "longer"}.
    </p>
  );
}
