import type { ReactNode } from "react";
import type { Choice, Option } from "../api/client";
import type { DesignField } from "../api/field";
import { useMovesOf } from "../api/reference";
import handsBesideCss from "../hands/hands-beside.module.css";
import { ShowMe } from "../hands/ShowMe";
import { valueAt } from "./content";
import { useBoard } from "./store";
import { useChoice } from "./useOptions";
import waysCss from "./ways.module.css";

/**
 * Ways is one decision: each way with what it does on this foot, the
 * recommended one first. All but the first few are under "more ways".
 */
export function Ways({ field, first = 3, title }: { field: DesignField; first?: number; title?: ReactNode }) {
  const choice = useChoice(field);
  const chooseAll = useBoard((b) => b.chooseAll);
  const of = useMovesOf();
  const own = useBoard((b) => valueAt(b.content.draft.design, field));
  if (!choice) {
    return null;
  }
  const moves = choice.options.filter((o) => of[`${field}:${o.value}`]);
  const choose = (option: Option) => chooseAll(option.changes);
  // What was chosen just now is marked at once, also where the sock cannot be worked out yet.
  const options = choice.options.map((o) => (own === undefined ? o : { ...o, chosen: o.value === own }));
  const { shown, rest } = split({ ...choice, options }, first);
  return (
    <fieldset className={waysCss.ways}>
      <legend className={title === null ? "hidden" : ""}>{title ?? choice.label}</legend>
      <div className={waysCss.wayList}>
        {shown.map((option) => (
          <Way key={option.label} field={field} option={option} choose={choose} />
        ))}
      </div>
      {rest.length > 0 && (
        <details className="more">
          <summary>{rest.length === 1 ? "One more way" : `${rest.length} more ways`}</summary>
          <div className={waysCss.wayList}>
            {rest.map((option) => (
              <Way key={option.label} field={field} option={option} choose={choose} />
            ))}
          </div>
        </details>
      )}
      {moves.length > 0 && (
        <p className={handsBesideCss.waysShow}>
          Show me:
          {moves.map((o) => (
            <ShowMe key={o.label} names={of[`${field}:${o.value}`] ?? []}>
              {o.label.toLowerCase()}
            </ShowMe>
          ))}
        </p>
      )}
    </fieldset>
  );
}

/** split keeps the first ways in sight, and the chosen one always. */
function split(choice: Choice, first: number) {
  const shown = choice.options.filter((o, i) => i < first || o.chosen);
  return { shown, rest: choice.options.filter((o) => !shown.includes(o)) };
}

function Way({
  field,
  option,
  choose,
}: {
  field: DesignField;
  option: Option;
  choose: (option: Option) => void;
}) {
  const id = `${field.replaceAll(".", "-")}-${option.label.replaceAll(/\W+/g, "-")}`;
  return (
    <label
      className={`${waysCss.way}${option.chosen ? ` ${waysCss.chosen}` : ""}${option.stop || option.locked ? ` ${waysCss.stopped}` : ""}`}
      htmlFor={id}
      title={option.stop || undefined}
    >
      <input
        id={id}
        type="radio"
        name={field}
        checked={option.chosen}
        disabled={Boolean(option.locked)}
        onChange={() => choose(option)}
      />
      <span className={waysCss.wayName}>
        {option.chosen && <span aria-hidden="true">✓ </span>}
        {option.label}
      </span>
      {(option.stop || option.here) && (
        <span className={waysCss.wayHere}>{option.stop ? "gives no sock here" : option.here}</span>
      )}
      {option.locked && <span className={waysCss.wayLocked}>locked: {option.locked} is knitted</span>}
      <span className={waysCss.wayReason}>
        {option.recommended && <span className={waysCss.usual}>usual · </span>}
        {option.reason}
      </span>
    </label>
  );
}
