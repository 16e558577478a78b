import { useQuery } from "@tanstack/react-query";
import { create } from "zustand";
import { answered, client, type Schemas } from "../api/client";
import { remember, remembered } from "../shell/remember";

export type Move = Schemas["HandsMove"];
export type Shown = Schemas["HandsShown"];
export type Hand = "right" | "left";

const kept = (name: string): Hand => (remembered(name) === "left" ? "left" : "right");

/** How somebody holds yarn and needles: kept on the device, the same on every page. */
export const useHold = create<{ yarn: Hand; knits: Hand; hold: (yarn: Hand, knits: Hand) => void }>(
  (set) => ({
    yarn: kept("acorn-step.yarn-hand"),
    knits: kept("acorn-step.knitting-hand"),
    hold: (yarn, knits) => {
      remember("acorn-step.yarn-hand", yarn);
      remember("acorn-step.knitting-hand", knits);
      set({ yarn, knits });
    },
  }),
);

/** useHands is every move of the hands as this knitter holds them; without a connection offline.js has them, like the interface. */
export function useHands() {
  const { yarn, knits } = useHold();
  return useQuery({
    queryKey: ["hands", yarn, knits],
    queryFn: async ({ signal }) =>
      answered(await client.GET("/api/hands", { params: { query: { yarn, knits } }, signal })),
    staleTime: Number.POSITIVE_INFINITY,
  });
}
