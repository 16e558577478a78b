import { useQuery } from "@tanstack/react-query";
import { createContext, useContext, useEffect, useState } from "react";
import { useParams } from "react-router";
import { type StoreApi, useStore } from "zustand";
import { answered, client, Refusal } from "../api/client";
import { keepScreen } from "../shell/offline";
import { Shown } from "../shell/Shown";
import { usePageTitle } from "../shell/usePageTitle";
import { KnitScreen } from "./KnitScreen";
import { type KnitView, keepView, keptView } from "./kept";
import { createKnitting, type Knitting } from "./store";

export const KnitContext = createContext<StoreApi<Knitting> | null>(null);

/** useKnitting is a part of the socks on the needles. */
export function useKnitting<T>(part: (k: Knitting) => T): T {
  const store = useContext(KnitContext);
  if (!store) {
    throw new Error("Nothing is on the needles around this.");
  }
  return useStore(store, part);
}

/** KnitPage is knitting mode. Without a connection it goes on with what this device keeps. */
export function KnitPage() {
  const { id = "" } = useParams();
  const view = useQuery({
    queryKey: ["knit", id],
    queryFn: async () => {
      try {
        const fresh = answered(await client.POST("/api/socks/{id}/knit", { params: { path: { id } } }));
        keepView(fresh);
        return fresh;
      } catch (error) {
        const kept = keptView(id);
        if (kept && !(error instanceof Refusal && error.problem.status < 500)) {
          return kept;
        }
        throw error;
      }
    },
    gcTime: 0,
    networkMode: "always",
    retry: false,
  });
  return (
    <Shown query={view} title="Not on the needles yet" back={{ to: `/socks/${id}`, label: "To the board" }}>
      {(found) => <Needles key={id} view={found} />}
    </Shown>
  );
}

/** How often other devices are asked about, in ms. */
const listen = 5000;

function Needles({ view }: { view: KnitView }) {
  usePageTitle(`Knitting ${view.name}`);
  const [store] = useState(() => createKnitting(view));
  useEffect(() => {
    const send = () => void store.getState().send();
    send();
    void keepScreen();
    const timer = setInterval(() => document.visibilityState === "visible" && send(), listen);
    window.addEventListener("online", send);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", send);
    };
  }, [store]);
  return (
    <KnitContext value={store}>
      <KnitScreen />
    </KnitContext>
  );
}
