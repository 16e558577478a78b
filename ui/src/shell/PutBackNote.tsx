import { useQuery, useQueryClient } from "@tanstack/react-query";
import { App, Button } from "antd";
import { useEffect, useState } from "react";
import { client } from "../api/client";
import { goOnThere, usePlace } from "../api/place";
import { sendWaiting } from "../api/waiting";
import { dropEvents, eventsHere, forgetSeen, type KeptEvent, keepEvents } from "./device";
import { momentText } from "./moment";
import { letGo, somethingUnsent } from "./unsent";

/** since are the ticks and notes of this device that the store which answers now does not have. */
async function since(): Promise<{ events: KeptEvent[]; names: string[] }> {
  const here = await eventsHere();
  const socks = [...new Set(here.map((e) => e.sock))];
  const events: KeptEvent[] = [];
  const names: string[] = [];
  for (const sock of socks) {
    const { data } = await client.GET("/api/socks/{id}/knit", { params: { path: { id: sock } } });
    const there = new Set(data?.events.map((e) => e.id));
    const missing = here.filter((e) => e.sock === sock && e.event.kind !== "plan" && !there.has(e.id));
    if (missing.length > 0) {
      events.push(...missing);
      names.push(data?.name ?? "a sock that is not in it");
    }
  }
  return { events: events.sort((a, b) => a.event.clock - b.event.clock), names };
}

/** How often it is seen what was ticked while the question stands, in ms. */
const look = 3000;

/** anew begins with what the store has, without asking whether to leave. */
function anew() {
  goOnThere();
  letGo();
  location.reload();
}

/**
 * PutBackNote says that a copy was put in the place of what this page knows. Until
 * somebody says what is to become of the ticks that came after it, nothing is sent.
 */
export function PutBackNote() {
  const { other, knows } = usePlace();
  const here = useQuery({
    queryKey: ["since the copy"],
    queryFn: since,
    enabled: other !== "",
    gcTime: 0,
    refetchInterval: look,
  });
  /** Something was chosen: the page begins anew in a moment. */
  const [isGoing, setGoing] = useState(false);
  const queries = useQueryClient();
  const { message } = App.useApp();
  const nothing = here.data?.events.length === 0 && !somethingUnsent();
  useEffect(() => {
    if (nothing) {
      goOnThere();
      void forgetSeen().then(() => queries.invalidateQueries());
      message.info(`A copy was put in place${knows && `: it knows of nothing after ${momentText(knows)}`}.`);
    }
  }, [nothing, knows, queries, message]);
  if ((other === "" && !isGoing) || !here.data || nothing) {
    return null;
  }
  const { events, names } = here.data;
  const n = events.length;
  const send = async () => {
    setGoing(true);
    goOnThere();
    await forgetSeen();
    await keepEvents(events.map((e) => ({ ...e, waiting: 1 })));
    await sendWaiting();
    anew();
  };
  const drop = async () => {
    setGoing(true);
    await dropEvents(events.map((e) => e.id));
    await forgetSeen();
    anew();
  };
  const save = () => {
    const file = new Blob([JSON.stringify(events, null, 1)], { type: "application/json" });
    const link = document.createElement("a");
    link.href = URL.createObjectURL(file);
    link.download = "ticks-since-the-copy.json";
    link.click();
    URL.revokeObjectURL(link.href);
  };
  return (
    <div className="stale-note put-back-note no-print" role="alert">
      <p>
        <strong>
          A copy was put in the place of what this page knows
          {knows && `: it knows of nothing after ${momentText(knows)}`}.
        </strong>{" "}
        {n === 0
          ? "This device has nothing that is not in it."
          : `This device has ${n} ${n === 1 ? "tick or note" : "ticks and notes"} since, of ${names.join(", ")}. Nothing is sent by itself.`}
      </p>
      <p className="actions">
        {n === 0 ? (
          <Button size="small" type="primary" disabled={isGoing} onClick={drop}>
            Go on with the copy
          </Button>
        ) : (
          <>
            <Button size="small" type="primary" disabled={isGoing} onClick={send}>
              Send them
            </Button>
            <Button size="small" onClick={save}>
              Save as file
            </Button>
            <Button size="small" disabled={isGoing} onClick={drop}>
              Let go
            </Button>
          </>
        )}
      </p>
    </div>
  );
}
