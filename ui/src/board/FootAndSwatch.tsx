import { Button, Select } from "antd";
import { Link } from "react-router";
import { useBook } from "../api/book";
import type { Plan } from "../api/client";
import { useWearers } from "../api/feet";
import { useKinds } from "../api/reference";
import { Checks } from "../shell/Checks";
import { Term } from "../terms/Term";
import { gaugeText, gaugeWidth, lengthWithUnit, useUnit } from "../units/units";
import css from "./board-choices.module.css";
import { Field } from "./Field";
import { ShoeSize } from "./ShoeSize";
import { useBoard } from "./store";

/** FootFields are the figures of the foot: one that is kept, or typed. */
export function FootFields({ plan }: { plan: Plan | undefined }) {
  const guessed = new Set(plan?.design.foot.estimated ?? []);
  const foot = plan?.design.foot;
  const guess = (name: string, value: number | undefined) => (guessed.has(name) ? value : undefined);
  return (
    <>
      <p className="hint">Standing, with the whole weight on it.</p>
      <TakeFoot />
      <div className={css.pair}>
        <Field field="foot.length_mm" label="Length" hint="heel to longest toe" />
        <Field
          field="foot.ball_girth_mm"
          label="Girth round the ball"
          guess={guess("ball_girth_mm", foot?.ball_girth_mm)}
          hint={
            guessed.has("ball_girth_mm") ? (
              "guessed from the length: measure it"
            ) : (
              <Term name="ball">where the foot is widest</Term>
            )
          }
        />
      </div>
      <ShoeSize />
      <details className="more">
        <summary>More measurements</summary>
        <div className={css.pair}>
          <Field
            field="foot.heel_diagonal_mm"
            label="Heel diagonal"
            guess={guess("heel_diagonal_mm", foot?.heel_diagonal_mm)}
            hint={<Term name="heel_diagonal">round the point of the heel and the bend of the ankle</Term>}
          />
          <Field
            field="foot.ankle_girth_mm"
            label="Ankle"
            guess={guess("ankle_girth_mm", foot?.ankle_girth_mm)}
            hint={<Term name="ankle">at the thinnest place above the bones</Term>}
          />
          <Field
            field="foot.toe_depth_mm"
            label="Depth of the toes"
            guess={guess("toe_depth_mm", foot?.toe_depth_mm)}
            hint={<Term name="toe_depth">longest toe back to the little toe</Term>}
          />
          <HeelWidth />
          <Field field="foot.instep_girth_mm" label="Instep" hint="halfway from the ball to the ankle" />
          <Field field="foot.calf_girth_mm" label="Calf" hint="for knee socks" />
          <Field field="foot.calf_height_mm" label="Height of the calf" hint="above the floor" />
          <Field
            field="foot.knee_girth_mm"
            label="Below the knee"
            hint="where the cuff of a knee sock sits"
          />
          <Field field="foot.knee_height_mm" label="Height below the knee" hint="above the floor" />
        </div>
      </details>
      <SecondFoot />
    </>
  );
}

type SecondFoot = Partial<Record<string, number | string | null>>;

/** SecondFoot is where the other foot of the pair differs: two feet that differ are two socks from the cast-on. */
function SecondFoot() {
  const unit = useUnit();
  const taken = useBoard((b) => b.content.foot?.second);
  const second = useBoard((b) => b.content.draft.design.second_foot as SecondFoot | undefined);
  const chooseAll = useBoard((b) => b.chooseAll);
  const kinds = useKinds();
  const own = Object.entries(second ?? {}).filter(([, value]) => value !== null && value !== undefined);
  const differs = Object.entries(taken ?? {});
  const label = (name: string) => kinds.find((k) => k.name === name)?.label.toLowerCase() ?? name;
  return (
    <details className="more" open={own.length + differs.length > 0 || undefined}>
      <summary>The second foot, where it differs</summary>
      <p className="hint">
        Each sock then has counts and rounds of its own; the height of the leg, the cuff and the pattern are
        the pair's.
      </p>
      {differs.length > 0 && (
        <p>
          {differs.map(([name, mm]) => `${label(name)} ${lengthWithUnit(mm, unit)}`).join(", ")}.{" "}
          <Button
            size="small"
            onClick={() =>
              chooseAll(
                Object.fromEntries(
                  differs.map(([name, mm]) => [`second_foot.${name}`, own.length > 0 ? null : mm]),
                ),
              )
            }
          >
            {own.length > 0 ? "Knit two alike" : "Each for its own foot"}
          </Button>
        </p>
      )}
      <div className={css.pair}>
        <Field field="second_foot.length_mm" label="Length of the second" hint="as the first where empty" />
        <Field field="second_foot.ball_girth_mm" label="Ball of the second" hint="as the first where empty" />
      </div>
    </details>
  );
}

