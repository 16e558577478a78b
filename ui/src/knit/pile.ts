import { type Event, merge } from "./logbook";

/** Pile is every event of a pair that is known here, those included that the program does not have yet. */
export type Pile = ReturnType<typeof pile>;

export function pile(known: Event[], waits: Event[]) {
  /** What the program does not have yet: it is sent from here, the device keeps it for another day. */
  const waiting = new Map(waits.map((e) => [e.id, e]));
  let all = merge(known, waits);
  return {
    all: () => all,
    waiting: () => [...waiting.values()],
    /** nextClock is later than everything that is known. */
    nextClock: () => all.reduce((most, e) => Math.max(most, e.clock), 0) + 1,
    /** add puts one on the pile that waits for the program. */
    add: (event: Event) => {
      waiting.set(event.id, event);
      all = merge(all, [event]);
    },
    /** hear puts those on the pile that the program has, and gives the ones that are new here. */
    hear: (events: Event[]): Event[] => {
      const ids = new Set(all.map((e) => e.id));
      all = merge(all, events);
      return events.filter((e) => !ids.has(e.id));
    },
    /** wait has events wait for the program. */
    wait: (events: Event[]) => {
      for (const e of events) {
        waiting.set(e.id, e);
      }
    },
    /** written says that the program has events. */
    written: (events: Event[]) => {
      for (const e of events) {
        waiting.delete(e.id);
      }
    },
    /** drop takes events off the pile. */
    drop: (events: Event[]) => {
      const ids = new Set(events.map((e) => e.id));
      all = all.filter((e) => !ids.has(e.id));
      for (const id of ids) {
        waiting.delete(id);
      }
    },
  };
}
