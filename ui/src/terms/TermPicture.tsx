import type { ReactNode } from "react";
import { among } from "../shell/among";
import css from "./terms.module.css";

// Small drawings of the words of the craft, 120 by 72, from a few shapes: the
// foot from the side, rows as lines, loops on a needle.

const foot =
  "M8 52c-3-9 4-16 16-17l34-5c10-2 14-10 15-26h22c-1 16 2 26 6 34 3 8 0 15-8 16-28 3-62 3-78 2-4 0-6-1-7-4z";
const sock = "M10 50c-2-8 5-14 14-15l34-4c8-2 13-8 13-24h22v30c4 6 4 14-4 15-26 2-56 2-72 1-4 0-6 0-7-3z";

const loop = (x: number, kind = "") => (
  <path key={x} className={among(css, kind)} d={`M${x} 58c-3-12-2-30 4-30s7 18 4 30`} />
);
const loops = (from: number, count: number, kind = "") =>
  Array.from({ length: count }, (_, i) => loop(from + i * 11, kind));
const needle = <path className={css.needle} d="M4 44h112" />;

/** many is one path, drawn so many times. */
const many = (count: number, d: (i: number) => string) =>
  Array.from({ length: count }, (_, i) => d(i)).join("");

const rows = (x: number, y: number, w: number, count: number, gap = 5) => (
  <path className={css.row} d={many(count, (i) => `M${x} ${y + i * gap}h${w}`)} />
);

/** stitches is a piece of fabric: a V for each stitch. */
const stitches = (x: number, y: number, across: number, up: number) => (
  <path
    className={css.row}
    d={many(across * up, (i) => `M${x + (i % across) * 10} ${y + Math.floor(i / across) * 8}l5 6 5-6`)}
  />
);
const bumps = (x: number, y: number, across: number, up: number) => (
  <path
    className={css.accent}
    d={many(across * up, (i) => `M${x + (i % across) * 10} ${y + Math.floor(i / across) * 8}q4-5 8 0`)}
  />
);

const onFoot = (tape: string) => (
  <>
    <path className={css.body} d={foot} />
    <path className={css.tape} d={tape} />
  </>
);
const onSock = (mark: ReactNode) => (
  <>
    <path className={css.body} d={sock} />
    {mark}
  </>
);

