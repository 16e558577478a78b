import {
  keepPreviousData,
  useInfiniteQuery,
  useMutation,
  useQuery,
  useQueryClient,
} from "@tanstack/react-query";
import type { Unit } from "../units/units";
import { lookAgain, useChange } from "./change";
import { answered, client, type Draft, type FootTaken, type Sock, type SwatchTaken } from "./client";

export const basketKey = ["basket"] as const;
const sockKey = (id: string) => ["socks", id] as const;

/** How many socks are asked for at once. */
export const atOnce = 30;

/** useBasket is the socks whose name or wearer has a text in it, a page after the other. */
export function useBasket(find: string) {
  return useInfiniteQuery({
    queryKey: [...basketKey, find],
    queryFn: async ({ pageParam, signal }) =>
      answered(
        await client.GET("/api/socks", {
          params: { query: { from: pageParam, limit: atOnce, ...(find && { find }) } },
          signal,
        }),
      ),
    initialPageParam: 0,
    getNextPageParam: (last, pages) => {
      const shown = pages.reduce((n, page) => n + page.socks.length, 0);
      return shown < last.all ? shown : undefined;
    },
    placeholderData: keepPreviousData,
    meta: { kept: true },
  });
}

export function useSock(id: string) {
  return useQuery({
    queryKey: sockKey(id),
    queryFn: async ({ signal }) =>
      answered(await client.GET("/api/socks/{id}", { params: { path: { id } }, signal })),
    meta: { kept: true },
  });
}

/** What a sock is called until somebody names it. */
const unnamed = "New sock";

/** useNewSock begins a sock about which nothing is decided. */
export function useNewSock() {
  const add = useAddSock();
  const begin = (unit: Unit, then: (sock: Sock) => void) =>
    add.mutate({ name: unnamed, wearer: "", unit, draft: { design: {}, entries: {} } }, { onSuccess: then });
  return { begin, error: add.error };
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
      return lookAgain(queries, basketKey);
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
      return lookAgain(queries, basketKey);
    },
  });
}

/** useSockAction is one of the actions that need only the sock's id. */
function useSockAction<T>(act: (id: string) => Promise<T>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: act,
    onSettled: () => lookAgain(queries, basketKey, ["socks"]),
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

const variantsKey = (id: string) => ["socks", id, "variants"] as const;

/** useVariants lists the designs that were put aside for a sock. */
export function useVariants(id: string) {
  return useQuery({
    queryKey: variantsKey(id),
    queryFn: async ({ signal }) =>
      answered(await client.GET("/api/socks/{id}/variants", { params: { path: { id } }, signal })).variants,
  });
}

const useVariantChange = <Q, A>(id: string, change: (question: Q) => Promise<A>) =>
  useChange([variantsKey(id)], change);

export const useAddVariant = (id: string) =>
  useVariantChange(id, async (body: { name: string; draft: Draft }) =>
    answered(await client.POST("/api/socks/{id}/variants", { params: { path: { id } }, body })),
  );

export const useDeleteVariant = (id: string) =>
  useVariantChange(id, async (part: string) =>
    answered(await client.DELETE("/api/socks/{id}/variants/{part}", { params: { path: { id, part } } })),
  );

export const useRestoreVariant = (id: string) =>
  useVariantChange(id, async (part: string) =>
    answered(
      await client.POST("/api/socks/{id}/variants/{part}/restore", { params: { path: { id, part } } }),
    ),
  );

/** useProgress is how far a sock on the needles is. */
export function useProgress(id: string, onNeedles: boolean) {
  return useQuery({
    queryKey: ["progress", id],
    queryFn: async ({ signal }) =>
      answered(await client.GET("/api/socks/{id}/progress", { params: { path: { id } }, signal })),
    enabled: onNeedles,
    meta: { kept: true },
  });
}
