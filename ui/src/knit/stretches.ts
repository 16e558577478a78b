import type { Schemas } from "../api/client";

type Needle = Schemas["PositionNeedles"];
type Row = Schemas["KnittingRow"];

/** A stretch of loops, from and to; past the end of the round it counts on, before its start below 0. */
export type Stretch = [from: number, to: number];

/** Loops that are drawn beyond what a row works, and the most that can still be told apart in a line. */
const beyond = 2;
const most = 52;

/** workedLoops is the stretch that a row works, on the needle before it or after it. */
export function workedLoops(needle: Needle, row: Row, when: "before" | "after"): Stretch {
  const upward = (row.side === "RS") === (when === "before");
  return upward ? [needle.cursor, needle.cursor + row.worked] : [needle.cursor - row.worked, needle.cursor];
}

/**
 * stretchesOf lays the loops in lines: a round on its two needles, a row that
 * turns on the needle it is worked on, which does not move from row to row.
 */
export function stretchesOf(needle: Needle, row: Row, worked: Stretch): Stretch[] {
  const { sole, count } = needle;
  if (sole === 0) {
    return [[0, count]];
  }
  if (row.kind === "round" || row.section === "cast_on") {
    return [
      [0, sole],
      [sole, count],
    ];
  }
  const [first, last] = worked[1] <= 0 ? [worked[0] + count, worked[1] + count] : worked;
  if (first >= 0 && last <= sole && row.section === "toe") {
    return [[0, sole]];
  }
  const from = Math.min(sole, first) - beyond;
  const to = Math.max(count, last) + beyond;
  if (to - from <= most) {
    return [[from, to]];
  }
  const about = (most - Math.min(most, last - first)) / 2;
  return [[Math.max(from, Math.floor(first - about)), Math.min(to, Math.ceil(last + about))]];
}

/** within is the part of a stretch that lies in another, wherever both are counted from. */
export function within(part: Stretch, whole: Stretch, count: number): Stretch | undefined {
  for (const shift of [0, count, -count]) {
    const from = Math.max(part[0] + shift, whole[0]);
    const to = Math.min(part[1] + shift, whole[1]);
    if (from < to) {
      return [from, to];
    }
  }
  return undefined;
}

/** roomFor is the longest line that a row needs, before it or after it. */
export function roomFor(row: Row, before: Needle | undefined, after: Needle | undefined): number {
  const longest = (needle: Needle | undefined, when: "before" | "after") =>
    needle ? Math.max(...stretchesOf(needle, row, workedLoops(needle, row, when)).map(([a, b]) => b - a)) : 0;
  return Math.max(longest(before, "before"), longest(after, "after"), 8);
}
