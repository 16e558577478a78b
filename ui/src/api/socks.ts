import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import type { Unit } from "../units/units";
import { answered, client, type Draft, type Sock } from "./client";

export const basketKey = ["socks"] as const;
const sockKey = (id: string) => ["socks", id] as const;

export function useBasket() {
  return useQuery({
    queryKey: basketKey,
    queryFn: async ({ signal }) => answered(await client.GET("/api/socks", { signal })).socks,
  });
}

export function useSock(id: string) {
  return useQuery({
    queryKey: sockKey(id),
    queryFn: async ({ signal }) =>
      answered(await client.GET("/api/socks/{id}", { params: { path: { id } }, signal })),
  });
}

export function useAddSock() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (sock: { name: string; wearer: string; unit: Unit; draft: Draft }) =>
      answered(await client.POST("/api/socks", { body: sock })),
    onSuccess: (sock) => {
      queries.setQueryData(sockKey(sock.id), sock);
      return queries.invalidateQueries({ queryKey: basketKey, exact: true });
    },
  });
}

export type SockChange = {
  id: string;
  revision: number;
  name: string;
  wearer: string;
  unit: Unit;
  draft: Draft;
};

export function useSaveSock() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async ({ id, ...body }: SockChange) =>
      answered(await client.PUT("/api/socks/{id}", { params: { path: { id } }, body })),
    onSuccess: (sock: Sock) => {
      queries.setQueryData(sockKey(sock.id), sock);
      return queries.invalidateQueries({ queryKey: basketKey, exact: true });
    },
  });
}

/** useSockAction is one of the actions that need only the sock's id. */
function useSockAction<T>(act: (id: string) => Promise<T>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: act,
    onSettled: () => queries.invalidateQueries({ queryKey: basketKey }),
  });
}

export const useDeleteSock = () =>
  useSockAction(async (id) => {
    answered(await client.DELETE("/api/socks/{id}", { params: { path: { id } } }));
  });

export const useRestoreSock = () =>
  useSockAction(async (id) =>
    answered(await client.POST("/api/socks/{id}/restore", { params: { path: { id } } })),
  );

export const useDuplicateSock = () =>
  useSockAction(async (id) =>
    answered(await client.POST("/api/socks/{id}/duplicate", { params: { path: { id } } })),
  );
