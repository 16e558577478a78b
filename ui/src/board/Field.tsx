import { Input } from "antd";
import { gaugeText, gaugeWidth, lengthText, useUnit } from "../units/units";
import type { Board } from "./useBoard";

type Props = {
  board: Board;
  /** Path of the field in the design. */
  field: string;
  label: string;
  hint?: string;
  /** Shown in the empty field: what stands in for it. */
  guess?: number | undefined;
  /** Shown behind the figure where it is no length and no gauge. */
  suffix?: string;
  /** Worked out when the field is empty. */
  plain?: boolean;
};

/** valueAt is the value at the path of a field, undefined where there is none. */
export function valueAt(design: Record<string, unknown>, field: string): unknown {
  let at: unknown = design;
  for (const name of field.split(".")) {
    at = (at as Record<string, unknown> | undefined)?.[name];
  }
  return at ?? undefined;
}

/** Field is a measured figure: what is typed stays as it is typed until the field is left. */
export function Field({ board, field, label, hint, guess, suffix, plain }: Props) {
  const unit = useUnit();
  const isGauge = field.startsWith("gauge.");
  const isLength = field.endsWith("_mm");
  const spell = (value: unknown) => {
    if (typeof value !== "number") {
      return Array.isArray(value) ? value.join(", ") : "";
    }
    return isGauge ? gaugeText(value, unit) : isLength ? lengthText(value, unit) : `${value}`;
  };
  const { entries, design } = board.content.draft;
  const value = valueAt(design, field);
  const shown = entries[field] ?? (value === undefined ? "" : spell(value));
  const fault = board.answer?.faults.find((f) => f.field === field);
  // A field that nobody has touched yet is not wrong, it is only empty.
  const untouched = shown === "" && board.editing !== field && entries[field] === undefined;
  const message = fault && !untouched ? fault.message : "";
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
            {suffix ?? (isGauge ? `in ${gaugeWidth(unit)}` : isLength ? unit : "")}
          </span>
        }
        placeholder={
          plain ? "worked out" : guess === undefined ? "" : `${isLength ? "about " : ""}${spell(guess)}`
        }
        status={message ? "error" : ""}
        aria-invalid={message !== ""}
        aria-describedby={`${id}-note`}
        onFocus={() => board.setEditing(field)}
        onBlur={() => board.setEditing(null)}
        onChange={(event) => board.type(field, event.target.value)}
      />
      <p id={`${id}-note`} className={message ? "fault" : "hint"} role={message ? "alert" : undefined}>
        {message || hint}
      </p>
    </div>
  );
}
