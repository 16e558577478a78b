import { createContext, useContext } from "react";
import { type StoreApi, useStore } from "zustand";
import type { Knitting } from "./store";

export const KnitContext = createContext<StoreApi<Knitting> | null>(null);

/** useKnitting is a part of the socks on the needles. */
export function useKnitting<T>(part: (k: Knitting) => T): T {
  const store = useContext(KnitContext);
  if (!store) {
    throw new Error("Nothing is on the needles around this.");
  }
  return useStore(store, part);
}
