import { memo } from "react";
import type { Strip as Parts } from "../api/client";
import css from "./drawing.module.css";

const height = 60;

/** One row of casting on or binding off is too narrow for a name. */
const named = (part: Parts[number]) => part.section !== "cast_on" && part.section !== "bind_off";

/**
 * Strip is the whole sock in one line: each row as high as there are stitches
 * worked in it, in the colours of the yarns, as the sock has them.
 */
export const Strip = memo(function Strip({
  parts,
  titled = true,
  done,
}: {
  parts: Parts;
  titled?: boolean;
  /** How many rows are knitted; undefined while nothing is counted. */
  done?: number;
}) {
  const rows = parts.reduce((sum, part) => sum + part.worked.length, 0);
  const tallest = Math.max(...parts.flatMap((part) => part.worked), 1);
  let x = 0;
  const drawn = parts.flatMap((part) => {
    const first = x;
    x += part.worked.length;
    const bar = (worked: number, i: number) => {
      const h = (worked / tallest) * height;
      return `M${(first + i + 0.1).toFixed(1)} ${((height - h) / 2).toFixed(1)}h.8v${h.toFixed(1)}h-.8z`;
    };
    const knitted = done === undefined ? part.worked.length : Math.max(0, done - first);
    return [
      { part, key: `${part.section} done`, state: "", d: part.worked.slice(0, knitted).map(bar).join("") },
      {
        part,
        key: `${part.section} to do`,
        state: css.toDo,
        d: part.worked.map(bar).slice(knitted).join(""),
      },
    ];
  });
  return (
    <div className={css.strip}>
      {titled && (
        <div className={css.stripNames}>
          {parts.filter(named).map((part) => (
            <span key={part.section} style={{ flexGrow: part.worked.length }}>
              {part.section.replace("_", " ")} <span className="strip-count">{part.rows}</span>
            </span>
          ))}
        </div>
      )}
      <svg
        viewBox={`0 0 ${rows} ${height}`}
        preserveAspectRatio="none"
        role="img"
        aria-label={`All rows: ${parts.map((p) => `${p.section.replace("_", " ")} ${p.worked.length}`).join(", ")}`}
      >
        {drawn.map(({ part, key, state, d }) => (
          <path key={key} className={`${css.stripRow} ${part.contrast ? css.contrast : ""} ${state}`} d={d} />
        ))}
        {done !== undefined && done < rows && <path className={css.stripNow} d={`M${done} 0v${height}`} />}
      </svg>
    </div>
  );
});
