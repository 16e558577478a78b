import type { Counted } from "../api/book";
import type { Schemas } from "../api/client";
import { gaugeText, gaugeWidth, useUnit } from "../units/units";
import css from "./swatches.module.css";

/** SpreadPlot shows each count as a dot, the mean as a line, and the range that it leaves. */
export function SpreadPlot({
  what,
  counted,
  readings,
}: {
  what: "stitches" | "rounds";
  counted: Counted;
  readings: Schemas["SwatchNoted"][];
}) {
  const unit = useUnit();
  const counts = readings.filter((r) => r.what === what).map((r) => (r.count * 100) / r.width_mm);
  const low = Math.floor(counted.low - 1);
  const high = Math.ceil(counted.high + 1);
  const at = (per100: number) => ((per100 - low) / (high - low)) * 200 + 10;
  return (
    <figure className={css.spread}>
      <figcaption>
        <strong className="figure">{gaugeText(counted.mean, unit)}</strong> {what} in {gaugeWidth(unit)}
        <span className="muted">
          {" "}
          between {gaugeText(counted.low, unit)} and {gaugeText(counted.high, unit)}
        </span>
      </figcaption>
      <svg
        viewBox="0 0 220 34"
        role="img"
        aria-label={`Counts of ${what}: ${counts.map((c) => gaugeText(c, unit)).join(", ")}`}
      >
        <path className={css.axis} d="M10 24h200" />
        <rect
          className={css.range}
          x={at(counted.low)}
          y="10"
          width={at(counted.high) - at(counted.low)}
          height="14"
          rx="4"
        />
        <path className={css.mean} d={`M${at(counted.mean)} 4v26`} />
        {counts.map((c, i) => (
          <circle
            // biome-ignore lint/suspicious/noArrayIndexKey: equal counts are equal dots
            key={i}
            className={css.dot}
            cx={at(c)}
            cy="17"
            r="4"
          />
        ))}
      </svg>
    </figure>
  );
}
