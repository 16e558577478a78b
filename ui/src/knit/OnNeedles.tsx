import { useQuery } from "@tanstack/react-query";
import { type ReactNode, useEffect, useState } from "react";
import { holds } from "../shell/unsent";
import { KnitContext } from "./context";
import { type KnitView, type OnDevice, onDevice } from "./kept";
import { createKnitting } from "./store";

/** OnNeedles holds a pair of socks for the page in it: what is ticked there is kept, sent, and heard from elsewhere. */
export function OnNeedles({ view, children }: { view: KnitView; children: ReactNode }) {
  const kept = useQuery({
    queryKey: ["on-device", view.id],
    queryFn: () => onDevice(view.id),
    gcTime: 0,
    staleTime: Number.POSITIVE_INFINITY,
  });
  return (
    kept.data && (
      <Held view={view} kept={kept.data}>
        {children}
      </Held>
    )
  );
}

/** How often other devices are asked about, in ms. */
const listen = 5000;

function Held({ view, kept, children }: { view: KnitView; kept: OnDevice; children: ReactNode }) {
  const [store] = useState(() => createKnitting(view, kept));
  useEffect(() => {
    // Before anything is cast on there is nothing to hear.
    const send = () => store.getState().view.version > 0 && void store.getState().send();
    send();
    const timer = setInterval(() => document.visibilityState === "visible" && send(), listen);
    window.addEventListener("online", send);
    const deaf = store.getState().listen();
    const free = holds(`knitting ${view.id}`, () => store.getState().waiting > 0);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", send);
      deaf();
      free();
    };
  }, [store, view.id]);
  return <KnitContext value={store}>{children}</KnitContext>;
}
