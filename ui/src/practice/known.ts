import { remember, remembered } from "../shell/remember";

// What somebody knows is kept on the device: runs without a fault, and the moves that count as known.

/** So many runs without a fault, and a move counts as known. */
export const enough = 3;

const runsKey = (lesson: string) => `acorn-step.practice.${lesson}`;
const knownKey = "acorn-step.known";

export const runsOf = (lesson: string): number => Number(remembered(runsKey(lesson)) ?? 0) || 0;

/** runWithoutFault counts one more, and gives how many there are. */
export function runWithoutFault(lesson: string, knows: string): number {
  const runs = runsOf(lesson) + 1;
  remember(runsKey(lesson), `${runs}`);
  if (runs >= enough && knows) {
    let known: string[] = [];
    try {
      known = JSON.parse(remembered(knownKey) ?? "[]") as string[];
    } catch {
      // Nobody was asked yet.
    }
    remember(knownKey, JSON.stringify([...new Set([...known, knows])]));
  }
  return runs;
}
