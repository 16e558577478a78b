import type { Refusal, Schemas } from "./client";

type Event = Schemas["LogbookEvent"];

// The server takes so many events at once, and so many bytes: pictures are large.
const mostEvents = 200;
const mostBytes = 600_000;

/** portionOf is the beginning of a list that fits into one question; at least one. */
export function portionOf(events: Event[]): Event[] {
  let bytes = 0;
  const over = events.findIndex((e, i) => {
    bytes += 300 + (e.picture?.length ?? 0) + 3 * (e.text?.length ?? 0);
    return i > 0 && (i >= mostEvents || bytes > mostBytes);
  });
  return over < 0 ? events : events.slice(0, over);
}

/** refusedBy are the events that an answer names as faulty, such as events[2].text. */
export function refusedBy({ problem }: Refusal, sent: Event[]): Event[] {
  const fields = (problem.errors ?? []).map((fault) => /^events\[(\d+)\]/.exec(fault.field)?.[1]);
  const ids = (problem.refused ?? []).map((r) => r.id);
  return sent.filter((e, i) => fields.includes(`${i}`) || ids.includes(e.id));
}
