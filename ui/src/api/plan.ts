import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import type { Unit } from "../units/units";
import { answered, client, type Draft, type Schemas } from "./client";

// What is asked about a draft. An answer to a draft never changes, so it is
// never asked for twice; the figures before it stay until it is there.

const forGood = {
  placeholderData: keepPreviousData,
  staleTime: Number.POSITIVE_INFINITY,
  gcTime: 60_000,
  retry: false,
} as const;

/** planOf is everything that a draft comes to, rows and words included. */
export function planOf(draft: Draft, unit: Unit) {
  return queryOptions({
    queryKey: ["plan", unit, draft],
    queryFn: async ({ signal }) =>
      answered(await client.POST("/api/plan", { body: { name: "", unit, draft }, signal })),
    ...forGood,
    meta: { kept: true },
  });
}

/** drawingOf is the sock of a draft on its foot; a rough one is there sooner. */
export function drawingOf(draft: Draft, unit: Unit, rough = false) {
  return queryOptions({
    queryKey: ["drawing", unit, rough, draft],
    queryFn: async ({ signal }) =>
      answered(await client.POST("/api/drawing", { body: { unit, draft, rough }, signal })),
    ...forGood,
  });
}

/** doubtedOf is the sock of a draft as the same rows come out when something was not quite right. */
export function doubtedOf(draft: Draft, unit: Unit, doubt: Doubt) {
  return queryOptions({
    queryKey: ["doubted", unit, doubt, draft],
    queryFn: async ({ signal }) =>
      answered(await client.POST("/api/drawing", { body: { unit, draft, doubt }, signal })),
    ...forGood,
  });
}

/** spaceOf is the sock of a draft as a surface that can be turned. */
export function spaceOf(draft: Draft, unit: Unit) {
  return queryOptions({
    queryKey: ["space", unit, draft],
    queryFn: async ({ signal }) =>
      answered(await client.POST("/api/space", { body: { unit, draft }, signal })).space ?? null,
    ...forGood,
  });
}

/** briefOf is what stands beside the drawing of a draft. */
export function briefOf(draft: Draft, unit: Unit) {
  return queryOptions({
    queryKey: ["brief", unit, draft],
    queryFn: async ({ signal }) =>
      answered(await client.POST("/api/plan", { body: { name: "", unit, draft, brief: true }, signal })),
    ...forGood,
    meta: { kept: true },
  });
}

export type Wish = "fit" | "yarn" | "counting" | "known";

/** waysOf ranks the ways to knit a draft by what matters. */
export function waysOf(draft: Draft, unit: Unit, by: Wish, known: string[]) {
  return queryOptions({
    queryKey: ["ways", unit, draft, by, known],
    queryFn: async ({ signal }) =>
      answered(await client.POST("/api/ways", { body: { unit, draft, by, known }, signal })),
    ...forGood,
  });
}

/** optionsOf is every decision about a draft, with what each way does; of a sock on the needles also what its knitted rows lock. */
export function optionsOf(draft: Draft, unit: Unit, onNeedles?: string) {
  return queryOptions({
    queryKey: ["options", unit, draft, onNeedles],
    queryFn: async ({ signal }) =>
      answered(
        await client.POST("/api/options", {
          body: { unit, draft, ...(onNeedles && { sock_id: onNeedles }) },
          signal,
        }),
      ).choices,
    ...forGood,
    // What is knitted meanwhile locks more of it.
    ...(onNeedles && { staleTime: 0 }),
  });
}

/** workingOf is the arithmetic of every number. */
export function workingOf(draft: Draft, unit: Unit) {
  return queryOptions({
    queryKey: ["working", unit, draft],
    queryFn: async ({ signal }) =>
      answered(await client.POST("/api/working", { body: { unit, draft }, signal })).lines,
    ...forGood,
  });
}

export type Doubt = Schemas["WhatifDoubt"];

/** whatIfOf is what a doubt would change. */
export function whatIfOf(draft: Draft, unit: Unit, doubt: Doubt) {
  return queryOptions({
    queryKey: ["what-if", unit, draft, doubt],
    queryFn: async ({ signal }) =>
      answered(await client.POST("/api/whatif", { body: { unit, draft, doubt }, signal })).figures,
    ...forGood,
  });
}

/** pairOf is both socks of the pair. */
export function pairOf(draft: Draft, unit: Unit) {
  return queryOptions({
    queryKey: ["pair", unit, draft],
    queryFn: async ({ signal }) =>
      answered(await client.POST("/api/pair", { body: { unit, draft }, signal })),
    ...forGood,
    staleTime: 0,
  });
}
