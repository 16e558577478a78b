import { useQuery } from "@tanstack/react-query";
import { answered, client, type Schemas } from "../api/client";
import { forget, remember, remembered, rememberedKeys } from "../shell/remember";

// What somebody knows: runs without a fault are kept by the program, beside the basket, and remembered here for a device without a
// connection; what was ticked is kept on the device.

/** usePractised brings the runs that were made on any device here; it gives them once they came. */
export function usePractised() {
  return useQuery({
    queryKey: ["practised"],
    queryFn: async ({ signal }) => {
      const { lessons } = answered(await client.GET("/api/practice/runs", { signal }));
      for (const { lesson, knows, runs } of lessons) {
        take(lesson, knows, Math.max(runs, runsOf(lesson)));
      }
      return lessons;
    },
    retry: false,
  }).data;
}

/** noteRun tells the program of a whole run; without a connection it is remembered here alone. */
export async function noteRun(lesson: string, moves: Schemas["PractisedRun"]["moves"]): Promise<void> {
  await client.POST("/api/practice/runs", { body: { lesson, moves } }).catch(() => undefined);
}

/** take remembers how often a lesson was done; once that is enough, what it teaches is known. */
function take(lesson: string, knows: string, runs: number): void {
  const before = runsOf(lesson);
  remember(runsKey(lesson), `${runs}`);
  if (before < enough && runs >= enough && knows) {
    keep(practisedKey, [...new Set([...(kept(practisedKey) ?? []), knows])]);
  }
}

/** So many runs without a fault, and a move counts as known. */
export const enough = 3;

const runsKey = (lesson: string) => `acorn-step.practice.${lesson}`;
const tickedKey = "acorn-step.known";
const practisedKey = "acorn-step.practised";

export const runsOf = (lesson: string): number => Number(remembered(runsKey(lesson)) ?? 0) || 0;

/** practisedLessons are all that count as known. */
export const practisedLessons = (): string[] =>
  rememberedKeys()
    .filter((key) => key.startsWith(runsKey("")))
    .map((key) => key.slice(runsKey("").length))
    .filter(isPractised);

/** isPractised says whether a lesson counts as known; a move without one was never practised. */
export const isPractised = (lesson: string | undefined): boolean =>
  lesson !== undefined && runsOf(lesson) >= enough;

/** runWithoutFault counts one more, and gives how many there are. */
export function runWithoutFault(lesson: string, knows: string): number {
  const runs = runsOf(lesson) + 1;
  take(lesson, knows, runs);
  return runs;
}

/** knownWith is what was ticked, or the usual where nobody was asked, and what was practised since. */
export const knownWith = (usual: string[]): string[] => [
  ...new Set([...(kept(tickedKey) ?? usual), ...(kept(practisedKey) ?? [])]),
];

/** keepTicked keeps a whole list of ticks: what was practised before is in it, or was taken out. */
export function keepTicked(list: string[]): void {
  keep(tickedKey, list);
  forget(practisedKey);
}

const keep = (key: string, list: string[]) => remember(key, JSON.stringify(list));

/** kept is a list of names; null when none was kept, or it cannot be read. */
function kept(key: string): string[] | null {
  try {
    const list = JSON.parse(remembered(key) ?? "null");
    return Array.isArray(list) ? list.filter((name) => typeof name === "string") : null;
  } catch {
    return null;
  }
}
