import { expect, test } from "@playwright/test";
import type { Place } from "./logbook";
import { countedBy, type Row, rowsOf, sockNow, socksNow, workedAt } from "./rows";

const row = (section: string, more: Partial<Row> = {}) =>
  ({ section, special: false, kind: "round", parts: [], ...more }) as unknown as Row;
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
  const from = (n: number, many = 10) => countedBy("row", many, rows, at(n))?.row;
  expect(from(1)).toBe(4);
  expect(from(2, 2)).toBe(3);
  expect(from(4)).toBe(4);
  expect(from(0)).toBe(0);
});

test("a lone turn is counted with the row after it, and nothing after the last one", () => {
  expect(workedAt(rows, 6)).toBe(7);
  expect(countedBy("row", 1, rows, at(6))).toEqual({ kind: "row", row: 7 });
  expect(countedBy("row", 1, rows, at(8))).toBeUndefined();
});

test("both socks at once are counted by one touch, while both are on and read alike", () => {
  const both = (first: Place, second: Place, own?: Row[]) =>
    socksNow({ which: "both", places: [first, second], view: { rows, second: own as never } });
  expect(both(at(2), at(2))).toEqual([1, 2]);
  expect(both(at(2, true), at(2, true))).toEqual([1, 2]);
  expect(both(at(2, true), at(2))).toEqual([2]);
  expect(both(at(4), at(3))).toEqual([2]);
  expect(both(at(3), at(4))).toEqual([1]);
  expect(both({ ...at(8), finished: true }, at(3)), "one is off: the other goes on").toEqual([2]);
  expect(both(at(3), at(8))).toEqual([1]);
  const turned = rows.map((r, i) => ({ ...r, parts: [{ short: i === 3 ? "k34" : "k1" }] }) as Row);
  const told = rows.map((r) => ({ ...r, parts: [{ short: "k1" }] }) as Row);
  const mirrored = (n: number) =>
    socksNow({ which: "both", places: [at(n), at(n)], view: { rows: told, second: turned } });
  expect(mirrored(2)).toEqual([1, 2]);
  expect(mirrored(3), "each reads its own row").toEqual([1]);
});

test("the sock that is chosen is worked, the second with its own rows where it has them", () => {
  expect(sockNow({ which: "second", places: [at(1), at(9)], view: { rows } })).toBe(2);
  expect(rowsOf({ rows, second: undefined as never }, 2)).toBe(rows);
  const mirrored = [row("toe")];
  expect(rowsOf({ rows, second: mirrored }, 2)).toBe(mirrored);
  expect(rowsOf({ rows, second: mirrored }, 1)).toBe(rows);
});
