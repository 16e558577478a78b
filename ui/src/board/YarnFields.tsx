import { Button, Checkbox, InputNumber, Segmented } from "antd";
import type { Need } from "../api/client";
import { metresOf, useUnit, yarnText, yarnUnit, yarnWithUnit } from "../units/units";
import css from "./board-choices.module.css";
import { valueAt } from "./content";
import { Field } from "./Field";
import { useBoard } from "./store";

/** YarnFields are the ball, and which sections are in another colour. */
export function YarnFields({ needs }: { needs: Need[] }) {
  const contrast = useBoard((b) => valueAt(b.content.draft.design, "yarn.contrast") as string[] | undefined);
  const choose = useBoard((b) => b.choose);
  return (
    <>
      <div className={css.pair}>
        <Field field="yarn.ball_g" label="Ball weighs" suffix="g" />
        <Field field="yarn.ball_m" label="Ball measures" />
      </div>
      {needs.length > 0 && (
        <p className="hint">
          About{" "}
          {needs
            .filter((n) => n.grams >= worthSaying)
            .map(grams)
            .join(" · ")}
        </p>
      )}
      <Checkbox.Group
        aria-label="Sections in a contrast yarn"
        value={contrast ?? []}
        onChange={(sections) => choose("yarn.contrast", sections)}
        options={[
          { label: "contrast toe", value: "toe" },
          { label: "heel", value: "heel" },
          { label: "cuff", value: "cuff" },
        ]}
      />
      {contrast?.includes("toe") && (
        <div className={css.pair}>
          <Field field="toe.colour_extra_mm" label="The toe's colour goes on" hint="over the foot" />
        </div>
      )}
      <Stripes />
      <Repeat />
    </>
  );
}

/** grams says what a section takes of a yarn; what is less than half a gram is not said. */
const grams = ({ section, colour, grams: g }: Need) =>
  `${section.replace("_", " ")}${colour && ` (${colour})`} ${g.toFixed(0)} g`;
const worthSaying = 0.5;

type Stripe = [string, number];

/** Stripes has foot and leg in rounds of the sock's own yarn and of the other one in turn. */
function Stripes() {
  const stripes = useBoard((b) => valueAt(b.content.draft.design, "yarn.stripes") as Stripe[] | undefined);
  const choose = useBoard((b) => b.choose);
  const rounds = (colour: string) => stripes?.find(([name]) => name === colour)?.[1] ?? 2;
  const change = (colour: string, n: number | null) =>
    n && choose("yarn.stripes", stripes?.map(([name, was]) => [name, name === colour ? n : was]) ?? null);
  return (
    <div className={css.stripes}>
      <Checkbox
        checked={stripes !== undefined && stripes.length > 0}
        onChange={(e) =>
          choose(
            "yarn.stripes",
            e.target.checked
              ? [
                  ["own", 2],
                  ["contrast", 2],
                ]
              : null,
          )
        }
      >
        Stripes of whole rounds over foot and leg
      </Checkbox>
      {stripes && stripes.length > 0 && (
        <div className={css.pair}>
          {["own", "contrast"].map((colour) => (
            <div key={colour} className="field">
              <span>{colour === "own" ? "the sock's own yarn" : "the contrast yarn"}</span>
              <InputNumber
                aria-label={`Rounds in the ${colour} yarn`}
                min={1}
                max={400}
                value={rounds(colour)}
                onChange={(n) => change(colour, n)}
                suffix="rounds"
              />
            </div>
          ))}
        </div>
      )}
    </div>
  );
}

const metre = 1000; // lengths are kept in mm of yarn
const mostColours = 8;

/** How the colours of a yarn that stripes by itself are told: as lengths of yarn, or in rounds that were counted. */
const tellings = [
  { field: "yarn.repeat_mm", usual: [8, 5, 3].map((m) => m * metre), more: 3 * metre },
  { field: "yarn.repeat_rounds", usual: [10, 6, 4], more: 4 },
] as const;

/** Repeat are the colours of a yarn that stripes by itself: the drawing lays them along the yarn. */
function Repeat() {
  const unit = useUnit();
  const design = useBoard((b) => b.content.draft.design);
  const change = useBoard((b) => b.chooseAll);
  const [lengths, rounds] = tellings.map(({ field }) => (valueAt(design, field) ?? []) as number[]);
  const counted = (rounds?.length ?? 0) > 0;
  const told = (counted ? rounds : lengths) ?? [];
  const { field, more } = tellings[counted ? 1 : 0];
  const striping = useBoard((b) => b.good?.striping) ?? [];
  // Told otherwise it is the same yarn.
  const now = (way: 0 | 1) => striping.map((c) => (way === 1 ? c.foot_rounds : c.length_mm));
  const tell = (way: 0 | 1 | null) =>
    change(
      Object.fromEntries(
        tellings
          .map(({ field, usual }, i): [string, number[] | null] => [
            field,
            i !== way ? null : striping.length > 0 ? now(way) : [...usual],
          ])
          .concat([["yarn.repeat_stitches", null]]),
      ),
    );
  const set = (list: number[]) => change({ [field]: list });
  const shown = (value: number) => (counted ? value : Number(yarnText(value / metre, unit)));
  const kept = (typed: number) => (counted ? typed : Math.round(metresOf(typed, unit) * metre));
  return (
    <div className={css.stripes}>
      <Checkbox checked={told.length > 0} onChange={(e) => tell(e.target.checked ? 0 : null)}>
        A yarn that stripes by itself
      </Checkbox>
      {told.length > 0 && (
        <>
          <Segmented
            aria-label="How its colours are told"
            value={counted ? 1 : 0}
            onChange={(way) => tell(way as 0 | 1)}
            options={[
              { value: 0, label: unit === "cm" ? "in metres" : "in yards" },
              { value: 1, label: "in counted rounds" },
            ]}
          />
          <div className={css.pair}>
            {told.map((value, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: the colours of a repeat have no other name
              <div key={i} className="field">
                <span>colour {i + 1}</span>
                <InputNumber
                  aria-label={`${counted ? "Rounds" : unit === "cm" ? "Metres" : "Yards"} of colour ${i + 1}`}
                  min={0.1}
                  max={counted ? 400 : 100}
                  step={0.5}
                  value={shown(value)}
                  onChange={(typed) => typed && set(told.map((was, k) => (k === i ? kept(typed) : was)))}
                  suffix={counted ? "rounds" : yarnUnit(unit)}
                />
                <p className="hint">
                  {striping[i] &&
                    (counted
                      ? `${yarnWithUnit(striping[i].length_mm / metre, unit)} of yarn`
                      : `${striping[i].foot_rounds.toFixed(1)} rounds of the foot`)}
                </p>
              </div>
            ))}
          </div>
          {counted && (
            <div className={css.pair}>
              <Field
                field="yarn.repeat_stitches"
                label="Counted on"
                suffix="sts"
                hint="empty: on the stitches of this foot"
              />
            </div>
          )}
          <p className="hint">
            As they follow each other on the ball, from where the sock begins. The second sock begins at the
            same place.
          </p>
          <Button size="small" disabled={told.length >= mostColours} onClick={() => set([...told, more])}>
            One colour more
          </Button>{" "}
          <Button size="small" disabled={told.length <= 2} onClick={() => set(told.slice(0, -1))}>
            One less
          </Button>
        </>
      )}
    </div>
  );
}
