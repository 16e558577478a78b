import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { answered, client } from "../api/client";
import { Shown } from "../shell/Shown";
import { usePageTitle } from "../shell/usePageTitle";
import { useKnitting } from "./context";
import { KnitScreen } from "./KnitScreen";
import { knitKey } from "./kept";
import { OnNeedles } from "./OnNeedles";
import { ReadAhead } from "./ReadAhead";

/** KnitPage is knitting mode. Without a connection it goes on with what this device keeps. */
export function KnitPage() {
  const { id = "" } = useParams();
  const view = useQuery({
    queryKey: knitKey(id),
    queryFn: async () => answered(await client.GET("/api/socks/{id}/knit", { params: { path: { id } } })),
    meta: { kept: true },
    gcTime: 0,
    staleTime: Number.POSITIVE_INFINITY, // from here on the page hears of every change by itself
    retry: false,
  });
  usePageTitle(`Knitting ${view.data?.name ?? "a sock"}`);
  return (
    <Shown query={view} title="Nothing to knit yet" back={{ to: `/socks/${id}`, label: "To the board" }}>
      {(found) => (
        <OnNeedles key={id} view={found}>
          <KnitOrRead />
        </OnNeedles>
      )}
    </Shown>
  );
}

/** KnitOrRead is the sock being knitted; one that is not cast on yet can be read. */
function KnitOrRead() {
  const begun = useKnitting((s) => s.view.version > 0);
  return begun ? <KnitScreen /> : <ReadAhead />;
}
