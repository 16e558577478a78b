import { expect, test } from "@playwright/test";
import type { Schemas } from "../ui/src/api/client";
import { roomFor, stretchesOf, within, workedLoops } from "../ui/src/knit/stretches";

// Which loops are drawn where, without a browser: 68 loops, needle 2 begins at 34.

type Needle = Schemas["PositionNeedle"];
type Row = Schemas["KnitRow"];

const needle = (cursor: number, more: Partial<Needle> = {}): Needle => ({
  check: "",
  count: 68,
  cursor,
  markers: [],
  runs: [],
  side: "RS",
  sole: 34,
  ...more,
});

const row = (more: Partial<Row>): Row => ({
  id: "heel-8",
  section: "heel",
  n: 8,
  of: 48,
  kind: "row",
  side: "RS",
  stitches: 68,
  worked: 26,
  parts: [],
  note: "",
  colour: "",
  special: false,
  length_mm: 0,
  ...more,
});

test("a row works upward on the right side and downward on the wrong side", () => {
  expect(workedLoops(needle(38), row({}), "before")).toEqual([38, 64]);
  expect(workedLoops(needle(64), row({}), "after")).toEqual([38, 64]);
  expect(workedLoops(needle(64), row({ side: "WS" }), "before")).toEqual([38, 64]);
  expect(workedLoops(needle(38), row({ side: "WS" }), "after")).toEqual([38, 64]);
});

test("a round lies on its two needles, a line on one", () => {
  const round = row({ kind: "round", section: "foot", worked: 68 });
  expect(stretchesOf(needle(0), round, [0, 68])).toEqual([
    [0, 34],
    [34, 68],
  ]);
  expect(stretchesOf(needle(0, { sole: 0, count: 34 }), row({ section: "toe" }), [0, 20])).toEqual([[0, 34]]);
});

test("the rows of a heel show the sole and a little beside it, and do not move", () => {
  for (const worked of [
    [38, 64],
    [45, 57],
    [34, 68],
  ] as const) {
    expect(stretchesOf(needle(38), row({}), [...worked])).toEqual([[32, 70]]);
  }
  // On the wrong side from the start of the round: loops 68 down to 34 are counted as 0 down to −34.
  expect(stretchesOf(needle(0, { side: "WS" }), row({ side: "WS" }), [-34, 0])).toEqual([[32, 70]]);
});

test("a wide heel reaches over the start of the round, a long one is cut to what is worked", () => {
  expect(stretchesOf(needle(30), row({}), [29, 73])).toEqual([[27, 75]]);
  const wide = needle(60, { count: 102, sole: 34 });
  const [[from, to] = [0, 0]] = stretchesOf(wide, row({}), [56, 80]);
  expect(to - from).toBeLessThanOrEqual(52);
  expect(from).toBeLessThanOrEqual(56);
  expect(to).toBeGreaterThanOrEqual(80);
});

test("a garter square is worked on needle 1 alone", () => {
  const square = row({ section: "toe", worked: 17 });
  expect(stretchesOf(needle(0, { count: 34, sole: 17 }), square, [0, 17])).toEqual([[0, 17]]);
});

test("a part of the ring is found wherever it is counted from", () => {
  expect(within([38, 64], [32, 70], 68)).toEqual([38, 64]);
  expect(within([0, 1], [32, 70], 68), "loop 0 lies behind loop 67").toEqual([68, 69]);
  expect(within([-34, 0], [34, 68], 68)).toEqual([34, 68]);
  expect(within([0, 68], [34, 68], 68)).toEqual([34, 68]);
  expect(within([5, 9], [34, 60], 68)).toBeUndefined();
});

test("before and after are drawn alike: the longer of both gives the room", () => {
  const pick = row({ section: "gusset", worked: 18 });
  const before = needle(34, { count: 52 });
  const after = needle(70, { count: 70 });
  expect(roomFor(pick, before, after)).toBe(40);
  expect(roomFor(pick, undefined, undefined)).toBe(8);
});
