import type { Place } from "../api/client";

const names: Record<string, string> = {
  toes: "toes",
  ball: "ball",
  arch: "arch",
  heel: "over the instep",
  ankle: "ankle",
  cuff: "cuff over the heel",
  calf: "calf",
};

/** FitAlong shows how far the sock stretches at each place of the foot, against what is sensible. */
export function FitAlong({ places }: { places: Place[] }) {
  return (
    <section className="fit" aria-label="How far the sock stretches on this foot">
      <h2>How far the sock stretches on this foot</h2>
      <ul>
        {places.map((place) => (
          <PlaceBar key={place.name} place={place} />
        ))}
      </ul>
    </section>
  );
}

function PlaceBar({ place }: { place: Place }) {
  const most = Math.max(place.high_pct * 1.45, place.stretch_pct, 10);
  const at = (pct: number) => `${(Math.min(Math.max(pct, 0), most) / most) * 100}%`;
  const low = Math.max(place.low_pct, 0);
  return (
    <li className={place.level} title={place.text}>
      <svg viewBox="0 0 100 10" preserveAspectRatio="none" aria-hidden="true">
        <rect className="track" width="100" height="10" rx="0" />
        <rect className="sensible" x={at(low)} width={at(place.high_pct - low)} height="10" />
        <rect
          className="at"
          x={at(place.stretch_pct)}
          width="2.5"
          height="10"
          transform="translate(-1.25 0)"
        />
      </svg>
      <span className="place">{names[place.name] ?? place.name}</span>
      <span className="figure">
        {place.estimated && <abbr title="rests on a guessed measurement">± </abbr>}
        {place.stretch_pct.toFixed(0)} %
      </span>
      <span className="verdict">{place.text}</span>
    </li>
  );
}
