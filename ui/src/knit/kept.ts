import type { Schemas } from "../api/client";
import { nameOf } from "../api/kept";
import {
  type Aside,
  asideOf,
  dropAside,
  dropSeen,
  eventsOf,
  keepAnswer,
  keepEvents,
  moveOutboxes,
  setAside,
} from "../shell/device";
import type { Event } from "./logbook";

// What this device keeps of a pair of socks on the needles, so that it goes on
// counting without a connection, and what its pages tell each other.

export type KnitView = Schemas["KnitView"];

/** OnDevice is what lies here of a pair: not sent yet, seen since the view was kept, and refused. */
export type OnDevice = { waiting: Event[]; seen: Event[]; aside: Aside[] };

export const knitKey = (id: string) => ["knit", id] as const;

const channelOf = (id: string) =>
  "BroadcastChannel" in window ? new BroadcastChannel(`acorn-step.${id}`) : undefined;

export async function onDevice(id: string): Promise<OnDevice> {
  await moveOutboxes();
  const [events, aside] = await Promise.all([eventsOf(id), asideOf(id)]);
  const of = (waiting: number) => events.filter((e) => e.waiting === waiting).map((e) => e.event);
  return { waiting: of(1), seen: of(0), aside };
}

/** shelfOf is the place of one pair among what is kept. */
export function shelfOf(sock: string) {
  const channel = channelOf(sock);
  const keep = (events: Event[], waiting: 0 | 1) =>
    void keepEvents(events.map((event) => ({ id: event.id, sock, waiting, event })));
  return {
    onDevice: () => onDevice(sock),
    keepWaiting: (events: Event[]) => keep(events, 1),
    keepSeen: (events: Event[]) => events.length > 0 && keep(events, 0),
    keepView: (view: KnitView) =>
      void keepAnswer(nameOf(knitKey(sock)), view).then(() => dropSeen(sock, view.events)),
    setAside: (events: Event[], reasonOf: (e: Event) => string): Aside[] => {
      const aside = events.map((event) => ({ id: event.id, sock, event, reason: reasonOf(event) }));
      if (aside.length > 0) {
        void setAside(aside);
      }
      return aside;
    },
    /** dropAside is done when nothing that was set aside lies here any more. */
    dropAside: () => dropAside(sock),
    /** tell lets the other pages of this browser know. */
    tell: (events: Event[]) => channel?.postMessage(events),
    /** hear calls back with what other pages tell; the answer ends it. */
    hear: (heard: (events: Event[]) => void) => {
      const listener = ({ data }: MessageEvent<Event[]>) => heard(data);
      channel?.addEventListener("message", listener);
      return () => channel?.removeEventListener("message", listener);
    },
  };
}
