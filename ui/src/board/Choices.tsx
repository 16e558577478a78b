import { Checkbox } from "antd";
import type { ReactNode } from "react";
import { Link } from "react-router";
import type { Plan, PlanAnswer } from "../api/client";
import { usePatterns } from "../api/reference";
import { lengthWithUnit, useUnit } from "../units/units";
import { Checks } from "./Checks";
import { Counts } from "./Counts";
import { Field, valueAt } from "./Field";
import { HeelCards } from "./HeelCards";
import { options } from "./options";
import { Pick, Yes } from "./Pick";
import { ShoeSize } from "./ShoeSize";
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

function More({ children }: { children: ReactNode }) {
  return (
    <details className="more">
      <summary>More ways</summary>
      <div className="pair">{children}</div>
    </details>
  );
}

function FootAndSwatch({ board, plan }: { board: Board; plan: Plan | undefined }) {
  const guessed = new Set(plan?.design.foot.estimated ?? []);
  const foot = plan?.design.foot;
  const measured = (name: string, value: number | undefined) => (guessed.has(name) ? value : undefined);
  return (
    <>
      <section>
        <h2>
          The foot <small>standing, with the whole weight on it</small>
        </h2>
        <div className="pair">
          <Field board={board} field="foot.length_mm" label="Length" hint="heel to longest toe" />
          <Field
            board={board}
            field="foot.ball_girth_mm"
            label="Girth round the ball"
            guess={measured("ball_girth_mm", foot?.ball_girth_mm)}
            hint={
              guessed.has("ball_girth_mm")
                ? "guessed from the length: measure it"
                : "where the foot is widest"
            }
          />
        </div>
        <ShoeSize board={board} />
        <details className="more">
          <summary>More measurements</summary>
          <div className="pair">
            <Field
              board={board}
              field="foot.heel_diagonal_mm"
              label="Heel diagonal"
              guess={measured("heel_diagonal_mm", foot?.heel_diagonal_mm)}
              hint="round the point of the heel and the bend of the ankle"
            />
            <Field
              board={board}
              field="foot.ankle_girth_mm"
              label="Ankle"
              guess={measured("ankle_girth_mm", foot?.ankle_girth_mm)}
              hint="at the thinnest place above the bones"
            />
            <Field
              board={board}
              field="foot.toe_depth_mm"
              label="Depth of the toes"
              guess={measured("toe_depth_mm", foot?.toe_depth_mm)}
              hint="longest toe back to the little toe"
            />
            <Pick
              board={board}
              field="foot.heel_width"
              label="Width of the heel"
              options={options.heelWidth}
            />
            <Field board={board} field="foot.calf_girth_mm" label="Calf" hint="for knee socks" />
            <Field
              board={board}
              field="foot.calf_height_mm"
              label="Height of the calf"
              hint="above the floor"
            />
          </div>
        </details>
      </section>
      <section>
        <h2>
          The swatch <small>knitted in the round, washed and dried</small>
        </h2>
        <div className="pair">
          <Field
            board={board}
            field="gauge.stitches_per_100mm"
            label="Stitches"
            hint="several counts: 32; 33; 31.5"
          />
          <Field
            board={board}
            field="gauge.rounds_per_100mm"
            label="Rounds"
            hint="they decide every length"
          />
        </div>
      </section>
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

function ToeChoices({ board, plan }: { board: Board; plan: Plan }) {
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

function HeelChoices({ board, plan, shown }: { board: Board; plan: Plan; shown: PlanAnswer }) {
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

function LegChoices({ board, plan }: { board: Board; plan: Plan | undefined }) {
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
