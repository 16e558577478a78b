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

/** Course says where the rows of each version of the plan lie in the newest, as the server made it out. */
export type Course = Schemas["KnitView"]["course"];

/** placeToday is where so many rows of a version lie in the newest. */
function placeToday(course: Course, version: number, rows: number): number {
  const places = course[version - 1] ?? [];
  return places[Math.min(rows, places.length - 1)] ?? rows;
}

/** today gives events on the rows of the newest version; they go on saying on which they were made. */
export function today(events: Event[], first: Course, second?: Course): Event[] {
  if (first.length < 2) {
    return events;
  }
  return events.flatMap((e) => {
    const course = e.sock === 2 ? (second ?? first) : first;
    const place = placeToday(course, e.version, e.row);
    const next = placeToday(course, e.version, e.row + 1);
    if (e.kind === "row") {
      return next > 0 ? { ...e, row: next - 1 } : [];
    }
    if (e.kind === "half" && next !== place + 1 && place > 0) {
      return { ...e, kind: "row", row: place - 1 };
    }
    return { ...e, row: place };
  });
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
