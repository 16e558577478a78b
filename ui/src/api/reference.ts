import { useMutation, useQuery } from "@tanstack/react-query";
import { answered, client, type Shoe } from "./client";

function useReference() {
  return useQuery({
    queryKey: ["reference"],
    queryFn: async ({ signal }) => answered(await client.GET("/api/reference", { signal })),
    staleTime: Number.POSITIVE_INFINITY,
  });
}

/** usePatterns lists the stitch patterns that can be chosen. */
export function usePatterns() {
  return useReference().data?.patterns ?? [];
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
