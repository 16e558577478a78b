import { Checkbox } from "antd";
import { Link } from "react-router";
import type { Plan, PlanAnswer } from "../api/client";
import { lengthWithUnit, useUnit } from "../units/units";
import { Checks } from "./Checks";
import { Counts } from "./Counts";
import { Field, valueAt } from "./Field";
import { FootAndSwatch } from "./FootAndSwatch";
import { HeelChoices } from "./HeelChoices";
import { LegChoices } from "./LegChoices";
import { More } from "./More";
import { options } from "./options";
import { Pick } from "./Pick";
import { ToeChoices } from "./ToeChoices";
import type { Board } from "./useBoard";

/** Choices are made in the order of the work; what is seldom needed stands under "more ways". */
export function Choices({ board, id }: { board: Board; id: string }) {
  const shown = board.answer?.plan ? board.answer : board.good;
  const plan = shown?.plan;
  const checks = board.answer?.plan?.checks ?? [];
  return (
    <>
      <FootAndSwatch board={board} plan={plan} />
      {plan && shown?.counts && <Round board={board} shown={shown} plan={plan} />}
      {checks.length > 0 && <Checks checks={checks} />}
      {plan && shown && (
        <>
          <ToeChoices board={board} plan={plan} />
          <HeelChoices board={board} plan={plan} shown={shown} />
        </>
      )}
      <LegChoices board={board} plan={plan} />
      {plan && shown && <RestChoices board={board} shown={shown} />}
      {plan && plan.rows.length > 0 && (
        <section className="checked">
          <h2>
            <Link to={`/socks/${id}/rows`}>Every row checked</Link>
            <small>{plan.rows.length} rows knitted again, loop by loop</small>
          </h2>
        </section>
      )}
    </>
  );
}

function Round({ board, shown, plan }: { board: Board; shown: PlanAnswer; plan: Plan }) {
  const unit = useUnit();
  return (
    <section>
      <h2>
        Round the foot{" "}
        <small>
          {lengthWithUnit(plan.design.foot.ball_girth_mm, unit)}, less {plan.design.fit.girth_ease_pct} %
        </small>
      </h2>
      <Counts
        counts={shown.counts ?? []}
        onChoose={(choice) => board.choose("stitches", choice.nearest ? null : choice.stitches)}
      />
      <More>
        <Field
          board={board}
          field="fit.girth_ease_pct"
          label="Smaller than the foot by"
          suffix="%"
          guess={10}
        />
        <Field
          board={board}
          field="fit.length_ease_mm"
          label="Shorter by"
          guess={plan.design.fit.length_ease_mm}
        />
        <Pick board={board} field="fit.multiple" label="Count in" options={options.multiple} />
      </More>
    </section>
  );
}

function RestChoices({ board, shown }: { board: Board; shown: PlanAnswer }) {
  const contrast = (valueAt(board.content.draft.design, "yarn.contrast") as string[] | undefined) ?? [];
  const grams = (colour: string) =>
    (shown.yarn ?? []).filter((n) => n.colour === colour).reduce((sum, n) => sum + n.grams, 0);
  return (
    <section>
      <h2>
        Yarn{" "}
        <small>
          about {grams("").toFixed(0)} g
          {contrast.length > 0 && ` and ${grams("contrast").toFixed(0)} g of contrast`} a sock, ± 15 %
        </small>
      </h2>
      <div className="pair">
        <Field board={board} field="yarn.ball_g" label="Ball weighs" guess={100} suffix="g" />
        <Field board={board} field="yarn.ball_m" label="Ball measures" guess={420} suffix="m" />
      </div>
      <Checkbox.Group
        aria-label="Sections in a contrast yarn"
        value={contrast}
        onChange={(sections) => board.choose("yarn.contrast", sections)}
        options={[
          { label: "contrast toe", value: "toe" },
          { label: "heel", value: "heel" },
          { label: "cuff", value: "cuff" },
        ]}
      />
    </section>
  );
}
