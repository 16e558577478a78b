import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import type { Unit } from "../units/units";
import { useChange } from "./change";
import { answered, client, type Draft, type FootTaken, type Sock, type SwatchTaken } from "./client";

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
    mutationFn: async (sock: {
      name: string;
      wearer: string;
      unit: Unit;
      draft: Draft;
      notes?: string;
      foot?: FootTaken;
      swatch?: SwatchTaken;
    }) => answered(await client.POST("/api/socks", { body: sock })),
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
  notes?: string;
  foot?: FootTaken;
  swatch?: SwatchTaken;
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

const versionsKey = (id: string) => ["socks", id, "versions"] as const;

/** useVersions lists the designs that were put aside for a sock. */
export function useVersions(id: string) {
  return useQuery({
    queryKey: versionsKey(id),
    queryFn: async ({ signal }) =>
      answered(await client.GET("/api/socks/{id}/versions", { params: { path: { id } }, signal })).versions,
  });
}

const useVersionChange = <Q, A>(id: string, change: (question: Q) => Promise<A>) =>
  useChange([versionsKey(id)], change);

export const useAddVersion = (id: string) =>
  useVersionChange(id, async (body: { name: string; draft: Draft }) =>
    answered(await client.POST("/api/socks/{id}/versions", { params: { path: { id } }, body })),
  );

export const useDeleteVersion = (id: string) =>
  useVersionChange(id, async (part: string) =>
    answered(await client.DELETE("/api/socks/{id}/versions/{part}", { params: { path: { id, part } } })),
  );

export const useRestoreVersion = (id: string) =>
  useVersionChange(id, async (part: string) =>
    answered(
      await client.POST("/api/socks/{id}/versions/{part}/restore", { params: { path: { id, part } } }),
    ),
  );

/** useProgress is how far a sock on the needles is. */
export function useProgress(id: string, onNeedles: boolean) {
  return useQuery({
    queryKey: ["progress", id],
    queryFn: async ({ signal }) =>
      answered(await client.GET("/api/socks/{id}/progress", { params: { path: { id } }, signal })),
    enabled: onNeedles,
  });
}
