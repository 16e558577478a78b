import type { KnitView } from "./kept";
import type { Place } from "./logbook";

// Which row is worked, of which sock.

export type Row = KnitView["rows"][number];
export type Which = "first" | "second" | "both";

/** sockNow is the sock that is worked next. */
export function sockNow({ which, places }: { which: Which; places: [Place, Place] }): number {
  if (which !== "both") {
    return which === "first" ? 1 : 2;
  }
  const [first, second] = places;
  // Both at once go half by half: needle 1 of the first, needle 1 of the second, needle 2 of the first …
  if (second.row === first.row) {
    return first.half && !second.half ? 2 : 1;
  }
  return second.row < first.row ? 2 : 1;
}

/** rowsOf are the rows of one sock of the pair. */
export const rowsOf = (view: Pick<KnitView, "rows" | "second">, sock: number) =>
  (sock === 2 ? view.second : undefined) ?? view.rows;

/** workedAt is the row that is worked at a place: a lone turn goes in one breath with the row after it. */
export const workedAt = (rows: { joined?: boolean }[], row: number) => (rows[row]?.joined ? row + 1 : row);

/** lastAlike is the last of so many rows from a row on that are worked as it is, in its section. */
export function lastAlike(rows: { special: boolean; section: string }[], row: number, most: number): number {
  let last = row;
  while (
    last + 1 < Math.min(row + most, rows.length) &&
    rows[last + 1]?.special === false &&
    rows[last + 1]?.section === rows[row]?.section
  ) {
    last++;
  }
  return last;
}

/** countedBy is what one touch counts, and up to which row; undefined when the sock is off the needles. */
export function countedBy(
  kind: "row" | "half",
  many: number,
  which: Which,
  rows: Row[],
  place: Place,
): { kind: "row" | "half"; row: number } | undefined {
  const row = workedAt(rows, place.row);
  if (row >= rows.length) {
    return undefined;
  }
  if (which === "both" && kind === "row" && many === 1 && rows[row]?.kind === "round") {
    // One needle at a time: the first touch is its first half, the next its second.
    return { kind: place.half ? "row" : "half", row };
  }
  return { kind, row: lastAlike(rows, row, many) };
}
