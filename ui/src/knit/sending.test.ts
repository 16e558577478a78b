import { expect, test } from "@playwright/test";
import { Refusal } from "../api/client";
import type { Event } from "./logbook";
import { pile } from "./pile";
import { type Answer, sending } from "./sending";

const tick = (id: string, clock = 1) => ({ id, device: "d", clock, kind: "row", sock: 1, row: 0 }) as Event;

const idsOf = (events: Event[]) => events.map((e) => e.id);

/** bench is a pile with a program that answers as it is told; by default it takes everything. */
function bench(waits: Event[], program: (sent: Event[], request: number) => Partial<Answer> = () => ({})) {
  const known = pile([], waits);
  const asked: string[][] = [];
  const afters: number[] = [];
  const seen = {
    refused: [] as string[],
    hindered: [] as (string | undefined)[],
    over: 0,
    done: [] as string[],
  };
  const sender = sending(known, 7, {
    post: async (events, after) => {
      asked.push(idsOf(events));
      afters.push(after);
      return { seq: after + 10, events: [], ...program(events, asked.length) } as unknown as Answer;
    },
    heard: async (_answer, done) => {
      seen.done.push(...idsOf(done));
    },
    refuse: (events, reasonOf) => {
      known.drop(events);
      seen.refused.push(...events.map((e) => `${e.id}: ${reasonOf(e)}`));
    },
    hindered: (why) => {
      seen.hindered.push(why);
    },
    over: async () => {
      seen.over++;
    },
  });
  return { known, sender, asked, afters, seen };
}

test("everything that waits is sent in portions, each after what was heard before", async () => {
  const { known, sender, asked, afters, seen } = bench(
    Array.from({ length: 450 }, (_, i) => tick(`t${String(i).padStart(3, "0")}`, i)),
  );
  await sender.send();
  expect(asked.map((a) => a.length)).toEqual([200, 200, 50]);
  expect(afters).toEqual([7, 17, 27]);
  expect(known.waiting()).toEqual([]);
  expect(known.all(), "they stay on the pile").toHaveLength(450);
  expect(seen).toMatchObject({ over: 1, hindered: [], refused: [] });
  expect(new Set(seen.done).size).toBe(450);
});

test("with nothing to send the program is asked once what others did, and that is heard", async () => {
  const { known, sender, asked } = bench([], () => ({ events: [tick("theirs")] }));
  await sender.send();
  expect(asked).toEqual([[]]);
  expect(idsOf(known.all())).toEqual(["theirs"]);
});

test("what is ticked while a portion is on its way goes with the next, in one line of questions", async () => {
  const b = bench([tick("first")], (_sent, request) => {
    if (request === 1) {
      b.known.add(tick("meanwhile", 2));
      void b.sender.send();
    }
    return {};
  });
  await b.sender.send();
  expect(b.asked).toEqual([["first"], ["meanwhile"]]);
  expect(b.seen.over).toBe(1);
});

test("what is refused by name is put aside, and the rest is written down", async () => {
  const { known, sender, seen } = bench(
    [tick("good"), tick("bad")],
    (sent) =>
      ({
        refused: sent.filter((e) => e.id === "bad").map(({ id }) => ({ id, detail: "no such row" })),
      }) as Partial<Answer>,
  );
  await sender.send();
  expect(seen.refused).toEqual(["bad: no such row"]);
  expect(seen.done).toEqual(["good"]);
  expect(idsOf(known.all())).toEqual(["good"]);
});

test("a portion that is refused for one of its events is sent again without it", async () => {
  const { sender, asked, seen } = bench([tick("good"), tick("bad")], (sent) => {
    const at = sent.findIndex((e) => e.id === "bad");
    if (at >= 0) {
      throw new Refusal({
        status: 422,
        title: "Bad",
        errors: [{ field: `events[${at}].row`, message: "?" }],
      } as never);
    }
    return {};
  });
  await sender.send();
  expect(seen.refused).toHaveLength(1);
  expect(asked.at(-1)).toEqual(["good"]);
  expect(seen.done).toEqual(["good"]);
});

for (const [name, error, why] of [
  ["a lost connection", new TypeError("Failed to fetch"), undefined],
  [
    "a full disk",
    new Refusal({ status: 507, title: "Full", detail: "The disk is full." } as never),
    "The disk is full.",
  ],
  [
    "a proxy without a program behind it",
    new Refusal({ status: 502, title: "Bad gateway" } as never),
    undefined,
  ],
] as const) {
  test(`${name} leaves what waits where it is, and says what it is`, async () => {
    const { known, sender, seen } = bench([tick("t")], () => {
      throw error;
    });
    await sender.send();
    expect(idsOf(known.waiting())).toEqual(["t"]);
    expect(seen.hindered).toHaveLength(1);
    expect(seen.hindered[0] ?? "").toContain(why ?? "");
    expect(seen.hindered[0] === undefined).toBe(why === undefined);
    expect(seen.over).toBe(1);
  });
}
