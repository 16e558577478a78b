import { forget, remember, remembered, rememberedKeys } from "../shell/remember";

// What somebody knows is kept on the device: runs without a fault, what was practised by them, and what was ticked.

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
  remember(runsKey(lesson), `${runs}`);
  if (runs >= enough && knows) {
    keep(practisedKey, [...new Set([...(kept(practisedKey) ?? []), knows])]);
  }
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
