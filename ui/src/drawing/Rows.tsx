import { memo } from "react";
import type { Plan, Shape } from "../api/client";
import basketCss from "../basket/basket.module.css";
import { among } from "../shell/among";
import drawingCss from "./drawing.module.css";

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
    <>
      <path className={drawingCss.cloth} d={clothOf(shape)} />
      <g fill="none" strokeWidth={roundHeight * (small ? 1.15 : 0.78)}>
        {[...groups].map(([key, { section, colour, lines }]) => (
          // biome-ignore lint/a11y/noStaticElementInteractions: by keyboard the same decisions open in the path beside it
          <path
            key={key}
            d={lines.join("")}
            className={`${drawingCss.rowLine} ${yarnClass(colour)}${touch ? ` ${drawingCss.touch}` : ""}`}
            onClick={touch && (() => touch(section))}
          />
        ))}
        {purls && <path d={purls} className={drawingCss.purls} />}
      </g>
    </>
  );
});

/**
 * clothOf is the cloth between the rows: from the front of one to the front of
 * the next, up to the cuff, and back along their other ends, so that a turn is
 * no hole through which the foot is seen.
 */
function clothOf(shape: Shape): string {
  const [ankleX = 0, ankleY = 0] = shape.lines.find((line) => line.row.startsWith("leg-"))?.points[0] ?? [];
  const far = ([x = 0, y = 0]: number[]) => Math.hypot(x - ankleX, y - ankleY);
  const fronts: number[][] = [];
  const backs: number[][] = [];
  // A row that changes its colour has several lines.
  const rows = new Map<string, Shape["lines"]>();
  for (const line of shape.lines) {
    rows.set(line.row, [...(rows.get(line.row) ?? []), line]);
  }
  for (const [row, lines] of rows) {
    const [first = [0, 0], last = [0, 0]] = [lines[0]?.points[0], lines.at(-1)?.points.at(-1)];
    const [front, back] = far(first) > far(last) ? [last, first] : [first, last];
    backs.push(back);
    if (!row.startsWith("heel-")) {
      fronts.push(front);
    }
  }
  return `${path([...fronts, ...backs.reverse()], shape.height_mm)}Z`;
}

/** yarnClass colours a yarn: the sock's own has no name, the contrast its own, others take turns. */
const yarnClass = (colour: string) =>
  colour === "" || colour === "contrast" || colour.startsWith("repeat-")
    ? among(drawingCss, colour)
    : among(drawingCss, `other-${colour.length % 2}`);

/** Outline is a closed curve through points. */
export function Outline({ points, top }: { points: number[][]; top: number }) {
  return <path className={drawingCss.ghost} d={`${path(points, top)}Z`} />;
}

/** SockSketch is the sock alone, small. */
export function SockSketch({ shape, plan }: { shape: Shape; plan: Plan }) {
  return (
    <svg
      className={basketCss.sketch}
      viewBox={`-4 -4 ${shape.width_mm + 8} ${shape.height_mm + 8}`}
      aria-hidden="true"
    >
      <Rows shape={shape} plan={plan} small />
    </svg>
  );
}
