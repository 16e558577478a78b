import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import type { Unit } from "../units/units";
import { answered, client, type Draft } from "./client";

/**
 * planOf asks what a draft comes to. A question that is outdated by the next
 * keystroke is cancelled; until the newest is answered, the figures before it stay.
 */
export function planOf(draft: Draft, unit: Unit) {
  return queryOptions({
    queryKey: ["plan", unit, draft],
    queryFn: async ({ signal }) =>
      answered(await client.POST("/api/plan", { body: { name: "", unit, draft }, signal })),
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
    retry: false,
  });
}

/** compareOf ranks the ways to knit a draft. */
export function compareOf(draft: Draft, unit: Unit) {
  return queryOptions({
    queryKey: ["compare", unit, draft],
    queryFn: async ({ signal }) =>
      answered(await client.POST("/api/compare", { body: { name: "", unit, draft }, signal })),
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
    retry: false,
  });
}
