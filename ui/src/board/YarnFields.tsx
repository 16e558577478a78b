import { Button, Checkbox, InputNumber } from "antd";
import { valueAt } from "./content";
import { Field } from "./Field";
import { useBoard } from "./store";

/** YarnFields are the ball, and which sections are in another colour. */
export function YarnFields() {
  const contrast = useBoard((b) => valueAt(b.content.draft.design, "yarn.contrast") as string[] | undefined);
  const choose = useBoard((b) => b.choose);
  return (
    <>
      <div className="pair">
        <Field field="yarn.ball_g" label="Ball weighs" suffix="g" />
        <Field field="yarn.ball_m" label="Ball measures" suffix="m" />
      </div>
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
        <div className="pair">
          <Field field="toe.colour_extra_mm" label="The toe's colour goes on" hint="over the foot" />
        </div>
      )}
      <Stripes />
      <Repeat />
    </>
  );
}

type Stripe = [string, number];

/** Stripes has foot and leg in rounds of the sock's own yarn and of the other one in turn. */
function Stripes() {
  const stripes = useBoard((b) => valueAt(b.content.draft.design, "yarn.stripes") as Stripe[] | undefined);
  const choose = useBoard((b) => b.choose);
  const rounds = (colour: string) => stripes?.find(([name]) => name === colour)?.[1] ?? 2;
  const change = (colour: string, n: number | null) =>
    n && choose("yarn.stripes", stripes?.map(([name, was]) => [name, name === colour ? n : was]) ?? null);
  return (
    <div className="stripes">
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
        <div className="pair">
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

/** Lengths are kept in mm of yarn, and typed in metres. */
const metre = 1000;
const mostColours = 8;

/** Repeat are the colours of a yarn that stripes by itself, as long as they are on the ball: the drawing lays them along the yarn. */
function Repeat() {
  const repeat = useBoard((b) => valueAt(b.content.draft.design, "yarn.repeat_mm") as number[] | undefined);
  const choose = useBoard((b) => b.choose);
  const set = (lengths: number[]) => choose("yarn.repeat_mm", lengths.length > 1 ? lengths : null);
  const lengths = repeat ?? [];
  return (
    <div className="stripes">
      <Checkbox
        checked={lengths.length > 0}
        onChange={(e) => set(e.target.checked ? [8, 5, 3].map((m) => m * metre) : [])}
      >
        A yarn that stripes by itself
      </Checkbox>
      {lengths.length > 0 && (
        <>
          <div className="pair">
            {lengths.map((mm, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: the colours of a repeat have no other name
              <div key={i} className="field">
                <span>colour {i + 1}</span>
                <InputNumber
                  aria-label={`Metres of colour ${i + 1}`}
                  min={0.02}
                  max={100}
                  step={0.5}
                  value={mm / metre}
                  onChange={(m) => m && set(lengths.map((was, k) => (k === i ? Math.round(m * metre) : was)))}
                  suffix="m"
                />
              </div>
            ))}
          </div>
          <p className="hint">
            As they follow each other on the ball, from where the sock begins. The second sock begins at the
            same place.
          </p>
          <Button
            size="small"
            disabled={lengths.length >= mostColours}
            onClick={() => set([...lengths, 3 * metre])}
          >
            One colour more
          </Button>{" "}
          <Button size="small" disabled={lengths.length <= 2} onClick={() => set(lengths.slice(0, -1))}>
            One less
          </Button>
        </>
      )}
    </div>
  );
}
