import { memo } from "react";
import type { Plan, Shape } from "../api/client";

const path = (points: number[][], top: number) => {
  let d = "M";
  for (const [x = 0, y = 0] of points) {
    d += `${x} ${Math.round((top - y) * 100) / 100} `;
  }
  return d;
};

/**
 * Rows draws every row as a line; all lines of a section and a yarn are one path.
 * Small ones touch: the light between lines that are finer than a pixel would
 * make stripes that nobody knits.
 */
export const Rows = memo(function Rows({
  shape,
  plan,
  small = false,
  touch,
}: {
  shape: Shape;
  plan: Plan;
  small?: boolean;
  /** What a touch on a section does. */
  touch?: (section: string) => void;
}) {
  const roundHeight = 100 / plan.design.gauge.rounds_per_100mm;
  const groups = new Map<string, { section: string; colour: string; lines: string[] }>();
  for (const line of shape.lines) {
    const named = line.row.slice(0, line.row.lastIndexOf("-"));
    const section = named === "cast_on" ? "toe" : named; // nobody touches a single row
    const key = `${section} ${line.colour}`;
    const group = groups.get(key) ?? { section, colour: line.colour, lines: [] };
    group.lines.push(path(line.points, shape.height_mm));
    groups.set(key, group);
  }
  const purls = small
    ? ""
    : shape.lines.map((line) => (line.purls ?? []).map((p) => path(p, shape.height_mm)).join("")).join("");
  return (
    <g fill="none" strokeWidth={roundHeight * (small ? 1.15 : 0.78)}>
      {[...groups].map(([key, { section, colour, lines }]) => (
        // biome-ignore lint/a11y/noStaticElementInteractions: by keyboard the same decisions open in the path beside it
        <path
          key={key}
          d={lines.join("")}
          className={`row-line ${yarnClass(colour)}${touch ? " touch" : ""}`}
          onClick={touch && (() => touch(section))}
        />
      ))}
      {purls && <path d={purls} className="purls" />}
    </g>
  );
});

/** yarnClass colours a yarn: the sock's own has no name, the contrast its own, others take turns. */
const yarnClass = (colour: string) =>
  colour === "" || colour === "contrast" ? colour : `other-${colour.length % 2}`;

/** Outline is a closed curve through points. */
export function Outline({ points, top }: { points: number[][]; top: number }) {
  return <path className="ghost" d={`${path(points, top)}Z`} />;
}

/** SockSketch is the sock alone, small. */
export function SockSketch({ shape, plan }: { shape: Shape; plan: Plan }) {
  return (
    <svg className="sketch" viewBox={`-4 -4 ${shape.width_mm + 8} ${shape.height_mm + 8}`} aria-hidden="true">
      <Rows shape={shape} plan={plan} small />
    </svg>
  );
}
