import type { Schemas } from "../api/client";

// What the events come to, while there is no connection: the same few rules
// as the server's. Only places are kept here; pace, yarn and gauge are the server's business.

export type Event = Schemas["LogbookEvent"];
export type Place = { row: number; half: boolean; finished: boolean; last: string };

const order = (a: Event, b: Event) => a.clock - b.clock || compare(a.device, b.device) || compare(a.id, b.id);
const compare = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0);

/** merge puts events together: each once, in the order of all devices. */
export function merge(...lists: Event[][]): Event[] {
  const byID = new Map(lists.flat().map((e) => [e.id, e]));
  return [...byID.values()].sort(order);
}

/** standing leaves out what was taken back. */
export function standing(merged: Event[]): Event[] {
  const gone = new Set<string>();
  for (const e of [...merged].reverse()) {
    if (e.kind === "undo" && !gone.has(e.id) && e.of) {
      gone.add(e.of);
    }
  }
  return merged.filter((e) => e.kind !== "undo" && !gone.has(e.id));
}

/** places says where both socks are. */
export function places(events: Event[]): [Place, Place] {
  const at: [Place, Place] = [
    { row: 0, half: false, finished: false, last: "" },
    { row: 0, half: false, finished: false, last: "" },
  ];
  for (const e of events) {
    const i = e.sock === 2 ? 1 : 0;
    const place = at[i];
    if (e.kind === "row" && e.row + 1 > place.row) {
      at[i] = { row: e.row + 1, half: false, finished: false, last: e.id };
    } else if (e.kind === "half" && e.row >= place.row) {
      at[i] = { row: e.row, half: true, finished: false, last: e.id };
    } else if (e.kind === "place") {
      at[i] = { row: e.row, half: false, finished: false, last: e.id };
    } else if (e.kind === "finish") {
      at[i] = { ...place, finished: true, last: e.id };
    }
  }
  return at;
}

/** lastStep is the newest event of a sock that moved it, which an undo takes back. */
export function lastStep(events: Event[], sock: number): Event | undefined {
  return events.findLast((e) => e.sock === sock && ["row", "half", "place", "finish"].includes(e.kind));
}
