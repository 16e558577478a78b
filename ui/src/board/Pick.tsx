import { Select, Switch } from "antd";
import { valueAt } from "./Field";
import type { Board } from "./useBoard";

export type Option = { value: string | number | null; label: string };

/** Pick is a choice among a few named ways; the first is the default. */
export function Pick({
  board,
  field,
  label,
  options,
}: {
  board: Board;
  field: string;
  label: string;
  options: Option[];
}) {
  const id = field.replaceAll(".", "-");
  const value = valueAt(board.content.draft.design, field) ?? options[0]?.value;
  const fault = board.answer?.faults.find((f) => f.field === field)?.message;
  return (
    <div className="field pick">
      <label htmlFor={id}>{label}</label>
      <Select
        id={id}
        aria-label={label}
        value={value as string | number | null}
        options={options.map((o) => ({ ...o, value: o.value ?? "" }))}
        onChange={(chosen) => board.choose(field, chosen === "" ? null : chosen)}
        status={fault ? "error" : ""}
      />
      {fault && (
        <p className="fault" role="alert">
          {fault}
        </p>
      )}
    </div>
  );
}

/** Yes is a choice that is made or not. */
export function Yes({ board, field, label }: { board: Board; field: string; label: string }) {
  const id = field.replaceAll(".", "-");
  return (
    <div className="yes">
      <Switch
        id={id}
        size="small"
        aria-label={label}
        checked={valueAt(board.content.draft.design, field) === true}
        onChange={(on) => board.choose(field, on)}
      />
      <label htmlFor={id}>{label}</label>
    </div>
  );
}
