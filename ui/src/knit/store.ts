import { createStore, type StoreApi } from "zustand";
import { answered, client, type Schemas } from "../api/client";
import type { Aside } from "../shell/device";
import { deviceName, newID } from "../shell/device";
import { remember, remembered } from "../shell/remember";
import { type KnitView, type OnDevice, shelfOf } from "./kept";
import { type Event, lastTouch, merge, places, standing, type Told, today } from "./logbook";
import { pile } from "./pile";
import { countedBy, rowsOf, socksNow, type Which } from "./rows";
import { type Answer, sending } from "./sending";

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
  dropAside(): Promise<void>;
  /** listen hears other pages of this browser until the answer is called. */
  listen(): () => void;
};

const gone =
  "This sock was taken out of the basket on another device. What you tick is kept with it all the same.";

/** A question that waits longer than this has no connection, in ms. */
const patience = 20_000;

const viewOf = async (id: string) =>
  answered(await client.GET("/api/socks/{id}/knit", { params: { path: { id } } }));

const post = async (id: string, events: Event[], after: number): Promise<Answer> =>
  answered(
    await client.POST("/api/socks/{id}/events", {
      params: { path: { id } },
      body: { events, after },
      signal: AbortSignal.timeout(patience),
    }),
  );

/** isBent says whether an answer tells of rows that this view does not have. */
function isBent(view: KnitView, { events, tally, deleted }: Answer): boolean {
  const isNewer = events.some((e) => e.kind === "plan" && e.version > view.version);
  const isStray = tally.book.strays.some(
    (s) => !view.asked.some((a) => a.sock === s.sock && a.rows >= s.rows),
  );
  return isNewer || (!deleted && isStray);
}

const whichOf = (kept: string | null): Which => (kept === "second" || kept === "both" ? kept : "first");

export function createKnitting(view: KnitView, kept: OnDevice): StoreApi<Knitting> {
  const shelf = shelfOf(view.id);
  const whichKey = `acorn-step.which.${view.id}`;
  const known = pile(merge(view.events, kept.seen), kept.waiting);

  return createStore<Knitting>((set, get) => {
    const shown = (view: KnitView) => {
      const events = today(known.all(), view.course);
      return { events, places: places(standing(events)), waiting: known.waiting().length };
    };
    const show = () => set(shown(get().view));

    /** adopt takes over what another page of this browser ticked, or left here. */
    const adopt = (events: Event[]) => {
      const fresh = known.hear(events);
      if (fresh.length > 0) {
        show();
      }
      return fresh;
    };

    const sender = sending(known, view.seq, {
      post: (events, after) => post(view.id, events, after),
      refuse: (events, reasonOf) => {
        known.drop(events);
        set({ aside: [...get().aside, ...shelf.setAside(events, reasonOf)] });
        show();
      },
      heard: async (answer, done) => {
        shelf.keepSeen(merge(answer.events, done));
        set({
          offline: false,
          refusal: answer.deleted ? gone : "",
          ...(!answer.deleted && { tally: answer.tally }),
        });
        if (isBent(get().view, answer)) {
          get().take(await viewOf(view.id));
        }
      },
      hindered: (why) => set(why ? { refusal: why, offline: false } : { offline: true }),
      over: async () => {
        show();
        const waiting = known.waiting();
        if (waiting.length > 0) {
          shelf.keepWaiting(waiting); // the device may have lost them meanwhile
        } else {
          known.wait(adopt((await shelf.onDevice()).waiting));
        }
      },
    });

    return {
      view,
      tally: view.tally,
      ...shown(view),
      offline: false,
      refusal: "",
      aside: kept.aside,
      which: whichOf(remembered(whichKey)),
      choose: (which) => {
        remember(whichKey, which);
        set({ which });
      },
      tick: (kind, rows = 1) => {
        const k = get();
        const at_ms = Date.now(); // one touch is one moment, for every sock that it counts
        for (const sock of socksNow(k)) {
          const place = k.places[sock - 1] ?? k.places[0];
          const counted = countedBy(kind, rows, rowsOf(k.view, sock), place);
          if (counted) {
            k.record(counted.kind, sock, counted.row, { at_ms });
          }
        }
      },
      record: (kind, sock, row, more) => {
        const event: Event = {
          id: newID(),
          device: deviceName(),
          clock: known.nextClock(),
          at_ms: Date.now(),
          kind,
          version: get().view.version,
          sock,
          row,
          ...more,
        };
        known.add(event);
        shelf.keepWaiting([event]);
        shelf.tell([event]);
        show();
        void get().send();
      },
      undo: (sock) => {
        for (const step of lastTouch(standing(get().events), sock, get().which === "both")) {
          get().record("undo", step.sock, step.row, { of: step.id });
        }
      },
      take: (next) => {
        sender.from(next.seq);
        known.hear(next.events);
        shelf.keepView(next);
        set({ view: next, tally: next.tally });
        show();
      },
      send: sender.send,
      dropAside: async () => {
        await shelf.dropAside(); // a page that is closed meanwhile has them still, and shows them
        set({ aside: [] });
      },
      listen: () => shelf.hear(adopt),
    };
  });
}
