import { expect, test } from "@playwright/test";
import type { Content } from "./content";
import { back, forth, history } from "./history";
import type { Steps } from "./steps";

const named = (name: string) => ({ name }) as Content;

/** writing is a hand that types names, each one so many ms after the one before. */
function writing(changes: [name: string, what: string, ms: number][]) {
  let now = 0;
  let steps: Steps = { past: [], future: [named("undone")] };
  let content = named("");
  const { after } = history(() => now);
  for (const [name, what, ms] of changes) {
    now += ms;
    steps = after(steps, content, what);
    content = named(name);
  }
  return { steps, content };
}

const names = (steps: Content[]) => steps.map((s) => s.name);

test("what is typed in one breath is one step, another field or a pause is the next", () => {
  const { steps } = writing([
    ["O", "name", 5000],
    ["Ob", "name", 200],
    ["Ob", "length", 200],
    ["Obs", "name", 200],
    ["Obse", "name", 1600],
  ]);
  expect(names(steps.past)).toEqual(["", "Ob", "Ob", "Obs"]);
  expect(steps.future).toEqual([]);
});

test("back and forth come to where they began", () => {
  const { steps, content } = writing([
    ["A", "name", 5000],
    ["B", "name", 5000],
  ]);
  const before = back(steps, content);
  expect(before?.content.name).toBe("A");
  const again = before && forth(before, before.content);
  expect(again?.content).toEqual(content);
  expect(again?.past).toEqual(steps.past);
  expect(forth(steps, content)).toBeUndefined();
  expect(back({ past: [], future: [] }, content)).toBeUndefined();
});

test("three hundred and one steps at most are kept", () => {
  const { steps } = writing(
    Array.from({ length: 400 }, (_, i): [string, string, number] => [`${i}`, `field ${i}`, 10]),
  );
  expect(steps.past).toHaveLength(301);
  expect(steps.past.at(-1)?.name).toBe("398");
});