/** SwatchFields are the gauge: that of a swatch that is kept, or typed. */
export function SwatchFields() {
  return (
    <>
      <p className="hint">
        A <Term name="swatch">swatch</Term> knitted in the round, washed and dried.
      </p>
      <TakeSwatch />
      <div className={css.pair}>
        <Field field="gauge.stitches_per_100mm" label="Stitches" hint="several counts: 32; 33; 31.5" />
        <Field
          field="gauge.rounds_per_100mm"
          label="Rounds"
          hint={<Term name="round_gauge">they decide every length</Term>}
        />
      </div>
    </>
  );
}

const widths = ["average", "narrow", "wide"];

function HeelWidth() {
  const value = useBoard(
    (b) => (b.content.draft.design.foot as { heel_width?: string } | undefined)?.heel_width ?? "average",
  );
  const choose = useBoard((b) => b.choose);
  return (
    <div className="field">
      <label htmlFor="heel-width">Width of the heel</label>
      <Select
        id="heel-width"
        aria-label="Width of the heel"
        value={value}
        options={widths.map((width) => ({ value: width, label: width }))}
        onChange={(width) => choose("foot.heel_width", width)}
      />
    </div>
  );
}

/** TakeFoot takes a foot that is kept, as it is now. */
function TakeFoot() {
  const unit = useUnit();
  const list = useWearers();
  const wearers = list.data ?? [];
  const foot = useBoard((b) => b.content.foot);
  const takeFoot = useBoard((b) => b.takeFoot);
  const options = wearers.flatMap((view) =>
    ([view.left, view.right] as const)
      .filter((f) => f.taken.lengths.length_mm)
      .map((f) => ({
        value: `${view.wearer.id} ${f.taken.side}`,
        label: `${view.wearer.name}, ${f.taken.side} foot · ${lengthWithUnit(f.taken.lengths.length_mm ?? 0, unit)}`,
        foot: f.taken,
        name: view.wearer.name,
      })),
  );
  if (list.isPending) {
    return null;
  }
  if (options.length === 0) {
    return (
      <p className="hint">
        Measure once, knit often: <Link to="/feet">keep the feet you knit for</Link>.
      </p>
    );
  }
  const now = foot && `${foot.wearer_id} ${foot.side}`;
  return (
    <div className="field">
      <label htmlFor="take-foot">Whose foot?</label>
      <Select
        id="take-foot"
        aria-label="Whose foot?"
        className="whole"
        showSearch={{ optionFilterProp: "label" }}
        placeholder="typed below"
        value={options.some((o) => o.value === now) ? now : undefined}
        options={options.map(({ value, label }) => ({ value, label }))}
        onChange={(value) => {
          const chosen = options.find((o) => o.value === value);
          if (chosen) {
            takeFoot(chosen.foot, chosen.name);
          }
        }}
      />
    </div>
  );
}

/** TakeSwatch takes a swatch of the book, as it is now, and its yarn. */
function TakeSwatch() {
  const unit = useUnit();
  const book = useBook();
  const ready = (book.data?.swatches ?? []).filter((s) => s.taken);
  const swatch = useBoard((b) => b.content.swatch);
  const takeSwatch = useBoard((b) => b.takeSwatch);
  if (book.isPending) {
    return null;
  }
  if (ready.length === 0) {
    return (
      <p className="hint">
        Keep every count: <Link to="/swatches">begin a swatch book</Link>.
      </p>
    );
  }
  const taken = ready.find((s) => s.swatch.id === swatch?.swatch_id);
  const options = ready.map((s) => ({
    value: s.swatch.id,
    label: `${s.yarn?.name ?? "yarn"} on ${s.needle?.size_mm ?? "?"} mm · ${gaugeText(s.taken?.stitches_per_100mm ?? 0, unit)} × ${gaugeText(s.taken?.rounds_per_100mm ?? 0, unit)} in ${gaugeWidth(unit)}`,
  }));
  return (
    <div className="field">
      <label htmlFor="take-swatch">Which swatch?</label>
      <Select
        id="take-swatch"
        aria-label="Which swatch?"
        className="whole"
        showSearch={{ optionFilterProp: "label" }}
        placeholder="typed below"
        value={options.some((o) => o.value === swatch?.swatch_id) ? swatch?.swatch_id : undefined}
        options={options}
        onChange={(id) => {
          const chosen = ready.find((s) => s.swatch.id === id);
          if (chosen?.taken) {
            takeSwatch(chosen.taken, chosen.yarn);
          }
        }}
      />
      <Checks checks={taken?.judged.checks.filter((c) => c.level !== "note") ?? []} />
    </div>
  );
}
