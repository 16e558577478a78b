import { createContext, useContext } from "react";
import { createStore, type StoreApi, useStore } from "zustand";
import type { Draft, FootTaken, Sock, SwatchTaken } from "../api/client";
import type { DesignField } from "../api/field";
import type { SockChange } from "../api/socks";
import { dropDraft, keepDraft } from "../shell/device";
import type { Unit } from "../units/units";
import { type Asked, asking, unasked } from "./asking";
import {
  type Changed,
  type Content,
  contentOf,
  withChoice,
  withChoices,
  withEntries,
  withFoot,
  withSwatch,
  withUnits,
} from "./content";
import { back, forth, history } from "./history";
import { leftOf, type Saving, saving, type Unsaved } from "./saving";
import { type Steps, stepKeeper } from "./steps";

/** Board is one sock while it is decided. */
export type Board = Asked &
  Saving &
  Steps & {
    id: string;
    unit: Unit;
    content: Content;
    /** The field in which somebody types; its text stays as it is typed. */
    editing: DesignField | null;
    change(part: Partial<Content>, what: string): void;
    type(field: DesignField, text: string): void;
    choose(field: DesignField, value: unknown, what?: string): void;
    chooseAll(changes: Changed): void;
    takeFoot(foot: FootTaken, wearer: string): void;
    takeSwatch(swatch: SwatchTaken, yarn?: { ball_g: number; ball_m: number }): void;
    /** Forgets where foot or swatch came from; the figures stay. */
    letGo(of: "foot" | "swatch"): void;
    edit(field: DesignField | null): void;
    setUnit(unit: Unit): void;
    undo(): void;
    redo(): void;
    ask(): void;
    saveNow(): void;
    keepMine(): void;
    takeTheirs(): void;
    leave(): void;
  };

type Changes = Pick<Board, "change" | "type" | "choose" | "chooseAll" | "takeFoot" | "takeSwatch" | "letGo">;

/** changesOf are the changes that a person makes, each one a step that can be undone. */
const changesOf = (now: () => Content, next: (content: Content, what: string) => void): Changes => {
  const nextDraft = (draft: Draft, what: string) => next({ ...now(), draft }, what);
  return {
    change: (part, what) => next({ ...now(), ...part }, what),
    type: (field, text) =>
      nextDraft(withEntries(now().draft, { ...now().draft.entries, [field]: text }), `type ${field}`),
    choose: (field, value, what) =>
      nextDraft(withChoice(now().draft, field, value), what ?? `${field} ${value}`),
    chooseAll: (changes) => nextDraft(withChoices(now().draft, changes), JSON.stringify(changes)),
    takeFoot: (foot, wearer) => next(withFoot(now(), foot, wearer), `foot ${foot.side}`),
    takeSwatch: (swatch, yarn) => next(withSwatch(now(), swatch, yarn), `swatch ${swatch.swatch_id}`),
    letGo: (of) => {
      const { [of]: _gone, ...rest } = now();
      next(rest as Content, `let go ${of}`);
    },
  };
};

export const draftName = (id: string) => `sock ${id}`;

/**
 * createBoard makes the state of a board; save saves a change and gives the sock
 * as it is kept. What was left unsaved here stands on the board again.
 */
export function createBoard(
  sock: Sock,
  unit: Unit,
  save: (change: SockChange) => Promise<Sock>,
  unsaved?: Unsaved,
  stepsOf?: (now: Content) => Steps,
): StoreApi<Board> {
  const left = leftOf(sock, unit, unsaved);
  const begins = left?.content ?? contentOf(sock);
  const steps = stepsOf?.(begins) ?? { past: left ? [contentOf(sock)] : [], future: [] };
  const name = draftName(sock.id);

  return createStore<Board>((set, get) => {
    const keeper = stepKeeper(sock.id, () => {
      const { past, future, content } = get();
      return { past, future, now: content };
    });
    const saver = saving(sock, left, {
      newest: () => ({ content: get()?.content ?? begins, unit: get()?.unit ?? unit }),
      state: () => get().save,
      show: set,
      save,
      hold: (held) => (held ? keepDraft(name, held) : dropDraft(name)),
    });
    const questions = asking({
      newest: () => ({ draft: get().content.draft, unit: get().unit }),
      shown: get,
      show: set,
      read: (read) => {
        const { content, editing } = get();
        const typing = editing === null ? undefined : content.draft.entries[editing];
        const entries =
          editing !== null && typing !== undefined ? { ...read.entries, [editing]: typing } : read.entries;
        if (JSON.stringify(entries) !== JSON.stringify(content.draft.entries)) {
          const draft = withEntries(read, entries);
          questions.same(draft);
          set({ content: { ...content, draft } });
          keeper.later();
        }
      },
    });
    const put = (part: Steps & { content: Content }) => {
      set(part);
      keeper.later();
      saver.later();
      questions.ask();
    };
    const story = history();
    const next = (content: Content, what: string) =>
      put({ content, ...story.after(get(), get().content, what) });
    const go = (step: typeof back) => {
      const part = step(get(), get().content);
      if (part) {
        story.rest();
        put(part);
      }
    };

    return {
      id: sock.id,
      unit,
      content: begins,
      editing: null,
      ...unasked,
      ...steps,
      save: left ? "unsaved" : "saved",
      saveFault: undefined,
      conflict: null,
      ...changesOf(() => get().content, next),
      edit: (field) => {
        story.rest();
        set({ editing: field });
        questions.take();
      },
      setUnit: (unit) => {
        const { unit: from, content } = get();
        if (unit !== from) {
          set({ unit, content: withUnits(content, from) });
          saver.hold();
          questions.ask();
        }
      },
      undo: () => go(back),
      redo: () => go(forth),
      ask: () => {
        questions.ask();
        saver.later();
      },
      saveNow: saver.now,
      keepMine: () => {
        const { conflict } = get();
        if (conflict) {
          saver.settle(conflict, false);
          saver.later();
        }
      },
      takeTheirs: () => {
        const { conflict } = get();
        if (conflict) {
          saver.settle(conflict, true);
          next(contentOf(conflict), "theirs");
        }
      },
      leave: () => {
        saver.leave();
        questions.leave();
        keeper.now();
        get().saveNow();
      },
    };
  });
}

export const BoardContext = createContext<StoreApi<Board> | null>(null);

/** useBoard is a part of the board that this page shows. */
export function useBoard<T>(part: (board: Board) => T): T {
  const board = useContext(BoardContext);
  if (!board) {
    throw new Error("There is no board around this.");
  }
  return useStore(board, part);
}
