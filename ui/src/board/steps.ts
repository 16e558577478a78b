import { keepAnswer, keptAnswer } from "../shell/device";
import { type Content, sameContent } from "./content";

/** Steps are what can be undone and redone; they live on the device, so that leaving and coming back costs none. */
export type Steps = { past: Content[]; future: Content[] };

type Kept = Steps & { now: Content };

const name = (id: string) => `steps of sock ${id}`;
/** So many are kept on the device. */
const most = 60;
/** They are kept when nothing was changed for so long, in ms. */
const delay = 300;

/** keptSteps are those of a sock, as long as it is still as they left it. */
export async function keptSteps(id: string): Promise<((now: Content) => Steps) | undefined> {
  const kept = (await keptAnswer(name(id)))?.answer as Kept | undefined;
  return kept && ((now) => (sameContent(kept.now, now) ? kept : { past: [], future: [] }));
}

/** stepKeeper keeps the steps a moment after the last change. */
export function stepKeeper(id: string, newest: () => Kept) {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const write = () => {
    clearTimeout(timer);
    timer = undefined;
    const { past, future, now } = newest();
    void keepAnswer(name(id), { past: past.slice(-most), future: future.slice(-most), now } satisfies Kept);
  };
  return {
    later: () => {
      clearTimeout(timer);
      timer = setTimeout(write, delay);
    },
    /** now keeps what is still waiting. */
    now: () => {
      if (timer !== undefined) {
        write();
      }
    },
  };
}
