import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { forgetViews } from "../knit/kept";
import { answered, client } from "./client";

const sessionKey = ["session"] as const;

export function useSession() {
  return useQuery({
    queryKey: sessionKey,
    queryFn: async ({ signal }) => answered(await client.GET("/api/session", { signal })),
  });
}

export function useLogin() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (passphrase: string) =>
      answered(await client.POST("/api/session", { body: { passphrase } })),
    onSuccess: () => queries.invalidateQueries(),
  });
}

export function useLogout() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async () => answered(await client.DELETE("/api/session")),
    onSuccess: () => {
      forgetViews();
      queries.removeQueries({ predicate: (q) => q.queryKey[0] !== sessionKey[0] });
      return queries.invalidateQueries({ queryKey: sessionKey });
    },
  });
}
