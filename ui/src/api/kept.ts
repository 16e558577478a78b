import { hashKey, type QueryFunction, type QueryKey, type QueryPersister } from "@tanstack/react-query";
import { createStore, useStore } from "zustand";
import { keepAnswer, keptAnswer } from "../shell/device";
import { Refusal } from "./client";

// Some answers are kept on the device, and stand in for the program while it
// cannot be reached. Since when is said in one place.

/** nameOf is the name under which the answer to a query is kept. */
export const nameOf = (key: QueryKey) => hashKey(key);

/** Since when what is shown is old, in ms since 1970; 0 while the program answers. */
const old = createStore<{ since: number }>(() => ({ since: 0 }));
export const useOldSince = () => useStore(old, (s) => s.since);

/** unreachable says whether an error came from the way to the program, not from the program, nor from whoever no longer asks. */
export const unreachable = (error: unknown) =>
  error instanceof Refusal
    ? error.problem.status >= 500 && !error.problem.detail
    : !(error instanceof DOMException && error.name === "AbortError");

/** orKept asks, and gives what was answered last when nobody answers; for queries that say so in their meta. */
export const orKept: QueryPersister = async (ask, context, query) => {
  const fn = ask as QueryFunction;
  if (!query.meta?.kept) {
    return fn(context);
  }
  try {
    const answer = await fn(context);
    old.setState({ since: 0 });
    void keepAnswer(query.queryHash, answer);
    return answer;
  } catch (error) {
    const kept = unreachable(error) ? await keptAnswer(query.queryHash) : undefined;
    if (!kept) {
      throw error;
    }
    const { since } = old.getState();
    old.setState({ since: since > 0 ? Math.min(since, kept.at) : kept.at });
    return kept.answer;
  }
};
