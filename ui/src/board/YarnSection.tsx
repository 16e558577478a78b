import { Checkbox } from "antd";
import type { PlanAnswer } from "../api/client";
import { valueAt } from "./content";
import { Field } from "./Field";
import { Num } from "./Num";
import { useBoard } from "./store";

/** YarnSection says what the sock takes, and which sections are in another colour. */
export function YarnSection({ answer }: { answer: PlanAnswer }) {
  const contrast = useBoard((b) => valueAt(b.content.draft.design, "yarn.contrast") as string[] | undefined);
  const choose = useBoard((b) => b.choose);
  const { grams } = answer;
  return (
    <section>
      <h2>
        Yarn{" "}
        <small>
          about <Num name="grams">{grams?.own.toFixed(0)} g</Num>
          {contrast && contrast.length > 0 && ` and ${grams?.contrast.toFixed(0)} g of contrast`} a sock, ±{" "}
          {grams?.doubt_pct} %
        </small>
      </h2>
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
    </section>
  );
}
