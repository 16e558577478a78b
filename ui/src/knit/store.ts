import { createStore, type StoreApi } from "zustand";
import { answered, client, Refusal, type Schemas } from "../api/client";
import { portionOf, refusedBy } from "../api/portion";
import type { Aside } from "../shell/device";
import { deviceName, newID } from "../shell/device";
import { type KnitView, type OnDevice, shelfOf } from "./kept";
import { type Event, lastStep, merge, places, standing, type Told, today } from "./logbook";

export type Which = "first" | "second" | "both";

/** Knitting is a pair of socks on the needles, as this device knows it. */
export type Knitting = {
  view: KnitView;
  tally: Schemas["Tally"];
  /** Every event known here, those included that were not sent yet, on the rows of the newest plan. */
  events: Told[];
  /** How many the program has not written down yet. */
  waiting: number;
  /** The program cannot be reached; taps are kept here. */
  offline: boolean;
  /** The server refused something: what it said. */
  refusal: string;
  /** What the program would not write down, with its reasons. */
  aside: Aside[];
  which: Which;
  places: ReturnType<typeof places>;
  choose(which: Which): void;
  /** tick counts the row that the sock stands at, its half, or more rows at once. */
  tick(kind: "row" | "half", rows?: number): void;
  /** record adds an event for a sock; the rest of the event is filled in. */
  record(kind: Event["kind"], sock: number, row: number, more?: Partial<Event>): void;
  undo(sock: number): void;
  take(view: KnitView): void;
  send(): Promise<void>;
  dropAside(): void;
  /** listen hears other pages of this browser until the answer is called. */
  listen(): () => void;
};

/** sockNow is the sock that is worked next. */
export function sockNow(k: Pick<Knitting, "which" | "places">): number {
  if (k.which !== "both") {
    return k.which === "first" ? 1 : 2;
  }
  const [first, second] = k.places;
  // Both at once go half by half: needle 1 of the first, needle 1 of the second, needle 2 of the first …
  if (second.row === first.row) {
    return first.half && !second.half ? 2 : 1;
  }
  return second.row < first.row ? 2 : 1;
}

/** rowsOf are the rows of one sock of the pair. */
export const rowsOf = (view: KnitView, sock: number) => (sock === 2 ? view.second : undefined) ?? view.rows;

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

const gone =
  "This sock was taken out of the basket on another device. What you tick is kept with it all the same.";

/** A question that waits longer than this has no connection, in ms. */
const patience = 20_000;

