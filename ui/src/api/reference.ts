import { useMutation, useQuery } from "@tanstack/react-query";
import { answered, client, type Schemas, type Shoe } from "./client";
import type { DesignField } from "./field";

function useReference() {
  return useQuery({
    queryKey: ["reference"],
    queryFn: async ({ signal }) => answered(await client.GET("/api/reference", { signal })),
    staleTime: Number.POSITIVE_INFINITY,
    meta: { kept: true },
  });
}

/** usePatterns lists the stitch patterns that can be chosen. */
export function usePatterns() {
  return useReference().data?.patterns ?? [];
}

export type Technique = Schemas["Technique"];

const noTechniques: Technique[] = [];

/** useTechniques lists what can be chosen by name, the usual one of each field first. */
export function useTechniques() {
  return useReference().data?.techniques ?? noTechniques;
}

/** useTechnique is the one that a field of a design names. */
export function useTechnique(field: DesignField | undefined, name: string): Technique | undefined {
  return useTechniques().find((t) => t.field === field && t.name === name);
}

const noFigures: Schemas["Reference"]["usual"] = {};

/** useUsual gives the figures that stand in for what is left empty in a design, by the field. */
export function useUsual(): Record<string, number | undefined> {
  return useReference().data?.usual ?? noFigures;
}

const noTerms: Schemas["WordsTerm"][] = [];

/** useTerms explains the words of the craft. */
export function useTerms() {
  return useReference().data?.terms ?? noTerms;
}

/** useKinds lists what is measured on a foot. */
export function useKinds() {
  return useReference().data?.kinds ?? [];
}

/** useCautions lists what about a person changes the advice. */
export function useCautions() {
  return useReference().data?.cautions ?? [];
}

/** useSheets lists the sizes of paper that are known. */
export function useSheets() {
  return useReference().data?.sheets ?? [];
}

const noMoves: Record<string, string[] | undefined> = {};

/** useMovesOf names the moves that show what can be chosen, or a word of the craft. */
export function useMovesOf(): Record<string, string[] | undefined> {
  return useReference().data?.moves ?? noMoves;
}

/** useGlossary explains the operations by their abbreviation. */
export function useGlossary() {
  const entries = useReference().data?.glossary ?? [];
  return new Map(entries.map((entry) => [entry.op, entry]));
}

/** useFootOfShoe estimates the length of a foot from a shoe size. */
export function useFootOfShoe() {
  return useMutation({
    mutationFn: async (shoe: Shoe) => answered(await client.POST("/api/shoe", { body: shoe })),
  });
}
