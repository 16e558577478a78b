import type { Schemas } from "../api/client";
import type { Event } from "./logbook";

// What this device keeps of a sock on the needles, so that it goes on counting without a connection.

export type KnitView = Schemas["KnitView"];

// Named anew when the shape of what is kept changes: an older one is asked for again.
const shape = 3;
const viewKey = (id: string) => `acorn-step.knit-${shape}.${id}`;
const outboxKey = (id: string) => `acorn-step.outbox.${id}`;

function read<T>(key: string): T | undefined {
  try {
    const text = localStorage.getItem(key);
    return text ? (JSON.parse(text) as T) : undefined;
  } catch {
    return undefined;
  }
}

function write(key: string, value: unknown): boolean {
  try {
    localStorage.setItem(key, JSON.stringify(value));
    return true;
  } catch {
    return false; // the browser's storage is full: the network must do
  }
}

export const keptView = (id: string) => read<KnitView>(viewKey(id));
export const keepView = (view: KnitView) => write(viewKey(view.id), view);
export const outbox = (id: string) => read<Event[]>(outboxKey(id)) ?? [];
export const keepOutbox = (id: string, events: Event[]) => write(outboxKey(id), events);

/** forgetViews takes the socks off this device, when somebody logs out; what was ticked and not sent yet stays. */
export function forgetViews(): void {
  for (const key of Object.keys(localStorage).filter((name) => name.startsWith("acorn-step.knit-"))) {
    localStorage.removeItem(key);
  }
}

const refusedKey = (id: string) => `acorn-step.refused.${id}`;

/** setAside keeps events that the program would not write down, so that the others can go on. */
export const setAside = (id: string, events: Event[]) =>
  write(refusedKey(id), [...(read<Event[]>(refusedKey(id)) ?? []), ...events]);

const random = () =>
  crypto.getRandomValues(new Uint32Array(4)).reduce((text, n) => text + n.toString(36), "");

/** device is this browser's name among the devices of the house. */
export function device(): string {
  const key = "acorn-step.device";
  const name = localStorage.getItem(key) ?? `d-${random().slice(0, 12)}`;
  localStorage.setItem(key, name);
  return name;
}

export const newID = () => `e-${random()}`;
