import type { CountChoice } from "../api/client";
import css from "./board-counts.module.css";

/** Counts are the stitches round the foot, with the stretch that each gives. */
export function Counts({
  counts,
  onChoose,
}: {
  counts: CountChoice[];
  onChoose: (choice: CountChoice) => void;
}) {
  return (
    <fieldset className={css.counts}>
      <legend className="hidden">Stitches round the foot</legend>
      {counts.map((choice) => (
        <label key={choice.stitches} className={choice.chosen ? `${css.count} ${css.chosen}` : css.count}>
          <input
            type="radio"
            name="stitches"
            checked={choice.chosen}
            // A click counts even where the mark has not followed the last one yet.
            onChange={() => {}}
            onClick={() => onChoose(choice)}
            value={choice.stitches}
          />
          <span className="figure">{choice.stitches}</span>
          <span className={css.consequence}>
            {choice.ease_pct < 0
              ? `${Math.abs(choice.ease_pct).toFixed(1)} % too wide`
              : `${choice.ease_pct.toFixed(1)} % smaller`}
          </span>
          {choice.nearest && <span className="mark">fits the ease</span>}
        </label>
      ))}
    </fieldset>
  );
}
