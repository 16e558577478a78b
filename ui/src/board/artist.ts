import { answered, client, type Draft, type Drawing } from "../api/client";
import type { Unit } from "../units/units";

/** A rough drawing is asked for when the hand pauses, a fine one when it rests, in ms. */
const pause = 90;
const rest = 480;

/**
 * artist has a draft drawn whenever it has changed: roughly when the hand
 * pauses, finely when it rests. A drawing that a newer draft overtakes is dropped.
 */
export function artist(drawn: (draft: Draft, drawing: Drawing) => void, failed: (error: Error) => void) {
  let asked: Draft | null = null;
  let stop = new AbortController();
  let timers: ReturnType<typeof setTimeout>[] = [];
  const draw = async (draft: Draft, unit: Unit, rough: boolean) => {
    const { signal } = stop;
    try {
      const drawing = answered(await client.POST("/api/drawing", { body: { unit, draft, rough }, signal }));
      if (!signal.aborted && drawing.shape) {
        drawn(draft, drawing);
      }
    } catch (error) {
      if (!signal.aborted && !rough) {
        asked = null;
        failed(error as Error);
      }
    }
  };
  return {
    /** draw takes up a draft that gives a sock; first: nothing is drawn yet. */
    draw: (draft: Draft, unit: Unit, first: boolean) => {
      if (draft === asked) {
        return;
      }
      asked = draft;
      stop.abort();
      stop = new AbortController();
      timers.forEach(clearTimeout);
      timers = [
        ...(first ? [] : [setTimeout(() => draw(draft, unit, true), pause)]),
        setTimeout(() => draw(draft, unit, false), first ? 0 : rest),
      ];
    },
    leave: () => {
      stop.abort();
      timers.forEach(clearTimeout);
    },
  };
}
