import { createContext, useContext } from "react";
import { createStore, type StoreApi, useStore } from "zustand";
import {
  type Draft,
  type Drawing,
  type FootTaken,
  type PlanAnswer,
  Refusal,
  type Sock,
  type SwatchTaken,
} from "../api/client";
import { unreachable } from "../api/kept";
import type { SockChange } from "../api/socks";
import { dropDraft, keepDraft } from "../shell/device";
import type { Unit } from "../units/units";
import { artist } from "./artist";
import {
  type Content,
  contentOf,
  sameContent,
  withChoice,
  withChoices,
  withFoot,
  withSwatch,
  withUnits,
} from "./content";
import { planner } from "./planner";
import { type Steps, stepKeeper } from "./steps";

export type SaveState = "saved" | "unsaved" | "saving" | "refused" | "conflict";

/** Board is one sock while it is decided. */
export type Board = {
  id: string;
  unit: Unit;
  content: Content;
  /** The field in which somebody types; its text stays as it is typed. */
  editing: string | null;
  /** What the newest answered draft comes to, and the last that gave a sock. */
  answer: PlanAnswer | undefined;
  good: PlanAnswer | undefined;
  /** The last drawing: of that sock, or of the one before it until its own is there. */
  drawing: Drawing | undefined;
  /** The same, once the hands rest: what stands beside the drawing follows a moment later. */
  calm: { answer: PlanAnswer | undefined; good: PlanAnswer | undefined };
  failure: Error | undefined;
  past: Content[];
  future: Content[];
  save: SaveState;
  saveFault: Error | undefined;
  /** The sock as it was kept elsewhere. */
  conflict: Sock | null;
  change(part: Partial<Content>, what: string): void;
  type(field: string, text: string): void;
  choose(field: string, value: unknown, what?: string): void;
  chooseAll(changes: Record<string, unknown>): void;
  takeFoot(foot: FootTaken, wearer: string): void;
  takeSwatch(swatch: SwatchTaken, yarn?: { ball_g: number; ball_m: number }): void;
  /** Forgets where foot or swatch came from; the figures stay. */
  letGo(of: "foot" | "swatch"): void;
  edit(field: string | null): void;
  setUnit(unit: Unit): void;
  undo(): void;
  redo(): void;
  ask(): void;
  saveNow(): void;
  keepMine(): void;
  takeTheirs(): void;
  leave(): void;
};

/** Changes of one field within this time are one step of undo. */
const sameStep = 1500;
const mostSteps = 300;
/** Hands rest when nothing was answered for so long, in ms. */
const restDelay = 220;
/** Saved a moment after the last change. */
const saveDelay = 400;

/** A save that did not come through is tried again after so long, and then after twice as long each time, in ms. */
const firstPause = 1000;
const longestPause = 60_000;

/** Unsaved is what was changed on a revision and is on this device only; sent is what was saved without an answer. */
export type Unsaved = { revision: number; content: Content; sent?: Content | undefined };

export const draftName = (id: string) => `sock ${id}`;

/**
 * createBoard makes the state of a board; keep saves a change and gives the sock
 * as it is kept. What was left unsaved here stands on the board again.
 */