export function createKnitting(view: KnitView, kept: OnDevice): StoreApi<Knitting> {
  const shelf = shelfOf(view.id);
  /** What the program does not have yet: it is sent from here, the device keeps it for another day. */
  const waiting = new Map(kept.waiting.map((e) => [e.id, e]));
  let all = merge(view.events, kept.seen, kept.waiting);
  let seq = view.seq;
  let sending = false;
  let again = false;

  return createStore<Knitting>((set, get) => {
    const show = () => {
      const events = today(all, get().view.course);
      set({ events, places: places(standing(events)), waiting: waiting.size });
    };

    /** adopt takes over what another page of this browser ticked, or left here. */
    const adopt = (events: Event[]) => {
      const known = new Set(all.map((e) => e.id));
      const fresh = events.filter((e) => !known.has(e.id));
      if (fresh.length > 0) {
        all = merge(all, fresh);
        show();
      }
      return fresh;
    };

    /** refuse puts aside what the program will not write down, so that it does not hold up the rest. */
    const refuse = (events: Event[], reasonOf: (e: Event) => string) => {
      const ids = new Set(events.map((e) => e.id));
      all = all.filter((e) => !ids.has(e.id));
      for (const id of ids) {
        waiting.delete(id);
      }
      const aside = shelf.setAside(events, reasonOf);
      set({ aside: [...get().aside, ...aside] });
      show();
    };

    /** post sends a portion of what waits. */
    const post = async () => {
      const sent = portionOf([...waiting.values()]);
      const { id } = get().view;
      const answer = answered(
        await client.POST("/api/socks/{id}/events", {
          params: { path: { id } },
          body: { events: sent, after: seq },
          signal: AbortSignal.timeout(patience),
        }),
      );
      seq = answer.seq;
      const refused = new Map((answer.refused ?? []).map((r) => [r.id, r.detail]));
      const done = sent.filter((e) => !refused.has(e.id));
      for (const e of done) {
        waiting.delete(e.id);
      }
      shelf.keepSeen(merge(answer.events, done));
      all = merge(all, answer.events);
      if (!answer.deleted) {
        set({ tally: answer.tally });
      }
      set({ offline: false, refusal: answer.deleted ? gone : "" });
      refuse(
        sent.filter((e) => refused.has(e.id)),
        (e) => refused.get(e.id) ?? "",
      );
      const bent = answer.events.some((e) => e.kind === "plan" && e.version > get().view.version);
      const strays = answer.tally.book.strays.some(
        (s) => !get().view.asked.some((a) => a.sock === s.sock && a.rows >= s.rows),
      );
      if (bent || (!answer.deleted && strays)) {
        get().take(answered(await client.GET("/api/socks/{id}/knit", { params: { path: { id } } })));
      }
    };

    /** failed looks at what the program would not take; true when there is something to send all the same. */
    const failed = (error: unknown) => {
      if (!(error instanceof Refusal)) {
        set({ offline: true });
        return false;
      }
      const bad = refusedBy(error, portionOf([...waiting.values()]));
      if (bad.length > 0) {
        refuse(bad, () => error.message);
        return true;
      }
      // The program is there and says why it cannot: a full disk is no lost connection.
      const says = error.problem.status < 500 || error.problem.detail;
      set(says ? { refusal: error.message, offline: false } : { offline: true });
      return false;
    };

    return {
      view,
      tally: view.tally,
      events: today(all, view.course),
      waiting: waiting.size,
      offline: false,
      refusal: "",
      aside: kept.aside,
      which: "first",
      places: places(standing(today(all, view.course))),
      choose: (which) => set({ which }),
      tick: (kind, rows = 1) => {
        const k = get();
        const sock = sockNow(k);
        const all = rowsOf(k.view, sock);
        const row = workedAt(all, k.places[sock - 1]?.row ?? 0);
        const last = all.length - 1;
        if (row > last) {
          return;
        }
        if (k.which === "both" && kind === "row" && rows === 1 && all[row]?.kind === "round") {
          // One needle at a time: the first touch is its first half, the next its second.
          k.record(k.places[sock - 1]?.half ? "row" : "half", sock, row);
          return;
        }
        k.record(kind, sock, lastAlike(all, row, rows));
      },
      record: (kind, sock, row, more) => {
        const event: Event = {
          id: newID(),
          device: deviceName(),
          clock: all.reduce((most, e) => Math.max(most, e.clock), 0) + 1,
          at_ms: Date.now(),
          kind,
          version: get().view.version,
          sock,
          row,
          ...more,
        };
        waiting.set(event.id, event);
        all = merge(all, [event]);
        shelf.keepWaiting([event]);
        shelf.tell([event]);
        show();
        void get().send();
      },
      undo: (sock) => {
        const last = lastStep(standing(get().events), sock);
        if (last) {
          get().record("undo", sock, last.row, { of: last.id });
        }
      },
      take: (next) => {
        seq = next.seq;
        all = merge(next.events, all);
        shelf.keepView(next);
        set({ view: next, tally: next.tally });
        show();
      },
      send: async () => {
        again = true;
        if (sending) {
          return;
        }
        sending = true;
        try {
          while (again || waiting.size > 0) {
            again = false;
            await post();
          }
        } catch (error) {
          again = failed(error);
        } finally {
          sending = false;
        }
        show();
        if (again) {
          await get().send();
        } else if (waiting.size > 0) {
          shelf.keepWaiting([...waiting.values()]); // the device may have lost them meanwhile
        } else {
          const left = adopt((await shelf.onDevice()).waiting);
          for (const e of left) {
            waiting.set(e.id, e);
          }
        }
      },
      dropAside: () => {
        shelf.dropAside();
        set({ aside: [] });
      },
      listen: () => shelf.hear(adopt),
    };
  });
}
