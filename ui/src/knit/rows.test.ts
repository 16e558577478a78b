import { expect, test } from "@playwright/test";
import type { Place } from "./logbook";
import { countedBy, type Row, rowsOf, sockNow, workedAt } from "./rows";

const row = (section: string, more: Partial<Row> = {}) =>
  ({ section, special: false, kind: "round", ...more }) as Row;
const at = (n: number, half = false): Place => ({ row: n, half, finished: false, last: "" });

const rows: Row[] = [
  row("cast_on", { kind: "cast_on", special: true }),
  row("toe", { special: true }),
  row("toe"),
  row("toe"),
  row("toe"),
  row("foot"),
  row("heel", { kind: "flat", joined: true }),
  row("heel", { kind: "flat", special: true }),
];

test("ten more count rows that are alike, never past a special one or another section", () => {
  const from = (n: number, many = 10) => countedBy("row", many, "first", rows, at(n))?.row;
  expect(from(1)).toBe(4);
  expect(from(2, 2)).toBe(3);
  expect(from(4)).toBe(4);
  expect(from(0)).toBe(0);
});

test("a lone turn is counted with the row after it, and nothing after the last one", () => {
  expect(workedAt(rows, 6)).toBe(7);
  expect(countedBy("row", 1, "first", rows, at(6))).toEqual({ kind: "row", row: 7 });
  expect(countedBy("row", 1, "first", rows, at(8))).toBeUndefined();
});

test("both socks at once go needle by needle", () => {
  const places: [Place, Place] = [at(2), at(2)];
  const order: string[] = [];
  for (let touch = 0; touch < 8; touch++) {
    const sock = sockNow({ which: "both", places });
    const place = places[sock - 1] ?? at(0);
    const counted = countedBy("row", 1, "both", rows, place);
    order.push(`${sock} ${counted?.kind} ${counted?.row}`);
    places[sock - 1] = counted?.kind === "half" ? at(place.row, true) : at(place.row + 1);
  }
  expect(order).toEqual([
    "1 half 2",
    "2 half 2",
    "1 row 2",
    "2 row 2",
    "1 half 3",
    "2 half 3",
    "1 row 3",
    "2 row 3",
  ]);
});

test("the sock that is chosen is worked, the second with its own rows where it has them", () => {
  expect(sockNow({ which: "second", places: [at(1), at(9)] })).toBe(2);
  expect(rowsOf({ rows, second: undefined as never }, 2)).toBe(rows);
  const mirrored = [row("toe")];
  expect(rowsOf({ rows, second: mirrored }, 2)).toBe(mirrored);
  expect(rowsOf({ rows, second: mirrored }, 1)).toBe(rows);
});
