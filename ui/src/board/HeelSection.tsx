import type { Plan } from "../api/client";
import { Term } from "../terms/Term";
import { lengthWithUnit, useUnit } from "../units/units";
import { Field } from "./Field";
import { Num } from "./Num";
import { Ways } from "./Ways";
import { Yes } from "./Yes";

const counts = [
  "heel.stitches",
  "heel.turns_per_side",
  "heel.rounds_between",
  "heel.first_row",
  "heel.flap_rows",
  "heel.picked_up",
  "heel.gusset_increases",
];

/** HeelSection decides the heel, its corners and the ankle, and how far the foot goes before it. */
export function HeelSection({
  plan,
  rounds,
  place,
}: {
  plan: Plan;
  rounds: Record<string, number> | undefined;
  /** Where the heel begins on the foot. */
  place: string | undefined;
}) {
  const unit = useUnit();
  const kind = plan.design.heel.kind;
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
          <Ways field="foot_length.school" first={2} />
          <Schools rounds={rounds} plan={plan} />
          <div className="pair">
            <Field
              field="foot_length.toe_mm"
              label="Toe takes"
              guess={25}
              hint="measured on a sock that fits"
            />
            <Field field="foot_length.heel_mm" label="Heel takes" guess={25} />
          </div>
          <Ways field="foot_length.sole" />
        </details>
      </section>
      <section>
        <h2>
          <Term name={kind === "flap_under" ? "flap" : kind === "gusset_turn" ? "gusset" : "short_rows"}>
            Heel
          </Term>{" "}
          <small>
            <Term name="heel_diagonal">heel diagonal</Term>:{" "}
            {lengthWithUnit(plan.design.foot.heel_diagonal_mm, unit)}
          </small>
        </h2>
        <Ways field="heel.kind" title={null} reset={counts} />
        <Ways field="heel.turn" reset={["heel.rounds_between", "heel.first_row"]} />
        <Ways field="heel.share" reset={["heel.stitches", "heel.turns_per_side"]} />
        <Ways field="heel.fabric" />
        <details className="more">
          <summary>More about the heel</summary>
          <Ways field="heel.rounds_between" />
          <Ways field="heel.first_row" />
          <div className="pair">
            {kind !== "flap_under" && (
              <Field field="heel.turns_per_side" label="Turns on each side" suffix="turns" plain />
            )}
            {kind === "short_row" && (
              <Field field="heel.stitches" label="Heel stitches exactly" suffix="sts" plain />
            )}
            {kind === "flap_under" && (
              <>
                <Field field="heel.flap_rows" label="Flap rows" suffix="rows" plain />
                <Field
                  field="heel.flap_row_factor"
                  label="A flap row counts"
                  guess={0.75}
                  suffix="of a row"
                />
                <Field field="heel.picked_up" label="Really picked up" hint="left, right: 21, 19" plain />
              </>
            )}
            {kind === "gusset_turn" && (
              <Field field="heel.gusset_increases" label="Increases on each side" suffix="sts" plain />
            )}
          </div>
          {kind !== "flap_under" && <Yes field="heel.own_strand" label="A strand of its own" />}
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
            <Field field="corner.pick_up" label="Extra at each corner" guess={1} suffix="sts" />
            <Field field="corner.hold_rounds" label="They stay" guess={5} suffix="rounds" />
          </div>
          <Ways field="ankle.change" first={4} />
          <Ways field="ankle.place" />
        </details>
      </section>
    </>
  );
}

/** Schools sets the ways to reckon the foot side by side. */
function Schools({ rounds, plan }: { rounds: Record<string, number> | undefined; plan: Plan }) {
  const unit = useUnit();
  if (rounds?.exact === undefined || rounds.thumb === undefined) {
    return null;
  }
  const off = ((rounds.thumb - rounds.exact) * 100) / plan.design.gauge.rounds_per_100mm;
  return (
    <p className="hint">
      {rounds.exact} rounds by the toe's and heel's own rows; the rule of thumb says {rounds.thumb},{" "}
      {lengthWithUnit(Math.abs(off), unit)} {off < 0 ? "shorter" : "longer"}.
    </p>
  );
}
