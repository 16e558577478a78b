import { type QueryClient, type QueryKey, useMutation, useQueryClient } from "@tanstack/react-query";

/**
 * lookAgain has all that shows these things ask for them again. A first answer
 * that is still under way tells how they were before the change, and would be
 * taken for the new one: it is not waited for.
 */
export async function lookAgain(queries: QueryClient, ...keys: QueryKey[]): Promise<void> {
  await Promise.all(
    keys.map(async (queryKey) => {
      await queries.cancelQueries({ queryKey });
      await queries.invalidateQueries({ queryKey });
    }),
  );
}

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
      void lookAgain(queries, ...keys);
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
      return lookAgain(queries, ...keys);
    },
    // Somebody may have changed it meanwhile: the next try is made on that.
    onError: () => lookAgain(queries, own),
  });
}
