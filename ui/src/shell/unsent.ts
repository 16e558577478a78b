// What this page has not handed to the program yet, under the name of who holds it.

const holders = new Map<string, () => boolean>();

/** holds tells of something that may be unsent; the answer ends it. */
export function holds(name: string, unsent: () => boolean): () => void {
  holders.set(name, unsent);
  return () => holders.delete(name);
}

/** somethingUnsent says whether leaving now would leave something on this device only. */
export const somethingUnsent = () => [...holders.values()].some((unsent) => unsent());

/** letGo forgets who holds something: it was seen to, and leaving asks no more. */
export const letGo = () => holders.clear();

// Leaving with something unsent asks.
window.addEventListener("beforeunload", (event) => {
  if (somethingUnsent()) {
    event.preventDefault();
  }
});
