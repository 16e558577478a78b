import { memo } from "react";
import type { Schemas } from "../api/client";
import css from "./knit-row.module.css";
import { type Stretch, stretchesOf, within, workedLoops } from "./stretches";

type Needle = Schemas["PositionNeedles"];
type Loop = { kind: string; wraps: number; pins: number; turned: boolean; contrast: boolean };

const loopsOf = (needle: Needle): Loop[] =>
  needle.runs.flatMap((run) =>
    Array.from({ length: run.n }, (_, i) => ({
      kind: run.kind,
      wraps: run.wraps ?? 0,
      // A pin hangs behind the last loop of its run.
      pins: i === run.n - 1 ? (run.pins ?? 0) : 0,
      turned: run.turned ?? false,
      contrast: run.yarn !== undefined,
    })),
  );

/** The room of one loop, and of one line of them. */
const step = 14;
const lineHeight = 84;

/** shapeOf draws one loop as it hangs: its legs, and how it lies. */
function shapeOf(loop: Loop, x: number): string {
  const legs = (at: number, wide: number) =>
    `M${at - wide} 46c-2-14-1-32 ${wide} -32s${wide + 2} 18 ${wide} 32`;
  if (loop.kind === "double") {
    return legs(x - 2.5, 1.6) + legs(x + 2.5, 1.6);
  }
  if (loop.kind === "yarn-over") {
    return `M${x - 5} 42L${x + 5} 14`;
  }
  return legs(x, 4) + (loop.turned ? `M${x - 4} 40L${x + 4} 24` : "");
}

/** wrapsOf are the bars of yarn that lie round the foot of a loop, one below the other. */
const wrapsOf = (loop: Loop, x: number) =>
  Array.from({ length: loop.wraps }, (_, w) => `M${x - 4} ${43 + w * 6}q4 5 8 0`).join("");

const markerNames: Record<string, string> = {
  "round start": "the round begins here",
  sole: "the sole begins here",
  "heel centre": "an end of the centre of the heel",
};

/**
 * NeedleDrawing is the needles as they look in the hand before or after a row,
 * from the right to the left: loops in their yarns, double loops, wraps, pins
 * and markers, what the row works and which way, and where the yarn is then.
 * A shade lies behind each loop on which a turn has left something, to be counted at a glance.
 */
export const NeedleDrawing = memo(function NeedleDrawing({
  needle,
  row,
  when,
  room,
  half = false,
}: {
  needle: Needle;
  row: Schemas["KnittingRow"];
  when: "before" | "after";
  /** The loops that a line has room for, so that before and after are drawn alike. */
  room: number;
  /** The first needle of the round is done. */
  half?: boolean;
}) {
  const loops = loopsOf(needle);
  const worked = workedLoops(needle, row, when);
  const lines = stretchesOf(needle, row, worked);
  const width = room * step + 30;
  const side = needle.side === "RS" ? "right side" : "wrong side";
  const title = when === "before" ? "Before the row" : "After the row";
  return (
    <svg
      className={css.needleDrawing}
      viewBox={`0 0 ${width} ${lineHeight * lines.length}`}
      role="img"
      aria-label={`${title}: ${needle.check}, ${side}`}
    >
      {lines.map((line, i) => (
        <g key={line[0]} transform={`translate(0 ${i * lineHeight + 18})`}>
          <Line
            needle={needle}
            loops={loops}
            line={line}
            width={width}
            way={
              when === "before"
                ? within(half ? [needle.sole, worked[1]] : worked, line, needle.count)
                : undefined
            }
            leftward={row.side === "RS"}
            yarn={when === "after"}
          />
        </g>
      ))}
    </svg>
  );
});

function Line({
  needle,
  loops,
  line: [from, to],
  width,
  way,
  leftward,
  yarn,
}: {
  needle: Needle;
  loops: Loop[];
  line: Stretch;
  width: number;
  /** What is worked in this line. */
  way: Stretch | undefined;
  leftward: boolean;
  /** Whether the yarn is shown where it hangs. */
  yarn: boolean;
}) {
  // Where loop i begins, as the knitter sees it: from the right with the right side in front, from the left with the wrong side.
  const slack = ((width - 30) / step - (to - from)) / 2;
  const edge = (i: number) => {
    const along = 15 + (i - from + slack) * step;
    return leftward ? width - along : along;
  };
  const groups = { plain: "", other: "", held: "", wraps: "", pins: "" };
  for (let i = from; i < to; i++) {
    const loop = loops[(i + needle.count) % needle.count];
    if (!loop) {
      continue;
    }
    const x = edge(i + 0.5);
    groups[loop.contrast || loop.kind !== "plain" ? "other" : "plain"] += shapeOf(loop, x);
    if (loop.kind !== "plain" || loop.wraps > 0) {
      groups.held += `M${Math.max(edge(i), edge(i + 1)) - 1} 6h${2 - step}v46h${step - 2}z`;
    }
    groups.wraps += wrapsOf(loop, x);
    if (loop.pins > 0) {
      groups.pins += `M${edge(i + 1)} 44v14m-3 0a3 3 0 1 0 6 0a3 3 0 1 0 -6 0`;
    }
  }
  // The yarn hangs from the loop that was worked last.
  const last = leftward ? needle.cursor - 1 : needle.cursor;
  const ends = [edge(from), edge(to)];
  const hangs = yarn ? within([last, last + 1], [from, to], needle.count) : undefined;
  return (
    <>
      <path className={css.held} d={groups.held} />
      <path className={css.bar} d={`M${Math.max(...ends) + 11} 30H${Math.min(...ends) - 11}`} />
      <path className={css.loop} d={groups.plain} />
      <path className={`${css.loop} ${css.other}`} d={groups.other} />
      <path className={css.wrapped} d={groups.wraps} />
      <path className={css.pinned} d={groups.pins} />
      {needle.markers.map(([loop, name]) => {
        const at = within([Number(loop), Number(loop) + 1], [from, to], needle.count);
        return at && <Marker key={`${loop} ${name}`} name={String(name)} x={edge(at[0])} />;
      })}
      {hangs && <circle className={css.yarn} cx={edge(leftward ? hangs[1] : hangs[0])} cy="3" r="3.4" />}
      {way && <Arrow from={edge(leftward ? way[0] : way[1])} to={edge(leftward ? way[1] : way[0])} />}
    </>
  );
}

/** Marker is a ring on the needle: the start of the round has two, an end of the centre hangs lower. */
function Marker({ name, x }: { name: string; x: number }) {
  const ring = (cy: number, r: number) =>
    `M${x - r} ${cy}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0`;
  const shapes: Record<string, string> = {
    "round start": ring(30, 7) + ring(30, 3.5),
    "heel centre": `M${x} 50l-5 9h10z`,
  };
  return (
    <path className={css.marker} d={shapes[name] ?? ring(30, 7)}>
      <title>{markerNames[name] ?? name}</title>
    </path>
  );
}

function Arrow({ from, to }: { from: number; to: number }) {
  const back = from > to ? 7 : -7;
  return <path className={css.direction} d={`M${from} 6V-2H${to}l${back} -4m${-back} 4l${back} 4`} />;
}
