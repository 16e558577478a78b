import { Button } from "antd";
import type { Drawing, Place, Spot } from "../api/client";
import { pullWords } from "../drawing/PullMap";
import css from "../drawing/pull.module.css";
import { among } from "../shell/among";
import { lengthWithUnit, useUnit } from "../units/units";
import { useBoard } from "./store";

const signed = (pct: number) => `${pct > 0 ? "+" : pct < 0 ? "−" : ""}${Math.abs(pct).toFixed(0)} %`;

/** PullNote says what was touched where the sock pulls, what it comes from, and what eases it most. */
export function PullNote({
  drawing,
  fit,
  spot,
  still,
}: {
  drawing: Drawing;
  fit: Place[];
  spot: Spot | undefined;
  /** The sock lies still, and can be touched. */
  still: boolean;
}) {
  const unit = useUnit();
  const chooseAll = useBoard((b) => b.chooseAll);
  const counts = drawing.pull?.patches.map((p) => ({ word: p.word, long: lengthOf(p.lines) })) ?? [];
  const all = counts.reduce((sum, c) => sum + c.long, 0) || 1;
  const place = fit.find((p) => p.name === spot?.place);
  const peak = drawing.pull?.peaks.find((p) => p.place === place?.name);
  const eases = (drawing.eases ?? []).filter((e) => !spot || e.place === spot.place);
  return (
    <section className={css.pullNote} aria-label="Where it pulls">
      <ul className={css.pullLegend}>
        {counts.map(({ word, long }) => (
          <li key={word} title={pullWords[word]}>
            <svg viewBox="0 0 34 8" aria-hidden="true">
              <path className={`${among(css, `pull-${word}`)} ${css.sample}`} d="M1 4H33" />
            </svg>
            <span>{pullWords[word]}</span>
            <strong>{((100 * long) / all).toFixed(0)} %</strong>
          </li>
        ))}
      </ul>
      <div aria-live="polite">
        {spot ? (
          <p>
            Here it <strong>{spot.word === "sits" ? "sits" : `is ${spot.word}`}</strong>:{" "}
            {signed(spot.around_pct)} round the foot, {signed(spot.along_pct)} along it.
            {place && (
              <>
                {" "}
                The whole of {place.said} stretches {place.stretch_pct.toFixed(0)} %
                {peak && `, and ${peak.pct.toFixed(0)} % where its cloth is stretched most`}:{" "}
                {lengthWithUnit(place.foot_mm, unit)} of foot on {lengthWithUnit(place.sock_mm, unit)} of
                sock.
              </>
            )}
          </p>
        ) : (
          still && <p className="muted">Touch the sock to see how far it stretches there.</p>
        )}
        {eases.map((ease) => (
          <p key={ease.place} className={css.pullEase}>
            <span>
              What eases {fit.find((p) => p.name === ease.place)?.said} most: <strong>{ease.text}</strong>
            </span>
            <Button size="small" onClick={() => chooseAll(ease.changes)}>
              Do this
            </Button>
          </p>
        ))}
      </div>
    </section>
  );
}

const lengthOf = (lines: number[][][]) =>
  lines.reduce(
    (sum, line) =>
      sum +
      line.slice(1).reduce((long, [x = 0, y = 0], i) => {
        const [px = 0, py = 0] = line[i] ?? [];
        return long + Math.hypot(x - px, y - py);
      }, 0),
    0,
  );
