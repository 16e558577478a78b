import { Button, Input, Select } from "antd";
import { useState } from "react";
import { useFootOfShoe } from "../api/reference";
import css from "../rows/rows.module.css";
import { lengthWithUnit, useUnit } from "../units/units";
import { valueAt } from "./content";
import { useBoard } from "./store";

const systems = [
  { value: "eu", label: "EU" },
  { value: "uk", label: "UK" },
  { value: "us_women", label: "US women's" },
  { value: "us_men", label: "US men's" },
  { value: "children", label: "UK children's" },
  { value: "mondopoint", label: "Mondopoint" },
] as const;

type System = (typeof systems)[number]["value"];

/** said is a size with its system: a number alone is another foot in another one. */
const said = (shoe: { system: string; size: number } | undefined) =>
  shoe && `${systems.find((s) => s.value === shoe.system)?.label} ${shoe.size}`;

/** ShoeSize stands in for a length that nobody has measured; it is marked as estimated. */
export function ShoeSize() {
  const unit = useUnit();
  const [system, setSystem] = useState<System>("eu");
  const [size, setSize] = useState("");
  const foot = useFootOfShoe();
  const chooseAll = useBoard((b) => b.chooseAll);
  const estimated = useBoard(
    (b) => valueAt(b.content.draft.design, "foot.estimated") as string[] | undefined,
  );
  const take = () =>
    foot.mutate(
      { system, size: Number(size.replace(",", ".")) },
      {
        onSuccess: (answer) =>
          chooseAll({
            "foot.length_mm": answer.length_mm,
            "foot.estimated": [...new Set([...(estimated ?? []), "length_mm"])],
          }),
      },
    );
  return (
    <details className="more">
      <summary>Only a shoe size?</summary>
      <div className={css.estimate}>
        <div className="field">
          <label htmlFor="shoe-system">Numbering</label>
          <Select
            id="shoe-system"
            aria-label="Numbering"
            value={system}
            options={[...systems]}
            onChange={(next) => setSystem(next)}
          />
        </div>
        <div className="field">
          <label htmlFor="shoe-size">Shoe size</label>
          <Input
            id="shoe-size"
            value={size}
            onChange={(event) => setSize(event.target.value)}
            onPressEnter={take}
          />
        </div>
        <Button onClick={take} disabled={size.trim() === ""}>
          Estimate
        </Button>
      </div>
      <p className={foot.isError ? "fault" : "hint"} role={foot.isError ? "alert" : "status"}>
        {foot.error?.message}
        {foot.data &&
          `${said(foot.variables)} is a foot of about ${lengthWithUnit(foot.data.length_mm, unit)}, ± ${lengthWithUnit(foot.data.uncertainty_mm, unit)}. ${foot.data.source} Measure when you can.`}
      </p>
    </details>
  );
}
