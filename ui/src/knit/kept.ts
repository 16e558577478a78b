import type { Schemas } from "../api/client";
import type { Event } from "./logbook";

// What this device keeps of a sock on the needles, so that it goes on counting without a connection.

export type KnitView = Schemas["KnitView"];

// Named anew when the shape of what is kept changes: an older one is asked for again.
const viewKey = (id: string) => `acorn-step.knit-2.${id}`;
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
