import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { type Draft, type PlanAnswer, Refusal, type Sock } from "../api/client";
import { planOf } from "../api/plan";
import { useSaveSock } from "../api/socks";
import { useUnit } from "../units/units";

/** Content is what a person changes about a sock. */
export type Content = { name: string; wearer: string; draft: Draft };

const contentOf = (sock: Sock): Content => ({ name: sock.name, wearer: sock.wearer, draft: sock.draft });

/** Saved a moment after the last keystroke. */
const saveDelay = 400;

export type SaveState = "saved" | "unsaved" | "saving" | "refused" | "conflict";

/** useBoard holds a sock while it is changed: its plan as it is now, and the saving of it. */
export function useBoard(sock: Sock) {
  const unit = useUnit();
  const queries = useQueryClient();
  const [content, setContent] = useState(() => contentOf(sock));
  const [editing, setEditing] = useState<string | null>(null);
  const saving = useSaving(sock, content, unit);

  const plan = useQuery(planOf(content.draft, unit));
  const answer = plan.data;
  const [good, setGood] = useState<PlanAnswer | undefined>();
  if (answer?.shape && answer !== good) {
    setGood(answer);
  }

  // A text that could be read becomes part of the design once its field is left.
  const read = plan.isPlaceholderData ? undefined : answer?.draft;
  useEffect(() => {
    if (!read) {
      return;
    }
    const typing = editing === null ? undefined : content.draft.entries[editing];
    const entries =
      editing === null || typing === undefined ? read.entries : { ...read.entries, [editing]: typing };
    if (!sameEntries(entries, content.draft.entries)) {
      const draft = { ...read, entries };
      queries.setQueryData(planOf(draft, unit).queryKey, answer);
      // A choice made since this answer was asked for must not be undone by it.
      setContent((c) => (c.draft === content.draft ? { ...c, draft } : c));
    }
  }, [read, editing, content.draft, queries, unit, answer]);

  const change = useCallback((part: Partial<Content>) => setContent((c) => ({ ...c, ...part })), []);
  const type = useCallback(
    (field: string, text: string) =>
      setContent((c) => ({ ...c, draft: { ...c.draft, entries: { ...c.draft.entries, [field]: text } } })),
    [],
  );
  /** choose sets a field of the design; null leaves it to be worked out. */
  const choose = useCallback(
    (field: string, value: unknown) =>
      setContent((c) => ({
        ...c,
        draft: { ...c.draft, design: withValue(c.draft.design, field.split("."), value) },
      })),
    [],
  );
  return { content, change, type, choose, editing, setEditing, answer, good, plan, setContent, ...saving };
}

export type Board = ReturnType<typeof useBoard>;

type Tree = Record<string, unknown>;

function withValue(tree: Tree, path: string[], value: unknown): Tree {
  const [name = "", ...rest] = path;
  if (rest.length === 0) {
    return { ...tree, [name]: value };
  }
  return { ...tree, [name]: withValue((tree[name] as Tree | undefined) ?? {}, rest, value) };
}

function sameEntries(a: Draft["entries"], b: Draft["entries"]): boolean {
  const names = Object.keys(a);
  return names.length === Object.keys(b).length && names.every((name) => a[name] === b[name]);
}

/** useSaving saves the content whenever it has changed, one save at a time. */
function useSaving(sock: Sock, content: Content, unit: "cm" | "in") {
  const save = useSaveSock();
  const [base, setBase] = useState({ revision: sock.revision, text: JSON.stringify(contentOf(sock)) });
  const [conflict, setConflict] = useState<Sock | null>(null);
  const [refusal, setRefusal] = useState<{ error: Error; text: string } | null>(null);
  const text = JSON.stringify(content);
  const dirty = text !== base.text;
  const busy = save.isPending;
  const refused = refusal?.text === text;
  const { mutate } = save;

  const send = useCallback(() => {
    mutate(
      { id: sock.id, revision: base.revision, unit, ...content },
      {
        onSuccess: (saved) => {
          setBase({ revision: saved.revision, text });
          setRefusal(null);
        },
        onError: (error) => {
          if (error instanceof Refusal && error.problem.status === 409 && error.problem.current) {
            setConflict(error.problem.current);
          } else {
            setRefusal({ error, text });
          }
        },
      },
    );
  }, [mutate, sock.id, base.revision, unit, content, text]);

  useEffect(() => {
    if (!dirty || busy || conflict || refused) {
      return;
    }
    const timer = setTimeout(send, saveDelay);
    return () => clearTimeout(timer);
  }, [dirty, busy, conflict, refused, send]);

  // Leaving the page saves at once; closing the window asks while something is unsaved.
  const leave = useRef(() => {});
  leave.current = () => {
    if (dirty && !conflict) {
      send();
    }
  };
  useEffect(() => () => leave.current(), []);
  useEffect(() => {
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    if (dirty) {
      window.addEventListener("beforeunload", ask);
    }
    return () => window.removeEventListener("beforeunload", ask);
  }, [dirty]);

  /** keepMine goes on from the revision that is kept, with what stands on this screen. */
  const keepMine = () => {
    if (conflict) {
      setBase({ revision: conflict.revision, text: "" });
      setConflict(null);
    }
  };
  /** settled takes a sock as the one that is kept. */
  const settled = (kept: Sock) => {
    setBase({ revision: kept.revision, text: JSON.stringify(contentOf(kept)) });
    setConflict(null);
  };
  const state: SaveState = conflict
    ? "conflict"
    : refused
      ? "refused"
      : busy
        ? "saving"
        : dirty
          ? "unsaved"
          : "saved";
  return {
    state,
    conflict,
    keepMine,
    settled,
    saveFault: refused ? refusal?.error : undefined,
    saveNow: send,
  };
}
