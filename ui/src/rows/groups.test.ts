import { expect, test } from "@playwright/test";
import type { Plan, Words } from "../api/client";
import { grouped, isRepeat } from "./groups";

/** row is the n-th row of a heel. */
const row = (n: number, ops: [string, number][], note?: string) => ({
  id: `heel-${n}`,
  section: "heel" as const,
  n,
  kind: "row" as const,
  side: "WS" as const,
  ops,
  stitches: 68,
  ...(note && { note }),
});

const said = (id: string, n: number, short: string): Words => ({
  id,
  n,
  parts: [{ needle: 0, on: "", short, long: short }],
  new: [],
});

test("what comes before a turn is said before the row that is worked after it", () => {
  const rows = [row(1, [["turn", 1]], "Break the sock's yarn off."), row(2, [["p", 34]], "Purl loosely.")];
  const [heel] = grouped(
    { rows } as unknown as Plan,
    [said("heel-1", 1, "turn"), said("heel-2", 1, "p34")],
    [],
    [],
  );
  const first = heel?.groups[0];
  expect(first && !isRepeat(first) && first.first.note).toBe("Break the sock's yarn off. Purl loosely.");
});
