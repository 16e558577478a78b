import { Checkbox, InputNumber } from "antd";
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
