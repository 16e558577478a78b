import type { Plan } from "../api/client";
import { lengthWithUnit, useUnit } from "../units/units";
import { Field } from "./Field";
import { More } from "./More";
import { options } from "./options";
import { Pick, Yes } from "./Pick";
import type { Board } from "./useBoard";

export function ToeChoices({ board, plan }: { board: Board; plan: Plan }) {
  const unit = useUnit();
  const s = plan.summary;
  const kind = plan.design.toe.kind;
  const length = s.heel_starts_at_mm - (s.foot_rounds * 100) / plan.design.gauge.rounds_per_100mm;
  return (
    <section>
      <h2>
        Toe{" "}
        <small>
          {s.cast_on_stitches} cast on · {s.toe_rounds} {kind === "wedge" ? "rounds" : "rows"} ·{" "}
          {lengthWithUnit(length, unit)}
        </small>
      </h2>
      <div className="pair">
        <Pick board={board} field="toe.kind" label="Kind of toe" options={options.toe} />
        {kind === "wedge" && (
          <Pick board={board} field="toe.start" label="Begins with" options={options.start} />
        )}
      </div>
      <More>
        {kind !== "short_row" && (
          <>
            <Pick board={board} field="toe.cast_on" label="Cast-on" options={options.castOn} />
            <Pick board={board} field="toe.start_loop" label="First loop" options={options.startLoop} />
          </>
        )}
        {kind === "wedge" && (
          <>
            <Pick board={board} field="toe.increase" label="Increases" options={options.increase} />
            <Field board={board} field="toe.start_stitches" label="Cast on exactly" suffix="sts" plain />
            <Field
              board={board}
              field="toe.fast_rounds"
              label="Increase rounds at once"
              suffix="rounds"
              plain
            />
          </>
        )}
        {kind === "short_row" && (
          <Field board={board} field="toe.turns_per_side" label="Turns on each side" suffix="turns" plain />
        )}
        <Yes board={board} field="mirror" label="Mirrored, for the other foot" />
      </More>
    </section>
  );
}
