import type { Plan, PlanAnswer } from "../api/client";
import { lengthWithUnit, useUnit } from "../units/units";
import { Field } from "./Field";
import { HeelCards } from "./HeelCards";
import { More } from "./More";
import { options } from "./options";
import { Pick, Yes } from "./Pick";
import type { Board } from "./useBoard";

export function HeelChoices({ board, plan, shown }: { board: Board; plan: Plan; shown: PlanAnswer }) {
  const unit = useUnit();
  const kind = plan.design.heel.kind;
  const turns = kind !== "flap_under" || plan.design.toe.kind === "short_row";
  return (
    <section>
      <h2>
        Heel <small>heel diagonal: {lengthWithUnit(plan.design.foot.heel_diagonal_mm, unit)}</small>
      </h2>
      <HeelCards board={board} shown={shown} />
      <div className="pair spaced">
        {turns && <Pick board={board} field="heel.turn" label="Turning style" options={options.turn} />}
        {kind === "short_row" && (
          <Pick board={board} field="heel.share" label="Worked over" options={options.share} />
        )}
        {kind !== "flap_under" && (
          <Pick board={board} field="heel.fabric" label="Heel fabric" options={options.fabric} />
        )}
      </div>
      <More>
        {kind !== "flap_under" && (
          <>
            <Field
              board={board}
              field="heel.turns_per_side"
              label="Turns on each side"
              suffix="turns"
              plain
            />
            <Pick board={board} field="heel.first_row" label="First row" options={options.firstRow} />
            <Yes board={board} field="heel.own_strand" label="A strand of its own" />
          </>
        )}
        {kind === "short_row" && (
          <>
            <Field board={board} field="heel.stitches" label="Heel stitches exactly" suffix="sts" plain />
            <Pick
              board={board}
              field="heel.rounds_between"
              label="Rounds between the halves"
              options={options.between}
            />
          </>
        )}
        {kind === "flap_under" && (
          <>
            <Field board={board} field="heel.flap_rows" label="Flap rows" suffix="rows" plain />
            <Field
              board={board}
              field="heel.flap_row_factor"
              label="A flap row counts"
              guess={0.75}
              suffix="of a row"
            />
            <Field
              board={board}
              field="heel.picked_up"
              label="Really picked up"
              hint="left, right: 21, 19"
              plain
            />
          </>
        )}
        {kind === "gusset_turn" && (
          <Field
            board={board}
            field="heel.gusset_increases"
            label="Increases on each side"
            suffix="sts"
            plain
          />
        )}
        <Pick board={board} field="corner.method" label="Corners" options={options.corner} />
        <Field board={board} field="corner.pick_up" label="Extra at each corner" guess={1} suffix="sts" />
        <Field board={board} field="corner.hold_rounds" label="They stay" guess={5} suffix="rounds" />
        <Pick board={board} field="ankle.change" label="The count changes" options={options.change} />
        <Pick board={board} field="ankle.place" label="Where it changes" options={options.place} />
        <Pick board={board} field="foot_length.school" label="Foot length by" options={options.school} />
        {plan.design.foot_length.school !== "exact" && (
          <>
            <Field board={board} field="foot_length.toe_mm" label="Toe takes" guess={25} />
            <Field board={board} field="foot_length.heel_mm" label="Heel takes" guess={25} />
          </>
        )}
        <Pick board={board} field="foot_length.sole" label="Sole" options={options.sole} />
      </More>
      <Schools shown={shown} plan={plan} />
    </section>
  );
}

/** Schools sets the ways to reckon the foot side by side. */
function Schools({ shown, plan }: { shown: PlanAnswer; plan: Plan }) {
  const unit = useUnit();
  const by = shown.foot_rounds_by;
  if (!by || by.exact === undefined || by.thumb === undefined) {
    return null;
  }
  const off = ((by.thumb - by.exact) * 100) / plan.design.gauge.rounds_per_100mm;
  return (
    <p className="hint">
      {by.exact} rounds by the toe's and heel's own rows; the rule of thumb says {by.thumb},{" "}
      {lengthWithUnit(Math.abs(off), unit)} {off < 0 ? "shorter" : "longer"}.
    </p>
  );
}
