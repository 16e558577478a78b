import { useSyncExternalStore } from "react";

const query = window.matchMedia("(max-width: 640px)");

/** useNarrow says whether the window is as narrow as a phone. */
export function useNarrow(): boolean {
  return useSyncExternalStore(
    (changed) => {
      query.addEventListener("change", changed);
      return () => query.removeEventListener("change", changed);
    },
    () => query.matches,
  );
}
