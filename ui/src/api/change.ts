import { type QueryKey, useMutation, useQueryClient } from "@tanstack/react-query";

/** useChange is a change on the server, after which everything that shows these things looks again. */
export function useChange<Q, A>(keys: QueryKey[], change: (question: Q) => Promise<A>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: () => Promise.all(keys.map((queryKey) => queries.invalidateQueries({ queryKey }))),
  });
}
