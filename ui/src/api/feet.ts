import { useQuery } from "@tanstack/react-query";
import type { Unit } from "../units/units";
import { useAmend, useChange } from "./change";
import { type Asked, answered, client, type Schemas } from "./client";

export type WearerView = Schemas["WearerView"];
export type FootView = Schemas["FootView"];
export type Measurement = Schemas["FeetMeasurement"];
export type Marks = Schemas["TracingMarks"];
export type Side = "left" | "right";

const key = ["feet"] as const;

export function useWearers() {
  return useQuery({
    queryKey: key,
    queryFn: async ({ signal }) => answered(await client.GET("/api/feet", { signal })).wearers,
  });
}

export function useWearer(id: string) {
  return useQuery({
    queryKey: [...key, id],
    queryFn: async ({ signal }) =>
      answered(await client.GET("/api/feet/{id}", { params: { path: { id } }, signal })),
    enabled: id !== "",
  });
}

/** useFeetChange is a change after which everything that shows it, or socks, looks again. */
const useFeetChange = <Q, A>(change: (question: Q) => Promise<A>) => useChange([key, ["socks"]], change);

export const useAddWearer = () =>
  useFeetChange(async (body: Schemas["NewWearer"]) => answered(await client.POST("/api/feet", { body })));

export const useAmendWearer = (id: string) =>
  useAmend(
    [...key, id],
    [key, ["socks"]],
    async ({ wearer }: WearerView, part: Partial<Asked<"/api/feet/{id}", "put">>) => {
      const { revision, name, cautions, note } = wearer;
      const body = { revision, name, cautions, note, ...part };
      return answered(await client.PUT("/api/feet/{id}", { params: { path: { id } }, body }));
    },
  );

export const useDeleteWearer = () =>
  useFeetChange(async (id: string) =>
    answered(await client.DELETE("/api/feet/{id}", { params: { path: { id } } })),
  );

export const useRestoreWearer = () =>
  useFeetChange(async (id: string) =>
    answered(await client.POST("/api/feet/{id}/restore", { params: { path: { id } } })),
  );

export const useAddMeasurement = (id: string) =>
  useFeetChange(async (body: Asked<"/api/feet/{id}/measurements", "post">) =>
    answered(await client.POST("/api/feet/{id}/measurements", { params: { path: { id } }, body })),
  );

export const useAddTable = (id: string) =>
  useFeetChange(async (text: string) =>
    answered(await client.POST("/api/feet/{id}/table", { params: { path: { id } }, body: { text } })),
  );

export const useDeleteMeasurement = (id: string) =>
  useFeetChange(async (part: string) =>
    answered(await client.DELETE("/api/feet/{id}/measurements/{part}", { params: { path: { id, part } } })),
  );

export const useRestoreMeasurement = (id: string) =>
  useFeetChange(async (part: string) =>
    answered(
      await client.POST("/api/feet/{id}/measurements/{part}/restore", { params: { path: { id, part } } }),
    ),
  );

export const useAddTracing = (id: string) =>
  useFeetChange(async (body: Asked<"/api/feet/{id}/tracings", "post">) =>
    answered(await client.POST("/api/feet/{id}/tracings", { params: { path: { id } }, body })),
  );

export const useDeleteTracing = (id: string) =>
  useFeetChange(async (part: string) =>
    answered(await client.DELETE("/api/feet/{id}/tracings/{part}", { params: { path: { id, part } } })),
  );

export const useRestoreTracing = (id: string) =>
  useFeetChange(async (part: string) =>
    answered(await client.POST("/api/feet/{id}/tracings/{part}/restore", { params: { path: { id, part } } })),
  );

/** useMeasured asks what marks on a picture come to, as soon as they are complete. */
export function useMeasured(marks: Marks | null, apart: string, unit: Unit) {
  return useQuery({
    queryKey: ["tracing", marks, apart, unit],
    queryFn: async ({ signal }) =>
      answered(await client.POST("/api/tracing", { body: { marks: marks as Marks, apart, unit }, signal })),
    enabled: marks !== null,
    retry: false,
    placeholderData: (previous) => (marks === null ? undefined : previous),
  });
}

export function useGrowth(id: string, side: Side, day: string, unit: "cm" | "in") {
  return useQuery({
    queryKey: [...key, id, "growth", side, day, unit],
    queryFn: async ({ signal }) =>
      answered(
        await client.POST("/api/feet/{id}/growth", {
          params: { path: { id } },
          body: { side, day, unit },
          signal,
        }),
      ),
    enabled: day !== "",
    retry: false,
  });
}
