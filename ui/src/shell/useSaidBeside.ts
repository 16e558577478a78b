import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { client, listenTo } from "../api/client";
import { sessionEnded } from "../api/session";
import { somethingUnsent } from "./unsent";

const own = document.querySelector<HTMLMetaElement>('meta[name="build"]')?.content ?? "";

/** A moment is quiet when nobody touched anything for so long, in ms. */
const quiet = 4000;

/**
 * useSaidBeside hears what answers say beside their content: a session that
 * ended, a newer interface, which a quiet moment brings, and where the program has moved to.
 */
export function useSaidBeside(): { movedTo: string } {
  const queries = useQueryClient();
  const [movedTo, setMovedTo] = useState("");
  useEffect(() => {
    let serves = own;
    let touched = performance.now();
    const touch = () => {
      touched = performance.now();
    };
    const deaf = listenTo({
      closed: () => sessionEnded(queries),
      serves: (build) => {
        serves = build;
      },
      moved: setMovedTo,
    });
    const look = () => {
      const typing = document.activeElement?.matches("input, textarea") ?? false;
      const atRest = document.visibilityState === "hidden" || performance.now() - touched > quiet;
      if (own !== "" && serves !== own && atRest && !typing && !somethingUnsent()) {
        location.reload();
      }
    };
    const timer = setInterval(look, 1000);
    // Who comes back to a page after a night asks what is served now.
    const back = () =>
      document.visibilityState === "visible" && void client.GET("/api/health").catch(() => {});
    document.addEventListener("visibilitychange", back);
    window.addEventListener("online", back);
    const events = ["pointerdown", "keydown", "wheel"] as const;
    for (const name of events) {
      window.addEventListener(name, touch, { passive: true });
    }
    return () => {
      deaf();
      clearInterval(timer);
      document.removeEventListener("visibilitychange", back);
      window.removeEventListener("online", back);
      for (const name of events) {
        window.removeEventListener(name, touch);
      }
    };
  }, [queries]);
  return { movedTo };
}
