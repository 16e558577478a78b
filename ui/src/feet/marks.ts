import type { Marks } from "../api/feet";

export type Point = [number, number];

/** Placed are the marks that are set, by name. */
export type Placed = Record<string, Point>;

export type MarkName = { name: string; label: string; how: string; optional?: boolean };

const corners: MarkName[] = [1, 2, 3, 4].map((i) => ({
  name: `corner ${i}`,
  label: `Corner ${i} of the sheet`,
  how: i === 1 ? "Any corner; then go round the sheet." : "The next corner, going round.",
}));

const scale: MarkName[] = [
  { name: "scale 1", label: "One end of the known length", how: "The beginning of the ruler." },
  { name: "scale 2", label: "Its other end", how: "As far apart as the picture allows." },
];

const foot: MarkName[] = [
  { name: "heel", label: "Heel", how: "The backmost point of the outline." },
  { name: "toe", label: "Longest toe", how: "Its tip." },
  { name: "ball 1", label: "Ball, inside", how: "Where the outline is widest.", optional: true },
  { name: "ball 2", label: "Ball, outside", how: "Where it is widest on the other side.", optional: true },
  { name: "little toe", label: "Little toe", how: "Where it begins, on the outline.", optional: true },
];

/** marksFor lists what has to be marked, in order. */
export const marksFor = (bySheet: boolean): MarkName[] => [...(bySheet ? corners : scale), ...foot];

/** marksOf makes the question of the marks; null while some that are needed are missing. */
export function marksOf(placed: Placed, sheet: string): Marks | null {
  const names = marksFor(sheet !== "");
  if (names.some((m) => !m.optional && !placed[m.name])) {
    return null;
  }
  const list = (...wanted: string[]) => wanted.map((name) => placed[name]).filter((p): p is Point => !!p);
  const ball = list("ball 1", "ball 2");
  return {
    sheet,
    corners: sheet === "" ? [] : list("corner 1", "corner 2", "corner 3", "corner 4"),
    scale: sheet === "" ? list("scale 1", "scale 2") : [],
    heel: placed.heel as Point,
    toe: placed.toe as Point,
    ball: ball.length === 2 ? ball : [],
    little_toe: list("little toe"),
  };
}
