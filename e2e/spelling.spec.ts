import { expect, test } from "@playwright/test";
import type { Plan, Words } from "../ui/src/api/client";
import { marksFor, marksOf, type Placed } from "../ui/src/feet/marks";
import { grouped } from "../ui/src/rows/groups";
import { gaugeText, lengthText, lengthWithUnit } from "../ui/src/units/units";

// What the browser does to figures and rows before it shows them, without a browser.

test("lengths are spelt in centimetres with a tenth, in inches with eighths", () => {
  for (const [mm, cm, inches] of [
    [251, "25.1", "9 7/8"],
    [254, "25.4", "10"],
    [3.2, "0.3", "1/8"],
    [0, "0", "0"],
    [190.9, "19.1", "7 1/2"],
    [25, "2.5", "1"],
  ] as const) {
    expect(lengthText(mm, "cm")).toBe(cm);
    expect(lengthText(mm, "in")).toBe(inches);
  }
  expect(lengthWithUnit(251, "in")).toBe("9 7/8 in");
  expect(gaugeText(32, "cm")).toBe("32");
  expect(gaugeText(32, "in"), "32 in 100 mm are 32.5 in 4 inches").toBe("32.5");
});

type Row = Plan["rows"][number];

const round = (n: number, stitches: number, section = "foot"): Row => ({
  id: `${section}-${n}`,
  section,
  n,
  kind: "round",
  side: "RS",
  ops: [["k", stitches]],
  stitches,
});

const said = (short: string, n = 1): Words =>
  ({
    id: "",
    n,
    parts: [{ needle: 1, on: "", short, long: short }],
    new: [],
    from: 0,
    to: 0,
    worked: 1,
  }) as Words;

test("rounds that say the same are one group, rows that turn are each their own", () => {
  const rows = [
    round(1, 68),
    round(2, 68),
    round(3, 68),
    { ...round(1, 68, "heel"), kind: "row" },
    { ...round(2, 68, "heel"), kind: "row" },
  ];
  const plan = { rows } as Plan;
  const words = [
    said("k68", 1),
    said("k68", 2),
    said("k2, p2", 3),
    said("ds, p25, turn", 1),
    said("ds, p25, turn", 2),
  ];
  const sections = grouped(plan, words, [], ["", "", "", "4 held · 26 worked · 4 held", ""]);
  expect(sections.map((s) => [s.section, s.rows, s.groups.length])).toEqual([
    ["foot", 3, 2],
    ["heel", 2, 2],
  ]);
  expect(sections[0]?.groups[0]?.last.n).toBe(2);
  expect(sections[1]?.groups[0]?.fingers).toBe("4 held · 26 worked · 4 held");
  expect(
    grouped(plan, words.slice(0, 1), [], []).flatMap((s) => s.groups).length,
    "rows without words are left out",
  ).toBe(1);
});

test("a tracing is asked about when everything that is needed is marked", () => {
  const placed: Placed = {};
  for (const mark of marksFor(true)) {
    if (!mark.optional) {
      expect(marksOf(placed, "a4"), `${mark.name} is missing`).toBeNull();
      placed[mark.name] = [10, 20];
    }
  }
  const marks = marksOf(placed, "a4");
  expect(marks?.corners).toHaveLength(4);
  expect(marks?.scale).toEqual([]);
  expect(marks?.ball, "half a width is none").toEqual([]);
  expect(marksOf({ ...placed, "ball 1": [1, 1] }, "a4")?.ball).toEqual([]);
  expect(marksOf({ ...placed, "ball 1": [1, 1], "ball 2": [1, 9] }, "a4")?.ball).toEqual([
    [1, 1],
    [1, 9],
  ]);
  expect(marksOf(placed, ""), "by a ruler its two ends are needed").toBeNull();
  const ruled = marksOf({ ...placed, "scale 1": [0, 0], "scale 2": [500, 0] }, "");
  expect([ruled?.corners, ruled?.scale.length]).toEqual([[], 2]);
});
