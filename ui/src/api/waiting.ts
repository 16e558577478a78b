import { type KeptEvent, keepEvents, setAside, waitingEvents } from "../shell/device";
import { answered, client, Refusal } from "./client";
import { portionOf, refusedBy } from "./portion";

/**
 * sendWaiting sends what this device keeps of socks whose pages are closed, and
 * says how many ticks are left here. What the program will not take is set aside with its sock.
 */
export async function sendWaiting(): Promise<number> {
  let waiting = await waitingEvents();
  while (waiting.length > 0) {
    const sock = waiting[0]?.sock ?? "";
    const ofSock = waiting.filter((w) => w.sock === sock);
    const sent = portionOf(ofSock.map((w) => w.event));
    try {
      const answer = answered(
        await client.POST("/api/socks/{id}/events", {
          params: { path: { id: sock } },
          body: { events: sent, after: 0, brief: true },
        }),
      );
      const reasons = new Map((answer.refused ?? []).map((r) => [r.id, r.detail]));
      const kept = await keepEvents(
        sent
          .filter((event) => !reasons.has(event.id))
          .map((event): KeptEvent => ({ id: event.id, sock, waiting: 0, event })),
      );
      if (!kept) {
        return waiting.length; // sent all the same, but this device cannot note it now
      }
      await aside(sock, sent, reasons);
    } catch (error) {
      const bad =
        error instanceof Refusal ? (error.problem.status === 404 ? sent : refusedBy(error, sent)) : [];
      if (bad.length === 0) {
        return waiting.length; // another time
      }
      await aside(sock, sent, new Map(bad.map((e) => [e.id, (error as Refusal).message])));
    }
    waiting = await waitingEvents();
  }
  return 0;
}

const aside = (sock: string, sent: KeptEvent["event"][], reasons: Map<string, string>) =>
  setAside(
    sent
      .filter((event) => reasons.has(event.id))
      .map((event) => ({ id: event.id, sock, event, reason: reasons.get(event.id) ?? "" })),
  );
