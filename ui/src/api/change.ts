import { type QueryKey, useMutation, useQueryClient } from "@tanstack/react-query";

/**
 * useChange is a change on the server, after which everything that shows these
 * things looks again. Changes of the same things are made one after the other.
 */
export function useChange<Q, A>(keys: QueryKey[], change: (question: Q) => Promise<A>) {
  const queries = useQueryClient();
  return useMutation({
    scope: { id: keys.join(" ") },
    mutationFn: change,
    // The change is done when the program has it, not when all that shows it has looked again.
    onSuccess: () => {
      for (const queryKey of keys) {
        void queries.invalidateQueries({ queryKey });
      }
    },
  });
}

/**
 * useAmend changes parts of one thing that is shown, one change after the
 * other, each made on what the one before left: a note and a tick given in one
 * breath are both kept.
 */
export function useAmend<V, P>(own: QueryKey, keys: QueryKey[], save: (now: V, part: P) => Promise<V>) {
  const queries = useQueryClient();
  return useMutation({
    scope: { id: own.join(" ") },
    mutationFn: (partOf: (now: V) => P) => {
      const now = queries.getQueryData<V>(own);
      if (!now) {
        throw new Error("This is not shown any more.");
      }
      return save(now, partOf(now));
    },
    onSuccess: (after) => {
      queries.setQueryData(own, after);
      return Promise.all(keys.map((queryKey) => queries.invalidateQueries({ queryKey })));
    },
    // Somebody may have changed it meanwhile: the next try is made on that.
    onError: () => queries.invalidateQueries({ queryKey: own }),
  });
}