const pictures: Record<string, ReactNode> = {
  ankle: onFoot("M73 15h23"),
  ball: onFoot("M36 33c4 7 4 15 0 22"),
  bind_off: (
    <>
      {stitches(20, 30, 8, 4)}
      <path className={css.accent} d="M20 26q5-6 10 0t10 0 10 0 10 0 10 0 10 0 10 0" />
    </>
  ),
  cast_on: (
    <>
      <path className={css.needle} d="M6 28h108M6 46h108" />
      <path className={css.row} d={many(8, (i) => `M${18 + i * 11} 24c-5 6 6 22 0 27`)} />
    </>
  ),
  centre: (
    <>
      {needle}
      {loops(8, 3, "accent")}
      {loops(42, 4)}
      {loops(87, 3, "accent")}
    </>
  ),
  corner: onSock(<circle className={css.tape} cx="71" cy="33" r="6" />),
  cuff: onSock(
    <g className="ribs">
      {[74, 79, 84, 89].map((x) => (
        <path key={x} className={css.accent} d={`M${x} 8v14`} />
      ))}
    </g>,
  ),
  density: (
    <>
      {rows(10, 16, 44, 9, 5)}
      <g className={css.thick}>{rows(66, 16, 44, 9, 5)}</g>
    </>
  ),
  double_stitch: (
    <>
      {needle}
      {loops(14, 4)}
      <path className={css.accent} d="M62 58c-3-14-2-32 4-32s7 20 4 32M70 58c-2-14-1-32 4-32s6 20 3 32" />
      {loops(84, 2)}
    </>
  ),
  ease: (
    <>
      <path className={css.body} d={foot} />
      <path
        className={css.tape}
        d="M14 49c-2-6 4-10 12-11l36-5c8-2 13-10 13-26h18v27c3 6 5 13-2 14-26 2-56 3-72 3-3 0-4 0-5-2z"
      />
    </>
  ),
  flap: onSock(<path className={css.fill} d="M66 38h26v13l-26 1z" />),
  garter: bumps(14, 18, 9, 6),
  gauge: (
    <>
      {stitches(20, 22, 8, 5)}
      <path className={css.tape} d="M20 14h80M20 10v8M100 10v8" />
    </>
  ),
  gusset: onSock(<path className={css.fill} d="M50 52l22-18 14 18z" />),
  heel_diagonal: onFoot("M72 26c8 6 20 18 30 28"),
  instep: onSock(<path className={css.tape} d="M24 35l34-4c8-2 13-8 13-24" />),
  kfb: (
    <>
      {needle}
      {loops(20, 3)}
      <path className={css.accent} d="M58 58c-3-12-2-30 4-30s7 18 2 26M66 54c0-12 0-26 5-26s6 18 3 30" />
      {loops(84, 2)}
    </>
  ),
  length_ease: (
    <>
      <path className={css.body} d={foot} />
      <path className={css.tape} d="M14 64h80M14 60v8M94 60v8" />
      <path className={css.row} d="M8 68h94" />
    </>
  ),
  magic_loop: (
    <>
      <path className={css.needle} d="M20 30h60M20 46h60" />
      <path className={css.row} d="M80 30c30-20 30 36 0 16M20 30C-4 30-4 46 20 46" />
      {[28, 40, 52, 64].map((x) => (
        <path key={x} className={css.accent} d={`M${x} 24v12M${x} 40v12`} />
      ))}
    </>
  ),
  multiple: (
    <>
      {[0, 1, 2].map((i) => (
        <g key={i}>
          {stitches(8 + i * 36, 34, 3, 2)}
          <path className={css.tape} d={`M${8 + i * 36} 26h30`} />
        </g>
      ))}
    </>
  ),
  picking_up: (
    <>
      {rows(20, 18, 50, 9, 5)}
      {[20, 30, 40, 50].map((y) => (
        <path key={y} className={css.accent} d={`M68 ${y}c14-6 22 2 26-2`} />
      ))}
    </>
  ),
  rib: (
    <>
      {stitches(14, 16, 1, 6)}
      {bumps(26, 20, 1, 6)}
      {stitches(38, 16, 1, 6)}
      {bumps(50, 20, 1, 6)}
      {stitches(62, 16, 1, 6)}
      {bumps(74, 20, 1, 6)}
      {stitches(86, 16, 1, 6)}
    </>
  ),
  round_gauge: (
    <>
      {stitches(24, 14, 8, 6)}
      <path className={css.tape} d="M14 14v48M10 14h8M10 62h8" />
    </>
  ),
  short_rows: (
    <>
      {[0, 1, 2, 3, 4].map((i) => (
        <path key={i} className={css.row} d={`M${16 + i * 8} ${58 - i * 9}h${88 - i * 16}`} />
      ))}
    </>
  ),
  sole: onSock(<path className={css.tape} d="M14 53c20 1 46 1 72-1" />),
  stockinette: stitches(14, 16, 9, 6),
  swatch: (
    <>
      <path className={css.body} d="M26 12h68v50H26z" />
      {stitches(32, 20, 5, 4)}
      <path className={css.tape} d="M32 16h50" />
    </>
  ),
  toe_depth: onFoot("M8 62h24M8 58v8M32 58v8"),
  turn: (
    <>
      {needle}
      {loops(12, 6)}
      <path className={css.accent} d="M40 14h40c18 0 18 10 0 10" />
      <path className={css.accent} d="M84 20l-6 4 6 4" />
    </>
  ),
  wedge: (
    <>
      {[0, 1, 2, 3, 4, 5].map((i) => (
        <path key={i} className={css.row} d={`M${44 - i * 6} ${18 + i * 8}h${32 + i * 12}`} />
      ))}
      <path className={css.accent} d="M42 18L12 58M78 18l30 40" />
    </>
  ),
  working: (
    <>
      <text x="8" y="34">
        23.6 × 0.9 × 3.2
      </text>
      <text className={css.strong} x="8" y="58">
        = 68
      </text>
    </>
  ),
  wrap: (
    <>
      {needle}
      {loops(24, 3)}
      {loop(62)}
      <path className={css.accent} d="M56 60c6 6 16 6 20-2" />
      {loops(84, 2)}
    </>
  ),
};

/** TermPicture is the small drawing of a term. */
export function TermPicture({ name }: { name: string }) {
  return (
    <svg className={css.termPicture} viewBox="0 0 120 72" aria-hidden="true">
      {pictures[name]}
    </svg>
  );
}
