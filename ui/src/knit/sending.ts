import { Refusal, type Schemas } from "../api/client";
import { portionOf, refusedBy } from "../api/portion";
import type { Event } from "./logbook";
import type { Pile } from "./pile";

export type Answer = Schemas["EventsSince"];

/** Around is what sending has around it. */
export type Around = {
  /** post gives events to the program, which answers with what came after a number. */
  post(events: Event[], after: number): Promise<Answer>;
  /** heard takes over an answer; done are the events that the program has now. */
  heard(answer: Answer, done: Event[]): Promise<void>;
  /** refuse puts aside what the program will not write down, so that it does not hold up the rest. */
  refuse(events: Event[], reasonOf: (e: Event) => string): void;
  /** hindered says why nothing is written down; nothing: the program cannot be reached. */
  hindered(why?: string): void;
  /** over is called when there is nothing more to send for now. */
  over(): Promise<void>;
};

/** sending gives what waits to the program, a portion after the other, and hears what other devices did. */
export function sending(pile: Pile, begin: number, around: Around) {
  let seq = begin;
  let busy = false;
  let again = false;

  /** post sends a portion of what waits. */
  const post = async () => {
    const sent = portionOf(pile.waiting());
    const answer = await around.post(sent, seq);
    seq = answer.seq;
    const refused = new Map((answer.refused ?? []).map((r) => [r.id, r.detail]));
    const done = sent.filter((e) => !refused.has(e.id));
    pile.written(done);
    pile.hear(answer.events);
    around.refuse(
      sent.filter((e) => refused.has(e.id)),
      (e) => refused.get(e.id) ?? "",
    );
    await around.heard(answer, done);
  };

  /** failed looks at what the program would not take; true when there is something to send all the same. */
  const failed = (error: unknown) => {
    if (!(error instanceof Refusal)) {
      around.hindered();
      return false;
    }
    const bad = refusedBy(error, portionOf(pile.waiting()));
    if (bad.length > 0) {
      around.refuse(bad, () => error.message);
      return true;
    }
    // The program is there and says why it cannot: a full disk is no lost connection.
    around.hindered(error.problem.status < 500 || error.problem.detail ? error.message : undefined);
    return false;
  };

  const send = async (): Promise<void> => {
    again = true;
    if (busy) {
      return;
    }
    busy = true;
    try {
      while (again || pile.waiting().length > 0) {
        again = false;
        await post();
      }
    } catch (error) {
      again = failed(error);
    } finally {
      busy = false;
    }
    if (again) {
      await send();
    } else {
      await around.over();
    }
  };

  return {
    send,
    /** from goes on after a view that was taken over. */
    from: (next: number) => {
      seq = next;
    },
  };
}
