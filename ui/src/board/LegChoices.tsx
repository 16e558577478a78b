import type { Plan } from "../api/client";
import { usePatterns } from "../api/reference";
import { Field } from "./Field";
import { More } from "./More";
import { options } from "./options";
import { Pick } from "./Pick";
import type { Board } from "./useBoard";

export function LegChoices({ board, plan }: { board: Board; plan: Plan | undefined }) {
  const patterns = usePatterns();
  const all = patterns.map((p) => ({ value: p.name, label: `${p.label} · ${p.repeat} sts` }));
  const ribs = all.filter((p) => p.value !== "stockinette");
  const shoe = patterns.find((p) => p.name === plan?.design.leg.pattern)?.shoe;
  return (
    <section>
      <h2>
        Leg and cuff{" "}
        <small>
          {plan
            ? `${plan.summary.leg_stitches} stitches, from the end of the heel`
            : "from the end of the heel"}
        </small>
      </h2>
      <div className="pair">
        <Field
          board={board}
          field="leg.height_mm"
          label="Leg with its cuff"
          guess={plan?.design.leg.height_mm}
          hint={plan ? `${plan.summary.leg_rounds} rounds below the cuff` : ""}
        />
        <Field
          board={board}
          field="cuff.height_mm"
          label="Cuff of it"
          guess={plan?.design.cuff.height_mm}
          hint={plan ? `${plan.summary.cuff_rounds} rounds` : ""}
        />
      </div>
      {plan && (
        <>
          <div className="pair">
            <Pick board={board} field="leg.pattern" label="Pattern of the leg" options={all} />
            <Pick board={board} field="cuff.pattern" label="Pattern of the cuff" options={ribs} />
          </div>
          {shoe && <p className="hint">{shoe}</p>}
          <More>
            <Pick board={board} field="leg.instep_pattern" label="Pattern on the instep" options={all} />
            <Field board={board} field="leg.plain_rounds" label="Plain rounds first" suffix="rounds" plain />
            <Field board={board} field="leg.stitches" label="Leg stitches exactly" suffix="sts" plain />
            <Pick board={board} field="bind_off" label="Bind-off" options={options.bindOff} />
            <Pick board={board} field="needles" label="Needles" options={options.needles} />
          </More>
        </>
      )}
    </section>
  );
}
