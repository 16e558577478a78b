import { useMutation, useQuery } from "@tanstack/react-query";
import type { Unit } from "../units/units";
import { useAmend, useChange } from "./change";
import { type Asked, answered, client, type Schemas } from "./client";

export type SwatchView = Schemas["SwatchView"];
export type Counted = Schemas["SwatchCounted"];
export type Form = Asked<"/api/swatches/{id}", "put">["form"];
export type Book = Schemas["Book"];

const key = ["book"] as const;

/** useBook is the swatch book with its yarns and needles. */
export function useBook() {
  return useQuery({
    queryKey: key,
    queryFn: async ({ signal }) => answered(await client.GET("/api/book", { signal })),
  });
}

export function useSwatch(id: string) {
  return useQuery({
    queryKey: [...key, id],
    queryFn: async ({ signal }) =>
      answered(await client.GET("/api/swatches/{id}", { params: { path: { id } }, signal })),
  });
}

/** useBookChange is a change after which everything that shows it, or socks, looks again. */
const useBookChange = <Q, A>(change: (question: Q) => Promise<A>) => useChange([key, ["socks"]], change);

export const useAddYarn = () =>
  useBookChange(async (body: Asked<"/api/yarns", "post">) =>
    answered(await client.POST("/api/yarns", { body })),
  );

export const useAddNeedle = () =>
  useBookChange(async (body: Asked<"/api/needles", "post">) =>
    answered(await client.POST("/api/needles", { body })),
  );

export const useAddSwatch = () =>
  useBookChange(async (body: Asked<"/api/swatches", "post">) =>
    answered(await client.POST("/api/swatches", { body })),
  );

export const useAmendSwatch = (id: string) =>
  useAmend(
    [...key, id],
    [key, ["socks"]],
    async ({ swatch }: SwatchView, part: Partial<Asked<"/api/swatches/{id}", "put">>) => {
      const { revision, yarn_id, needle_id, form, washed, note } = swatch;
      const body = { revision, yarn_id, needle_id, form: form as Form, washed, note, ...part };
      return answered(await client.PUT("/api/swatches/{id}", { params: { path: { id } }, body }));
    },
  );

export const useDeleteSwatch = () =>
  useBookChange(async (id: string) =>
    answered(await client.DELETE("/api/swatches/{id}", { params: { path: { id } } })),
  );

export const useRestoreSwatch = () =>
  useBookChange(async (id: string) =>
    answered(await client.POST("/api/swatches/{id}/restore", { params: { path: { id } } })),
  );

export const useDeleteYarn = () =>
  useBookChange(async (id: string) =>
    answered(await client.DELETE("/api/yarns/{id}", { params: { path: { id } } })),
  );

export const useRestoreYarn = () =>
  useBookChange(async (id: string) =>
    answered(await client.POST("/api/yarns/{id}/restore", { params: { path: { id } } })),
  );

export const useDeleteNeedle = () =>
  useBookChange(async (id: string) =>
    answered(await client.DELETE("/api/needles/{id}", { params: { path: { id } } })),
  );

export const useRestoreNeedle = () =>
  useBookChange(async (id: string) =>
    answered(await client.POST("/api/needles/{id}/restore", { params: { path: { id } } })),
  );

export const useAddReading = (id: string) =>
  useBookChange(async (body: Asked<"/api/swatches/{id}/readings", "post">) =>
    answered(await client.POST("/api/swatches/{id}/readings", { params: { path: { id } }, body })),
  );

export const useDeleteReading = (id: string) =>
  useBookChange(async (part: string) =>
    answered(await client.DELETE("/api/swatches/{id}/readings/{part}", { params: { path: { id, part } } })),
  );

export const useRestoreReading = (id: string) =>
  useBookChange(async (part: string) =>
    answered(
      await client.POST("/api/swatches/{id}/readings/{part}/restore", { params: { path: { id, part } } }),
    ),
  );

/** useAim reckons which needle would give a gauge with the yarn of this swatch. */
export function useAim(id: string) {
  return useMutation({
    mutationFn: async (question: { stitches: string; unit: Unit }) =>
      answered(await client.POST("/api/swatches/{id}/aim", { params: { path: { id } }, body: question })),
  });
}
