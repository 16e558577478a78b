import type { Content } from "./content";
import type { Steps } from "./steps";

/** Changes of one field within this time are one step of undo, in ms. */
const sameStep = 1500;
const most = 300;

/** history says what can be undone after a change; clock gives ms that only grow. */
export function history(clock = () => performance.now()) {
  let step = { what: "", at: 0 };
  return {
    /** after is what can be undone once a content was changed; nothing can be redone then. */
    after: ({ past, future }: Steps, before: Content, what: string): Steps => {
      const now = clock();
      const fresh = what !== step.what || now - step.at > sameStep;
      step = { what, at: now };
      return fresh ? { past: [...past.slice(-most), before], future: [] } : { past, future };
    },
    /** rest ends a step: the next change is one of its own. */
    rest: () => {
      step = { what: "", at: 0 };
    },
  };
}

/** back is one step back from a content, and forth one forward; undefined where there is none. */
export function back({ past, future }: Steps, now: Content): (Steps & { content: Content }) | undefined {
  const content = past.at(-1);
  return content && { content, past: past.slice(0, -1), future: [...future, now] };
}

export function forth({ past, future }: Steps, now: Content): (Steps & { content: Content }) | undefined {
  const content = future.at(-1);
  return content && { content, past: [...past, now], future: future.slice(0, -1) };
}
