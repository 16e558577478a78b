import { memo } from "react";
import type { Place } from "../api/client";
import { among } from "../shell/among";
import css from "./fit.module.css";

/**
 * FitAlong shows how far the sock stretches at each place of the foot, against
 * what is sensible; a click shows the place on the sock and the arithmetic.
 */
export const FitAlong = memo(function FitAlong({
  places,
  shown,
  show,
}: {
  places: Place[];
  shown: string | null;
  show: (name: string | null) => void;
}) {
  return (
    <section className={css.fit} aria-label="How far the sock stretches on this foot">
      <h2>How far the sock stretches on this foot</h2>
      <ul>
        {places.map((place) => {
          const name = `fit.${place.name}`;
          return (
            <li key={place.name} className={among(css, place.level)}>
              <button
                type="button"
                aria-pressed={shown === name}
                onClick={() => show(shown === name ? null : name)}
              >
                <PlaceBar place={place} />
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
});

/** PlaceBar is one place: the stretch as a mark on the sensible range. */
export function PlaceBar({ place }: { place: Place }) {
  const most = Math.max(place.high_pct * 1.45, place.stretch_pct, 10);
  const at = (pct: number) => `${(Math.min(Math.max(pct, 0), most) / most) * 100}%`;
  const low = Math.max(place.low_pct, 0);
  return (
    <span className={css.placeBar}>
      <svg viewBox="0 0 100 10" preserveAspectRatio="none" aria-hidden="true">
        <rect className={css.track} width="100" height="10" rx="0" />
        <rect className={css.sensible} x={at(low)} width={at(place.high_pct - low)} height="10" />
        <rect
          className={css.at}
          x={at(place.stretch_pct)}
          width="2.5"
          height="10"
          transform="translate(-1.25 0)"
        />
      </svg>
      <span className={css.place}>{place.label}</span>
      <span className="figure">{place.stretch_pct.toFixed(0)} %</span>
      <span className={css.verdict}>
        {place.text}
        {place.estimated && <em title="rests on a guessed measurement"> Guessed.</em>}
      </span>
    </span>
  );
}
