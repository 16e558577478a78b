import { useMutation } from "@tanstack/react-query";
import { answered, client, type Schemas } from "../api/client";
import { useUnit } from "../units/units";
import { useKnitting } from "./context";

/** What really happened, with the lengths as they were typed. */
export type Said = Omit<Schemas["ReplanHappened"], "sock" | "row" | "other_row" | "by_version"> & {
  length?: string;
  toHeel?: string;
  height?: string;
  heelOff?: string;
};

/**
 * useReplan asks what the plan becomes; accepted, it becomes the plan of the
 * pair, on which each sock stands where it stood.
 */
export function useReplan(sock: number, row: number, accepted: () => void) {
  const unit = useUnit();
  const { id, version } = useKnitting((s) => s.view);
  const take = useKnitting((s) => s.take);
  const send = useKnitting((s) => s.send);
  return useMutation({
    mutationFn: async ({ said, accept }: { said: Said; accept: boolean }) => {
      await send();
      const { length = "", toHeel = "", height = "", heelOff = "", ...happened } = said;
      const proposal = answered(
        await client.POST("/api/socks/{id}/replan", {
          params: { path: { id } },
          body: {
            version,
            happened: { ...happened, sock, row },
            length,
            to_heel: toHeel,
            height,
            heel_off: heelOff,
            unit,
            accept,
          },
        }),
      );
      if (accept) {
        take(answered(await client.GET("/api/socks/{id}/knit", { params: { path: { id } } })));
      }
      return proposal;
    },
    onSuccess: (_proposal, { accept }) => {
      if (accept) {
        accepted();
      }
    },
  });
}
