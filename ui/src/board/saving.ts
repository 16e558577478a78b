import { Refusal, type Sock } from "../api/client";
import { unreachable } from "../api/kept";
import type { SockChange } from "../api/socks";
import type { Unit } from "../units/units";
import { type Content, contentOf, sameContent, withUnits } from "./content";

export type SaveState = "saved" | "unsaved" | "saving" | "refused" | "conflict";

/** Saving is how far a board is saved, as it is shown. */
export type Saving = {
  save: SaveState;
  saveFault: Error | undefined;
  /** The sock as it was kept elsewhere. */
  conflict: Sock | null;
};

/** Said is a content with the unit in which its texts were typed. */
export type Said = { content: Content; unit: Unit };

/**
 * Unsaved is what was changed on a revision and is on this device only; sent is
 * what was sent to the program without an answer. What an older page left has no units.
 */
export type Unsaved = {
  revision: number;
  content: Content;
  unit?: Unit | undefined;
  sent?: Said | undefined;
};

/** leftOf is what was left unsaved of a sock, with its texts as they were typed; undefined when the sock has it. */
export function leftOf(sock: Sock, unit: Unit, unsaved: Unsaved | undefined): Unsaved | undefined {
  if (!unsaved || sameContent(unsaved.content, contentOf(sock))) {
    return undefined;
  }
  const typed = unsaved.unit ?? unit;
  const { content, sent } = unsaved;
  return {
    ...unsaved,
    content: typed === unit ? content : withUnits(content, typed),
    sent: sent && "unit" in sent ? sent : undefined,
  };
}

/** Saved a moment after the last change, in ms. */
const delay = 400;
/** A save that did not come through is tried again after so long, and then after twice as long each time, in ms. */
const firstPause = 1000;
const longestPause = 60_000;

/** Around is what saving has around it. */
export type Around = {
  newest(): Said;
  state(): SaveState;
  show(part: Partial<Saving>): void;
  /** save gives a change to the program, and gives the sock as it is kept. */
  save(change: SockChange): Promise<Sock>;
  /** hold keeps on the device what the program does not have; undefined: it has everything. */
  hold(unsaved: Unsaved | undefined): void;
};

/**
 * saving saves a board a moment after it was changed, one change after the other.
 *
 * Whether the program has what was sent without an answer only the program can
 * say, since it reads texts into figures: so that goes first, as it was, on the
 * revision on which it was made. Kept already, it is no conflict.
 */
export function saving(sock: Sock, left: Unsaved | undefined, around: Around) {
  let kept = { revision: sock.revision, text: JSON.stringify(contentOf(sock)) };
  let sent = left?.sent;
  if (left && left.revision !== sock.revision) {
    kept = { revision: left.revision, text: "" };
    sent ??= { content: left.content, unit: left.unit ?? around.newest().unit };
  }
  let pause = firstPause;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let refused = "";

  const textNow = () => JSON.stringify(around.newest().content);
  /** settled says whether the program has what stands here, and nothing else for all we know. */
  const settled = () => sent === undefined && textNow() === kept.text;
  const hold = () =>
    around.hold(settled() ? undefined : { revision: kept.revision, ...around.newest(), sent });

  const later = () => {
    clearTimeout(timer);
    hold();
    if (around.state() === "conflict" || around.state() === "saving") {
      return; // asked again when that is over
    }
    if (settled()) {
      around.show({ save: "saved" });
    } else if (textNow() !== refused) {
      around.show({ save: "unsaved", saveFault: undefined });
      timer = setTimeout(send, delay);
    }
  };

  const send = async () => {
    clearTimeout(timer);
    const goes = sent ?? around.newest();
    sent = goes;
    around.show({ save: "saving" });
    hold();
    try {
      const saved = await around.save({
        id: sock.id,
        revision: kept.revision,
        unit: goes.unit,
        ...goes.content,
      });
      kept = { revision: saved.revision, text: JSON.stringify(goes.content) };
      sent = undefined;
      refused = "";
      pause = firstPause;
      around.show({ save: "saved", saveFault: undefined });
      later();
    } catch (error) {
      failed(error as Error, goes);
    }
  };

  const failed = (error: Error, goes: Said) => {
    if (!unreachable(error)) {
      sent = undefined; // it was answered: the program does not have it
      hold();
    }
    if (error instanceof Refusal && error.problem.status === 409 && error.problem.current) {
      around.show({ save: "conflict", conflict: error.problem.current });
      return;
    }
    // Where nothing comes through, what was typed since would not either.
    refused = unreachable(error) ? textNow() : JSON.stringify(goes.content);
    around.show({ save: "refused", saveFault: error });
    later(); // what was changed meanwhile goes first
    if (around.state() === "refused" && (unreachable(error) || comesBack(error))) {
      timer = setTimeout(send, pause);
      pause = Math.min(2 * pause, longestPause);
    }
  };

  return {
    /** later keeps on the device what is not saved, and saves it in a moment. */
    later,
    /** hold keeps on the device what is not saved. */
    hold,
    /** now saves what waits. */
    now: () => {
      if (["unsaved", "refused"].includes(around.state())) {
        void send();
      }
    },
    /** settle ends a conflict: what stands here is made on the sock as it was kept elsewhere, or is that sock. */
    settle: (current: Sock, theirs: boolean) => {
      kept = { revision: current.revision, text: theirs ? JSON.stringify(contentOf(current)) : "" };
      around.show({ conflict: null, save: theirs ? "saved" : "unsaved" });
    },
    leave: () => clearTimeout(timer),
  };
}

/** comesBack says whether what stood in the way goes by: a full disk, or a session that ended. */
const comesBack = (error: Error) =>
  error instanceof Refusal && (error.problem.status >= 500 || [401, 408, 429].includes(error.problem.status));
