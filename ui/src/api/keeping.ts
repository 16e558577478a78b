import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { lookAgain, useChange } from "./change";
import { answered, client, type Problem, Refusal, type Schemas } from "./client";

export type CopyStatus = Schemas["CopyStatus"];
export type RestoreView = Schemas["RestoreView"];
export type Contents = Schemas["Contents"];
export type Thing = Schemas["Discarded"];
export type Visit = Schemas["VisitView"];

const copiesKey = ["copies"] as const;
const binKey = ["bin"] as const;
const visitsKey = ["visits"] as const;

/** useCopies is what there is to go back to. */
export function useCopies() {
  return useQuery({
    queryKey: copiesKey,
    queryFn: async ({ signal }) => answered(await client.GET("/api/copies", { signal })),
  });
}

/** useLookAtCopy says what would change when a copy was put in place: one of the program's, or a file of this device. */
export function useLookAtCopy() {
  return useMutation({
    mutationFn: async (copy: string | File) => {
      if (typeof copy === "string") {
        return answered(await client.POST("/api/copies/{id}/look", { params: { path: { id: copy } } }));
      }
      const answer = await fetch("/api/copies/upload", { method: "POST", body: copy });
      const said = await answer.json();
      if (!answer.ok) {
        throw new Refusal(said as Problem);
      }
      return said as RestoreView;
    },
  });
}

/** useRestore puts a copy in place; the page begins anew with what is there then. */
export function useRestore() {
  return useMutation({
    mutationFn: async (id: string) =>
      answered(await client.POST("/api/copies/{id}/restore", { params: { path: { id } } })),
    onSuccess: () => location.assign("/"),
  });
}

export function useBin() {
  return useQuery({
    queryKey: binKey,
    queryFn: async ({ signal }) => answered(await client.GET("/api/bin", { signal })).things,
  });
}

const pathOf = ({ kind, id }: Thing) => ({ params: { path: { id: kind, part: id } } });

export function useBringBack() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (thing: Thing) =>
      answered(await client.POST("/api/bin/{id}/{part}/restore", pathOf(thing))),
    onSuccess: () => lookAgain(queries, []), // it is shown again wherever it was
  });
}

export const useRemoveForEver = () =>
  useChange([binKey], async (thing: Thing) =>
    answered(await client.DELETE("/api/bin/{id}/{part}", pathOf(thing))),
  );

export function useVisits() {
  return useQuery({
    queryKey: visitsKey,
    queryFn: async ({ signal }) => answered(await client.GET("/api/visits", { signal })).visits,
  });
}

export const useEndVisit = () =>
  useChange([visitsKey], async (id: string) =>
    answered(await client.DELETE("/api/visits/{id}", { params: { path: { id } } })),
  );
