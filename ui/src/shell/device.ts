import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import { createStore, useStore } from "zustand";
import type { Schemas } from "../api/client";
import { forget, remember, remembered } from "./remember";

// What this device keeps: ticks until the program has them, drafts until they
// are saved, and what was seen last, for when there is no connection. Nothing
// here fails: where the browser has no room, or forbids it, the page goes on by
// itself and says so.

type Event = Schemas["LogbookEvent"];

/** KeptEvent is one event of a pair of socks; waiting is 1 until the program has written it down. */
export type KeptEvent = { id: string; sock: string; waiting: 0 | 1; event: Event };
export type Aside = { id: string; sock: string; event: Event; reason: string };

interface Shelves extends DBSchema {
  events: { key: string; value: KeptEvent; indexes: { waiting: number; sock: string } };
  aside: { key: string; value: Aside; indexes: { sock: string } };
  drafts: { key: string; value: { name: string; draft: unknown } };
  answers: { key: string; value: { name: string; at: number; answer: unknown }; indexes: { at: number } };
}

/** The shape of what is kept; a new one adds shelves and moves what lies on the old ones. */
const shape = 1;

/** Trouble is why this device keeps nothing: "" while it does. */
export type Trouble = "" | "full" | "forbidden";
const keeping = createStore<{ trouble: Trouble }>(() => ({ trouble: "" }));
export const useKeepingTrouble = (): Trouble => useStore(keeping, (s) => s.trouble);

let opened: Promise<IDBPDatabase<Shelves>> | undefined;

function open(): Promise<IDBPDatabase<Shelves>> {
  const forgetIt = () => {
    opened = undefined;
  };
  opened ??= openDB<Shelves>("acorn-step", shape, {
    upgrade(db) {
      const events = db.createObjectStore("events", { keyPath: "id" });
      events.createIndex("waiting", "waiting");
      events.createIndex("sock", "sock");
      db.createObjectStore("aside", { keyPath: "id" }).createIndex("sock", "sock");
      db.createObjectStore("drafts", { keyPath: "name" });
      db.createObjectStore("answers", { keyPath: "name" }).createIndex("at", "at");
    },
    // Somebody cleared what the browser keeps: it is opened anew, empty.
    terminated: forgetIt,
    blocking: (_from, _to, event) => {
      (event.target as IDBDatabase).close();
      forgetIt();
    },
  });
  opened.catch(forgetIt);
  return opened;
}

const isFull = (error: unknown) => error instanceof DOMException && error.name === "QuotaExceededError";

/** on works on the shelves; what is not possible gives the other value. */
async function on<T>(work: (db: IDBPDatabase<Shelves>) => Promise<T>, otherwise: T): Promise<T> {
  try {
    return await work(await open());
  } catch (error) {
    if (error instanceof DOMException && error.name === "InvalidStateError") {
      opened = undefined; // the connection was closed under our hands
    }
    if (!isFull(error)) {
      keeping.setState({ trouble: "forbidden" });
    }
    return otherwise;
  }
}

/** put keeps what must not be lost: what was only seen makes room for it. False when the device has none. */
async function put(work: (db: IDBPDatabase<Shelves>) => Promise<unknown>): Promise<boolean> {
  try {
    await work(await open());
  } catch (error) {
    if (isFull(error)) {
      await forgetSeen();
    }
    const done = await on(async (db) => {
      await work(db);
      return true;
    }, false);
    if (!done) {
      if (isFull(error)) {
        keeping.setState({ trouble: "full" });
      }
      return false;
    }
  }
  keeping.setState({ trouble: "" });
  return true;
}

/** forgetSeen takes off this device what the program showed; what is not written down or saved yet stays. */
export const forgetSeen = () =>
  on(async (db) => {
    const all = db.transaction(["answers", "events"], "readwrite");
    await all.objectStore("answers").clear();
    let at = await all.objectStore("events").index("waiting").openCursor(0);
    while (at) {
      await at.delete();
      at = await at.continue();
    }
    await all.done;
  }, undefined);

// Events.

export const keepEvents = (events: KeptEvent[]): Promise<boolean> =>
  put(async (db) => {
    const all = db.transaction("events", "readwrite");
    const wrote = events.map((e) => all.store.put(e));
    all.commit(); // at once: a tab that is closed now would not come back to do it
    await Promise.all([...wrote, all.done]);
  });

export const eventsOf = (sock: string): Promise<KeptEvent[]> =>
  on((db) => db.getAllFromIndex("events", "sock", sock), []);

/** dropSeen takes events off that a view holds which is kept by itself. */
export const dropSeen = (sock: string, inView: Event[]) =>
  on(async (db) => {
    const all = db.transaction("events", "readwrite");
    const ids = new Set(inView.map((e) => e.id));
    const kept = await all.store.index("sock").getAll(sock);
    const seen = kept.filter((e) => e.waiting === 0 && ids.has(e.id));
    await Promise.all([...seen.map((e) => all.store.delete(e.id)), all.done]);
  }, undefined);

