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

/** Courses say where the rows of each version of the plan lie in the newest, as the server made it out. */
export type Courses = Schemas["KnitView"]["course"];

/** An event on the rows of the newest version; a stray counts rows that became others, and so much of the newest all the same. */
export type Told = Event & { stray?: true; held?: number };

/** placeToday is where so many rows of a version lie in the newest. */
function placeToday(course: number[][], version: number, rows: number): number {
  const places = course[version - 1] ?? [];
  return places[Math.min(rows, places.length - 1)] ?? rows;
}

/** counted is how many rows of its version an event says are done or begun; 0 for what counts none. */
function counted(e: Event): number {
  if (e.kind === "row" || e.kind === "half") {
    return e.row + 1;
  }
  return e.kind === "place" ? e.row : 0;
}

/** today gives events on the rows of the newest version; they go on saying on which they were made. */
export function today(events: Event[], courses: Courses): Told[] {
  if (courses.first.length < 2) {
    return events;
  }
  return events.flatMap((e): Told | Told[] => {
    const course = e.sock === 2 ? (courses.second ?? courses.first) : courses.first;
    const place = placeToday(course, e.version, e.row);
    const next = placeToday(course, e.version, e.row + 1);
    const hold = courses.holds?.[e.sock === 2 ? 1 : 0]?.[e.version - 1] ?? Number.POSITIVE_INFINITY;
    if (counted(e) > hold) {
      return { ...e, row: place, stray: true, held: placeToday(course, e.version, hold) };
    }
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
export function standing(merged: Told[]): Told[] {
  const gone = new Set<string>();
  for (const e of [...merged].reverse()) {
    if (e.kind === "undo" && !gone.has(e.id) && e.of) {
      gone.add(e.of);
    }
  }
  return merged.filter((e) => e.kind !== "undo" && !gone.has(e.id));
}

/** places says where both socks are. */
export function places(events: Told[]): [Place, Place] {
  const at: [Place, Place] = [
    { row: 0, half: false, finished: false, last: "" },
    { row: 0, half: false, finished: false, last: "" },
  ];
  for (const e of events) {
    const i = e.sock === 2 ? 1 : 0;
    const place = at[i];
    if (e.stray) {
      const row = e.held ?? 0;
      at[i] = row > place.row ? { row, half: false, finished: false, last: e.id } : place;
    } else if (e.kind === "row" && e.row + 1 > place.row) {
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

/**
 * lastTouch is the newest that moved a sock, which an undo takes back; of both
 * socks at once all that the newest touch moved.
 */
export function lastTouch(events: Told[], sock: number, both: boolean): Told[] {
  const steps = events.filter((e) => ["row", "half", "place", "finish"].includes(e.kind));
  const last = both ? steps.at(-1) : steps.findLast((e) => e.sock === sock);
  if (!last) {
    return [];
  }
  const together = (e: Told) => both && e.at_ms === last.at_ms && e.device === last.device;
  return steps.filter((e) => e === last || together(e));
}
