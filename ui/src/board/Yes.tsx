import { Switch } from "antd";
import type { DesignField } from "../api/field";
import css from "./board-choices.module.css";
import { valueAt } from "./content";
import { useBoard } from "./store";

/** Yes is a choice that is made or not. */
export function Yes({ field, label }: { field: DesignField; label: string }) {
  const id = field.replaceAll(".", "-");
  const on = useBoard((b) => valueAt(b.content.draft.design, field) === true);
  const choose = useBoard((b) => b.choose);
  return (
    <div className={css.yes}>
      <Switch id={id} size="small" aria-label={label} checked={on} onChange={(next) => choose(field, next)} />
      <label htmlFor={id}>{label}</label>
    </div>
  );
}
