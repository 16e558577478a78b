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

/** keepPictures keeps what offline.js answers with where there is no connection; a browser may forbid it. */
async function keepPictures(url: string, pictures: unknown): Promise<void> {
  try {
    const shelf = await caches.open("acorn-step-pictures");
    await shelf.put(
      url,
      new Response(JSON.stringify(pictures), { headers: { "Content-Type": "application/json" } }),
    );
  } catch {
    // On plain http in the house there is no such shelf, and no page opens without a connection either.
  }
}

/** useHands is every move of the hands as this knitter holds them; without a connection offline.js has them, like the interface. */
export function useHands() {
  const { yarn, knits } = useHold();
  return useQuery({
    queryKey: ["hands", yarn, knits],
    queryFn: async ({ signal }) => {
      const got = await client.GET("/api/hands", { params: { query: { yarn, knits } }, signal });
      const pictures = answered(got);
      // What is shown is there without a connection too, also before the browser has handed this page to offline.js.
      await keepPictures(got.response.url, pictures);
      return pictures;
    },
    staleTime: Number.POSITIVE_INFINITY,
  });
}

/** useMovesOfSock are the moves that the rows of a sock ask for, in their order. */
export function useMovesOfSock(id: string) {
  return useQuery({
    queryKey: ["moves of", id],
    queryFn: async ({ signal }) =>
      answered(await client.GET("/api/socks/{id}/moves", { params: { path: { id } }, signal })),
    enabled: id !== "",
  });
}
