import type { KnitView } from "./kept";
import type { Place } from "./logbook";

// Which row is worked, of which sock.

export type Row = KnitView["rows"][number];
export type Which = "first" | "second" | "both";

/** rowsOf are the rows of one sock of the pair. */
export const rowsOf = (view: Pick<KnitView, "rows" | "second">, sock: number) =>
  (sock === 2 ? view.second : undefined) ?? view.rows;

/** What is known of a pair that is knitted. */
type Pair = { which: Which; places: [Place, Place]; view: Pick<KnitView, "rows" | "second"> };

/**
 * socksNow are those that one touch counts. Both at once: every sock still on
 * whose next row reads as that of the one that is behind.
 */
export function socksNow({ which, places, view }: Pair): [number, ...number[]] {
  if (which !== "both") {
    return which === "first" ? [1] : [2];
  }
  const [first, second] = places;
  const on = (sock: number) =>
    !places[sock - 1]?.finished && (places[sock - 1]?.row ?? 0) < rowsOf(view, sock).length;
  if (!on(1) || !on(2)) {
    return on(2) ? [2] : [1];
  }
  const [one, other] = [rowsOf(view, 1)[first.row], rowsOf(view, 2)[second.row]];
  if (first.row === second.row && first.half === second.half && one && other && readsAlike(one, other)) {
    return [1, 2];
  }
  return second.row < first.row || (second.row === first.row && first.half) ? [2] : [1];
}

const readsAlike = (a: Row, b: Row) =>
  a === b ||
  (a.id === b.id &&
    a.parts.length === b.parts.length &&
    a.parts.every((p, i) => p.short === b.parts[i]?.short));

/** sockNow is the sock that is worked next. */
export const sockNow = (pair: Pair): number => socksNow(pair)[0];

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
  rows: Row[],
  place: Place,
): { kind: "row" | "half"; row: number } | undefined {
  const row = workedAt(rows, place.row);
  if (row >= rows.length) {
    return undefined;
  }
  return { kind, row: lastAlike(rows, row, many) };
}