export function createBoard(
  sock: Sock,
  unit: Unit,
  keep: (change: SockChange) => Promise<Sock>,
  unsaved?: Unsaved,
  stepsOf?: (now: Content) => Steps,
): StoreApi<Board> {
  let kept = { revision: sock.revision, text: JSON.stringify(contentOf(sock)) };
  const left = unsaved && !sameContent(unsaved.content, contentOf(sock)) ? unsaved : undefined;
  /** What was sent and not answered: the program may have it all the same. */
  let sent = left?.sent;
  const ours = sent !== undefined && sameContent(contentOf(sock), sent);
  const stale = left !== undefined && left.revision !== sock.revision && !ours;
  let pause = firstPause;
  let step = { what: "", at: 0 };
  let timer: ReturnType<typeof setTimeout> | undefined;
  let resting: ReturnType<typeof setTimeout> | undefined;
  let refused = "";
  /** The draft that the newest answer belongs to. */
  let answered: Draft | null = null;

  const begins = left?.content ?? contentOf(sock);
  const steps = stepsOf?.(begins) ?? { past: left ? [contentOf(sock)] : [], future: [] };

  return createStore<Board>((set, get) => {
    const keeper = stepKeeper(sock.id, () => {
      const { past, future, content } = get();
      return { past, future, now: content };
    });
    const plans = planner(
      () => ({ draft: get().content.draft, unit: get().unit }),
      (draft, answer) => {
        answered = draft;
        set({ answer, failure: undefined, ...(answer.fit && { good: answer }) });
        if (answer.fit) {
          drawings.draw(draft, get().unit, get().drawing === undefined);
        }
        const rest = () => set((b) => ({ calm: { answer: b.answer, good: b.good } }));
        clearTimeout(resting);
        if (get().calm.answer) {
          resting = setTimeout(rest, restDelay);
        } else {
          rest();
        }
        if (draft === get().content.draft) {
          fold(answer.draft);
        }
      },
      (failure) => set({ failure }),
    );

    const drawings = artist(
      // A rough one does not say where it pulls: what was said stays until the fine one is there.
      (_, drawing) => set((b) => ({ drawing: drawing.pull ? drawing : { ...b.drawing, ...drawing } })),
      (failure) => set({ failure }),
    );

    /** fold takes texts that could be read into the design once their field is left. */
    const fold = (read: Draft) => {
      const { content, editing } = get();
      const typing = editing === null ? undefined : content.draft.entries[editing];
      const entries =
        editing !== null && typing !== undefined ? { ...read.entries, [editing]: typing } : read.entries;
      if (JSON.stringify(entries) !== JSON.stringify(content.draft.entries)) {
        const draft = { ...read, entries };
        plans.same(draft);
        answered = draft;
        set({ content: { ...content, draft } });
        keeper.later();
      }
    };

    const put = (content: Content) => {
      set({ content });
      keeper.later();
      keepHere();
      plans.ask();
      later();
    };

    /** keepHere keeps on the device what the program does not have yet, with the revision it was made on. */
    const keepHere = () => {
      const { content, id } = get();
      if (JSON.stringify(content) === kept.text) {
        dropDraft(draftName(id));
      } else {
        keepDraft(draftName(id), { revision: kept.revision, content, sent } satisfies Unsaved);
      }
    };

    /** next makes a change that can be undone. */
    const next = (content: Content, what: string) => {
      const now = performance.now();
      const { content: before, past } = get();
      if (what !== step.what || now - step.at > sameStep) {
        set({ past: [...past.slice(-mostSteps), before], future: [] });
      }
      step = { what, at: now };
      put(content);
    };

    const later = () => {
      clearTimeout(timer);
      const { save, content } = get();
      const text = JSON.stringify(content);
      if (save === "conflict" || save === "saving") {
        return; // asked again when that is over
      }
      if (text === kept.text) {
        set({ save: "saved" });
      } else if (text !== refused) {
        set({ save: "unsaved", saveFault: undefined });
        timer = setTimeout(send, saveDelay);
      }
    };

    const send = async () => {
      clearTimeout(timer);
      const { content, id } = get();
      const text = JSON.stringify(content);
      set({ save: "saving" });
      const before = sent;
      try {
        sent = content;
        keepHere();
        const saved = await keep({ id, revision: kept.revision, unit: get().unit, ...content });
        kept = { revision: saved.revision, text };
        sent = undefined;
        refused = "";
        pause = firstPause;
        set({ save: "saved", saveFault: undefined });
        keepHere();
        later();
      } catch (error) {
        if (error instanceof Refusal && error.problem.status === 409 && error.problem.current) {
          const { current } = error.problem;
          const mine = [content, before].find((c) => c && sameContent(contentOf(current), c));
          if (mine) {
            // It was saved, and only the answer was lost.
            kept = { revision: current.revision, text: JSON.stringify(mine) };
            sent = undefined;
            set({ save: "unsaved" });
            keepHere();
            later();
            return;
          }
          set({ save: "conflict", conflict: error.problem.current });
          return;
        }
        refused = text;
        set({ save: "refused", saveFault: error as Error });
        later(); // what was changed meanwhile goes first
        if (get().save === "refused" && (unreachable(error) || comesBack(error))) {
          retry();
        }
      }
    };

    /** retry tries a save again that nothing was wrong with. */
    const retry = () => {
      clearTimeout(timer);
      timer = setTimeout(send, pause);
      pause = Math.min(2 * pause, longestPause);
    };

    return {
      id: sock.id,
      unit,
      content: begins,
      editing: null,
      answer: undefined,
      good: undefined,
      drawing: undefined,
      calm: { answer: undefined, good: undefined },
      failure: undefined,
      past: steps.past,
      future: steps.future,
      save: stale ? "conflict" : left ? "unsaved" : "saved",
      saveFault: undefined,
      conflict: stale ? sock : null,
      change: (part, what) => next({ ...get().content, ...part }, what),
      type: (field, text) => {
        const { content } = get();
        const entries = { ...content.draft.entries, [field]: text };
        next({ ...content, draft: { ...content.draft, entries } }, `type ${field}`);
      },
      choose: (field, value, what) => {
        const { content } = get();
        next({ ...content, draft: withChoice(content.draft, field, value) }, what ?? `${field} ${value}`);
      },
      chooseAll: (changes) => {
        const { content } = get();
        next({ ...content, draft: withChoices(content.draft, changes) }, JSON.stringify(changes));
      },
      takeFoot: (foot, wearer) => next(withFoot(get().content, foot, wearer), `foot ${foot.side}`),
      takeSwatch: (swatch, yarn) =>
        next(withSwatch(get().content, swatch, yarn), `swatch ${swatch.swatch_id}`),
      letGo: (of) => {
        const { [of]: _gone, ...rest } = get().content;
        next(rest as Content, `let go ${of}`);
      },
      edit: (field) => {
        step = { what: "", at: 0 };
        const { answer, content } = get();
        set({ editing: field });
        if (answer && answered === content.draft) {
          fold(answer.draft);
        }
      },
      setUnit: (unit) => {
        const { unit: from, content } = get();
        if (unit !== from) {
          set({ unit, content: withUnits(content, from) });
          plans.ask();
        }
      },
      undo: () => {
        const { past, future, content } = get();
        const before = past.at(-1);
        if (before) {
          step = { what: "", at: 0 };
          set({ past: past.slice(0, -1), future: [...future, content] });
          put(before);
        }
      },
      redo: () => {
        const { past, future, content } = get();
        const after = future.at(-1);
        if (after) {
          step = { what: "", at: 0 };
          set({ future: future.slice(0, -1), past: [...past, content] });
          put(after);
        }
      },
      ask: () => {
        plans.ask();
        later();
      },
      saveNow: () => {
        if (["unsaved", "refused"].includes(get().save)) {
          void send();
        }
      },
      keepMine: () => {
        const { conflict } = get();
        if (conflict) {
          kept = { revision: conflict.revision, text: "" };
          set({ conflict: null, save: "unsaved" });
          keepHere();
          later();
        }
      },
      takeTheirs: () => {
        const { conflict } = get();
        if (conflict) {
          kept = { revision: conflict.revision, text: JSON.stringify(contentOf(conflict)) };
          set({ conflict: null, save: "saved" });
          next(contentOf(conflict), "theirs");
        }
      },
      leave: () => {
        clearTimeout(timer);
        drawings.leave();
        keeper.now();
        get().saveNow();
      },
    };
  });
}

/** comesBack says whether what stood in the way goes by: a full disk, or a session that ended. */
const comesBack = (error: unknown) =>
  error instanceof Refusal && (error.problem.status >= 500 || [401, 408, 429].includes(error.problem.status));

export const BoardContext = createContext<StoreApi<Board> | null>(null);

/** useBoard is a part of the board that this page shows. */
export function useBoard<T>(part: (board: Board) => T): T {
  const board = useContext(BoardContext);
  if (!board) {
    throw new Error("There is no board around this.");
  }
  return useStore(board, part);
}
