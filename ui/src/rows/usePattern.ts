import { useQuery } from "@tanstack/react-query";
import { answered, client } from "../api/client";
import { useUnit } from "../units/units";

/** usePattern is the pattern of a sock as it is handed to somebody: its lines, repeats and charts. */
export function usePattern(id: string, version: number | string) {
  const unit = useUnit();
  return useQuery({
    queryKey: ["pattern", id, version, unit],
    queryFn: async ({ signal }) =>
      answered(
        await client.GET("/api/socks/{id}/pattern", {
          params: { path: { id }, query: { rows: "repeats", unit } },
          signal,
        }),
      ),
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
    meta: { kept: true },
  });
}