/** waitingEvents are those of all socks that the program does not have yet. */
export const waitingEvents = (): Promise<KeptEvent[]> =>
  on((db) => db.getAllFromIndex("events", "waiting", 1), []);

/** eventsHere are all that this device has of any sock: not sent yet, heard, and in views that are kept. */
export const eventsHere = (): Promise<KeptEvent[]> =>
  on(async (db) => {
    const all = new Map<string, KeptEvent>();
    for (const { answer } of await db.getAll("answers")) {
      const view = answer as { id?: string; rows?: unknown; events?: Event[] };
      if (view?.id && view.rows && view.events) {
        for (const event of view.events) {
          all.set(event.id, { id: event.id, sock: view.id, waiting: 0, event });
        }
      }
    }
    for (const kept of await db.getAll("events")) {
      all.set(kept.id, kept);
    }
    return [...all.values()];
  }, []);

/** dropEvents takes events off this device. */
export const dropEvents = (ids: string[]) =>
  on(async (db) => {
    const all = db.transaction("events", "readwrite");
    await Promise.all([...ids.map((id) => all.store.delete(id)), all.done]);
  }, undefined);

export const setAside = (events: Aside[]): Promise<boolean> =>
  put(async (db) => {
    const all = db.transaction(["events", "aside"], "readwrite");
    await Promise.all([
      ...events.map((e) => all.objectStore("aside").put(e)),
      ...events.map((e) => all.objectStore("events").delete(e.id)),
      all.done,
    ]);
  });

export const asideOf = (sock: string): Promise<Aside[]> =>
  on((db) => db.getAllFromIndex("aside", "sock", sock), []);

export const dropAside = (sock: string) =>
  on(async (db) => {
    const all = db.transaction("aside", "readwrite");
    const ids = await all.store.index("sock").getAllKeys(sock);
    await Promise.all([...ids.map((id) => all.store.delete(id)), all.done]);
  }, undefined);

// Drafts.

const drafts = new Map<string, unknown>();

/** keepDraft keeps what is typed until it is saved. */
export function keepDraft(name: string, draft: unknown): void {
  drafts.set(name, draft);
  void put((db) => {
    const all = db.transaction("drafts", "readwrite");
    const wrote = all.store.put({ name, draft });
    all.commit(); // at once: a tab that is closed now would not come back to do it
    return Promise.all([wrote, all.done]);
  });
}

export function dropDraft(name: string): void {
  drafts.delete(name);
  void on((db) => db.delete("drafts", name), undefined);
}

export const draftNames = (): Promise<string[]> =>
  on(async (db) => [...new Set([...drafts.keys(), ...(await db.getAllKeys("drafts"))])], [...drafts.keys()]);

export async function keptDraft<T>(name: string): Promise<T | undefined> {
  const here = drafts.get(name) as T | undefined;
  return here ?? ((await on((db) => db.get("drafts", name), undefined))?.draft as T | undefined);
}

// What was seen last.

const mostAnswers = 120;

export const keepAnswer = (name: string, answer: unknown) =>
  on(async (db) => {
    const all = db.transaction("answers", "readwrite");
    await all.store.put({ name, at: Date.now(), answer });
    let over = (await all.store.count()) - mostAnswers;
    let oldest = over > 0 ? await all.store.index("at").openCursor() : null;
    while (oldest && over-- > 0) {
      await oldest.delete();
      oldest = await oldest.continue();
    }
    await all.done;
  }, undefined);

export const keptAnswer = (name: string) => on((db) => db.get("answers", name), undefined);

// Names.

const random = () =>
  crypto.getRandomValues(new Uint32Array(4)).reduce((text, n) => text + n.toString(36), "");

/** deviceName is this browser's name among the devices of the house. */
export function deviceName(): string {
  const key = "acorn-step.device";
  const name = remembered(key) ?? `d-${random().slice(0, 12)}`;
  remember(key, name);
  return name;
}

export const newID = () => `e-${random()}`;

/** moveOutboxes takes over what an older version of the page kept for the program. */
export async function moveOutboxes(): Promise<void> {
  const begins = "acorn-step.outbox.";
  let names: string[] = [];
  try {
    names = Object.keys(localStorage);
  } catch {
    return; // forbidden: then nothing was kept either
  }
  for (const name of names) {
    if (name.startsWith(begins)) {
      const sock = name.slice(begins.length);
      const events = JSON.parse(remembered(name) ?? "[]") as Event[];
      if (await keepEvents(events.map((event) => ({ id: event.id, sock, waiting: 1, event })))) {
        forget(name);
      }
    } else if (/^acorn-step\.knit-\d/.test(name)) {
      forget(name); // a view of before: it is asked for again
    }
  }
}
