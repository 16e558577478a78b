import { useQuery } from "@tanstack/react-query";
import { Button } from "antd";
import { sendWaiting } from "../api/waiting";
import { draftNames } from "./device";

/**
 * MovedPage stands at an address that the program has left: what this browser
 * kept for it is handed over, since at another address a browser knows nothing of it.
 */
export function MovedPage({ to, stay }: { to: string; stay: () => void }) {
  const over = useQuery({
    queryKey: ["hand over"],
    queryFn: async () => ({ left: await sendWaiting(), drafts: (await draftNames()).length }),
    refetchInterval: 5000,
  });
  const { left = 1, drafts = 0 } = over.data ?? {};
  return (
    <div className="page narrow">
      <h1>Acorn Step has moved</h1>
      <p className="lead">
        It is at <a href={to}>{to}</a> now. To a browser that is a new home: what it kept here it does not
        know there, and it asks for the passphrase once more.
      </p>
      <p role="status">
        {!over.data
          ? "Handing over the ticks that wait here…"
          : left > 0
            ? `${left} ticks wait here still. Leave this page open until they are handed over.`
            : "Every tick of this browser is written down."}
      </p>
      {drafts > 0 && (
        <p className="stale-note">
          {drafts === 1 ? "Something" : `${drafts} things`} typed here {drafts === 1 ? "was" : "were"} never
          saved. <Button onClick={stay}>Look at it here first</Button>
        </p>
      )}
      <Button type="primary" href={to} disabled={left > 0}>
        Go to the new address
      </Button>
    </div>
  );
}
