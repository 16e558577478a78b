import { Input } from "antd";
import type { DesignField } from "../api/field";
import { useUsual } from "../api/reference";
import { gaugeText, gaugeWidth, lengthText, useUnit, yarnText, yarnUnit } from "../units/units";
import { valueAt } from "./content";
import { useBoard } from "./store";

type Props = {
  /** Path of the field in the design. */
  field: DesignField;
  label: React.ReactNode;
  hint?: React.ReactNode;
  /** Shown in the empty field: what stands in for it, where that is not the usual figure. */
  guess?: number | undefined;
  /** Shown behind the figure where it is no length, no gauge and no yarn. */
  suffix?: string;
  /** Worked out when the field is empty, where no figure is usual. */
  plain?: boolean;
};

/** Field is a measured figure: what is typed stays as it is typed until the field is left. */
export function Field({ field, label, hint, guess, suffix, plain }: Props) {
  const unit = useUnit();
  const isGauge = field.startsWith("gauge.");
  const isLength = field.endsWith("_mm");
  const isYarn = field === "yarn.ball_m";
  const spell = (value: unknown) => {
    if (typeof value !== "number") {
      return Array.isArray(value) ? value.join(", ") : "";
    }
    return isGauge
      ? gaugeText(value, unit)
      : isLength
        ? lengthText(value, unit)
        : isYarn
          ? yarnText(value, unit)
          : `${value}`;
  };
  const usual = useUsual()[field];
  const standsIn = guess ?? usual;
  const typed = useBoard((b) => b.content.draft.entries[field]);
  const value = useBoard((b) => valueAt(b.content.draft.design, field));
  const editing = useBoard((b) => b.editing === field);
  const fault = useBoard((b) => b.answer?.faults.find((f) => f.field === field)?.message);
  const type = useBoard((b) => b.type);
  const edit = useBoard((b) => b.edit);
  const nothing = plain ? "worked out" : "";
  const standIn = standsIn === undefined ? nothing : `${isLength ? "about " : ""}${spell(standsIn)}`;
  const shown = typed ?? (value === undefined ? "" : spell(value));
  // A field that nobody has touched yet is not wrong, it is only empty.
  const untouched = shown === "" && !editing && typed === undefined;
  const message = fault && !untouched ? fault : "";
  const id = field.replaceAll(".", "-");
  return (
    <div className="field">
      <label htmlFor={id}>{label}</label>
      <Input
        id={id}
        value={shown}
        inputMode="text"
        autoComplete="off"
        suffix={
          <span className="unit">
            {suffix ?? (isGauge ? `in ${gaugeWidth(unit)}` : isLength ? unit : isYarn ? yarnUnit(unit) : "")}
          </span>
        }
        placeholder={standIn}
        status={message ? "error" : ""}
        aria-invalid={message !== ""}
        aria-describedby={`${id}-note`}
        onFocus={() => edit(field)}
        onBlur={() => edit(null)}
        onChange={(event) => type(field, event.target.value)}
      />
      <p id={`${id}-note`} className={message ? "fault" : "hint"} role={message ? "alert" : undefined}>
        {message || hint}
      </p>
    </div>
  );
}
