import { memo } from "react";
import type { Schemas } from "../api/client";

type Needle = Schemas["PositionNeedle"];
type Loop = { kind: string; wraps: number; pins: number; turned: boolean };

const loopsOf = (needle: Needle): Loop[] =>
  needle.runs.flatMap((run) =>
    Array.from({ length: run.n }, (_, i) => ({
      kind: run.kind,
      wraps: run.wraps ?? 0,
      // A pin hangs behind the last loop of its run.
      pins: i === run.n - 1 ? (run.pins ?? 0) : 0,
      turned: run.turned ?? false,
    })),
  );

const step = 14;

/** shapeOf draws one loop as it hangs: its legs, and what a turn left on it. */
function shapeOf(loop: Loop, x: number): string {
  const legs = (at: number, wide: number) =>
    `M${at - wide} 46c-2-14-1-32 ${wide} -32s${wide + 2} 18 ${wide} 32`;
  if (loop.kind === "double") {
    return legs(x - 2, 3) + legs(x + 2, 3);
  }
  if (loop.kind === "yarn-over") {
    return `M${x - 5} 42L${x + 5} 14`;
  }
  return legs(x, 4) + (loop.turned ? `M${x - 4} 40L${x + 4} 24` : "");
}

/**
 * NeedleDrawing is the needles as they look in the hand, loop 0 at the right:
 * loops, double loops, wraps, pins, where the yarn is and which way it goes.
 */
export const NeedleDrawing = memo(function NeedleDrawing({
  needle,
  next,
  half,
  title,
  part,
}: {
  needle: Needle;
  /** The loops that are shown, from and to; undefined for all. */
  part?: [number, number];
  /** Where the yarn will be after the row; undefined for a picture without a direction. */
  next?: number;
  /** Where needle 2 begins; 0 for one needle. */
  half: number;
  title: string;
}) {
  const all = loopsOf(needle);
  const [first, last] = part ?? [0, all.length];
  const loops = all.slice(first, last);
  const width = Math.max(loops.length, 8) * step + 30;
  const x = (i: number) => width - 15 - (i - first + 0.5) * step;
  const groups = { plain: "", held: "", wraps: "", pins: "" };
  loops.forEach((loop, at) => {
    const i = first + at;
    const marked = loop.kind !== "plain";
    groups[marked ? "held" : "plain"] += shapeOf(loop, x(i));
    for (let w = 0; w < loop.wraps; w++) {
      groups.wraps += `M${x(i) - 6} ${44 - w * 5}h12`;
    }
    if (loop.pins > 0) {
      groups.pins += `M${x(i) - step / 2} 44v14m-3 0a3 3 0 1 0 6 0a3 3 0 1 0 -6 0`;
    }
  });
  const yarn = x(needle.cursor) + step / 2;
  const leftward = needle.side === "RS";
  const tip = next === undefined ? yarn : x(next) + step / 2;
  return (
    <svg
      className="needle-drawing"
      viewBox={`0 -12 ${width} 76`}
      role="img"
      aria-label={`${title}: ${needle.check}, ${needle.side === "RS" ? "right side" : "wrong side"}`}
    >
      <path className="bar" d={`M4 30h${width - 8}`} />
      {half > 0 && half < loops.length && <path className="between" d={`M${x(half) + step / 2} 6v52`} />}
      <path className="loop" d={groups.plain} />
      <path className="loop held" d={groups.held} />
      <path className="wrapped" d={groups.wraps} />
      <path className="pinned" d={groups.pins} />
      {next === undefined ? (
        <circle className="yarn" cx={yarn} cy="-3" r="3" />
      ) : (
        <path
          className="yarn"
          d={`M${yarn} 2V-6H${leftward ? Math.min(yarn - 20, tip) : Math.max(yarn + 20, tip)}l${leftward ? 7 : -7} -4m${leftward ? -7 : 7} 4l${leftward ? 7 : -7} 4`}
        />
      )}
    </svg>
  );
});
