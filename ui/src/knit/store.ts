import { createStore, type StoreApi } from "zustand";
import { answered, client, Refusal, type Schemas } from "../api/client";
import { device, type KnitView, keepOutbox, keepView, newID, outbox, setAside } from "./kept";
import { type Event, lastStep, merge, places, standing } from "./logbook";

export type Which = "first" | "second" | "both";

/** Knitting is a pair of socks on the needles, as this device knows it. */
export type Knitting = {
  view: KnitView;
  tally: Schemas["Tally"];
  /** Every event known here, those included that were not sent yet. */
  events: Event[];
  waiting: number;
  /** The program cannot be reached; taps are kept here. */
  offline: boolean;
  /** The server refused something: what it said. */
  refusal: string;
  which: Which;
  places: ReturnType<typeof places>;
  choose(which: Which): void;
  /** say adds an event for a sock; the rest of the event is filled in. */
  say(kind: Event["kind"], sock: number, row: number, more?: Partial<Event>): void;
  undo(sock: number): void;
  take(view: KnitView): void;
  send(): Promise<void>;
};

/** sockNow is the sock that is worked next. */
export function sockNow(k: Pick<Knitting, "which" | "places">): number {
  if (k.which !== "both") {
    return k.which === "first" ? 1 : 2;
  }
  return k.places[1].row < k.places[0].row ? 2 : 1;
}

const gone =
  "This sock was taken out of the basket on another device. What you tick is kept with it all the same.";

/** refused are the events that an answer names as faulty, such as events[2].text. */
function refused(error: Refusal, sent: Event[]): Event[] {
  const fields = (error.problem.errors ?? []).map((fault) => /^events\[(\d+)\]/.exec(fault.field)?.[1]);
  return sent.filter((_, i) => fields.includes(`${i}`));
}

export function createKnitting(view: KnitView): StoreApi<Knitting> {
  let seq = view.seq;
  let sending = false;
  let again = false;
  // What was set aside, said until something new happens.
  let aside = "";
  return createStore<Knitting>((set, get) => {
    const told = (events: Event[]) => {
      set({ events, places: places(standing(events)) });
    };
    return {
      view,
      tally: view.tally,
      events: merge(view.events, outbox(view.id)),
      waiting: outbox(view.id).length,
      offline: false,
      refusal: "",
      which: "first",
      places: places(standing(merge(view.events, outbox(view.id)))),
      choose: (which) => set({ which }),
      say: (kind, sock, row, more) => {
        const { events, view } = get();
        aside = "";
        const clock = events.reduce((most, e) => Math.max(most, e.clock), 0) + 1;
        const event: Event = {
          id: newID(),
          device: device(),
          clock,
          at_ms: Date.now(),
          kind,
          version: view.version,
          sock,
          row,
          ...more,
        };
        const waiting = [...outbox(view.id), event];
        keepOutbox(view.id, waiting);
        set({ waiting: waiting.length });
        told(merge(events, [event]));
        void get().send();
      },
      undo: (sock) => {
        const last = lastStep(standing(get().events), sock);
        if (last) {
          get().say("undo", sock, last.row, { of: last.id });
        }
      },
      take: (next) => {
        seq = next.seq;
        keepView(next);
        set({ view: next, tally: next.tally });
        told(merge(next.events, outbox(next.id)));
      },
      send: async () => {
        if (sending) {
          again = true;
          return;
        }
        sending = true;
        const { id } = get().view;
        try {
          do {
            again = false;
            const sent = outbox(id);
            const heard = answered(
              await client.POST("/api/socks/{id}/events", {
                params: { path: { id } },
                body: { events: sent, after: seq },
              }),
            );
            seq = heard.seq;
            const done = new Set(sent.map((e) => e.id));
            const rest = outbox(id).filter((e) => !done.has(e.id));
            keepOutbox(id, rest);
            const events = merge(get().events, heard.events);
            set({
              ...(!heard.deleted && { tally: heard.tally }),
              waiting: rest.length,
              offline: false,
              refusal: heard.deleted ? gone : aside,
            });
            told(events);
            keepView({ ...get().view, events: merge(events), seq, tally: get().tally });
          } while (again);
        } catch (error) {
          // The outbox only grew meanwhile, so its first events are those that were sent.
          const bad = error instanceof Refusal ? refused(error, outbox(id)) : [];
          if (bad.length > 0) {
            // What cannot be written must not hold up the rest.
            const ids = new Set(bad.map((e) => e.id));
            setAside(id, bad);
            keepOutbox(
              id,
              outbox(id).filter((e) => !ids.has(e.id)),
            );
            told(get().events.filter((e) => !ids.has(e.id)));
            aside = `Not written down: ${bad.map((e) => e.text || `${e.kind} at row ${e.row + 1}`).join("; ")}. ${(error as Error).message}`;
            again = true;
          } else if (error instanceof Refusal && error.problem.status < 500) {
            set({ refusal: error.message });
          } else {
            set({ offline: true });
          }
        } finally {
          sending = false;
        }
        if (again) {
          await get().send();
        }
      },
    };
  });
}
