import type { Plan, Words } from "../api/client";
import type { Shown } from "../hands/useHands";

type Row = Plan["rows"][number];

/** Group is a run of rows that are worked alike, or a single row. */
export type Group = { first: Row; last: Row; words: Words; shows: Shown[]; fingers: string };

/** Repeat is a pair of rows that is worked several times; all of them are there too. */
export type Repeat = { pair: [Group, Group]; times: number; all: Group[] };

export type SectionRows = { section: string; groups: (Group | Repeat)[]; rows: number };

export const isRepeat = (one: Group | Repeat): one is Repeat => "times" in one;

/** grouped puts rows that say the same, one after the other, into one group. */
export function grouped(plan: Plan, words: Words[], shows: Shown[][], fingers: string[]): SectionRows[] {
  const sections: { section: string; groups: Group[]; rows: number }[] = [];
  plan.rows.forEach((planned, i) => {
    const said = words[i];
    const before = plan.rows[i - 1];
    if (!said || (turnsOnly(planned) && i + 1 < plan.rows.length)) {
      return; // it is said with the row after it
    }
    const led = before && turnsOnly(before) ? before.note : undefined; // to do before the turn
    const note = [led, planned.note].filter(Boolean).join(" ");
    const row = { ...planned, n: said.n, ...(note && { note }) }; // as people count
    const turned = before && turnsOnly(before) ? (words[i - 1]?.parts ?? []) : [];
    const moves = [...(turned.length > 0 ? (shows[i - 1] ?? []) : []), ...(shows[i] ?? [])];
    const spoken = turned.length > 0 ? { ...said, parts: [...turned, ...said.parts] } : said;
    let section = sections.at(-1);
    if (section?.section !== row.section) {
      section = { section: row.section, groups: [], rows: 0 };
      sections.push(section);
    }
    section.rows++;
    const group = section.groups.at(-1);
    if (group && alike(group, row, spoken)) {
      group.last = row;
    } else {
      section.groups.push({ first: row, last: row, words: spoken, shows: moves, fingers: fingers[i] ?? "" });
    }
  });
  return sections.map((section) => ({ ...section, groups: repeated(section.groups) }));
}

/** A pair of rows is said as a repeat when it comes at least so often. */
const oftenEnough = 3;

/** repeated finds pairs of rows that are worked again and again, as those of a flap. */
function repeated(groups: Group[]): (Group | Repeat)[] {
  const said: (Group | Repeat)[] = [];
  for (let i = 0; i < groups.length; ) {
    const [first, second] = [groups[i], groups[i + 1]];
    if (!first || !second) {
      said.push(...groups.slice(i));
      break;
    }
    let times = 1;
    while (same(groups[i + 2 * times], first) && same(groups[i + 2 * times + 1], second)) {
      times++;
    }
    if (times >= oftenEnough) {
      said.push({ pair: [first, second], times, all: groups.slice(i, i + 2 * times) });
      i += 2 * times;
    } else {
      said.push(first);
      i++;
    }
  }
  return said;
}

/** same says whether two single rows are worked alike, whatever was counted after them. */
function same(one: Group | undefined, other: Group): boolean {
  return (
    one !== undefined &&
    one.first === one.last &&
    other.first === other.last &&
    one.first.side === other.first.side &&
    one.first.colour === other.first.colour &&
    (one.first.note ?? "") === (other.first.note ?? "") &&
    JSON.stringify(one.words.parts) === JSON.stringify(other.words.parts)
  );
}

const turnsOnly = (row: Row) => row.ops.length === 1 && row.ops[0]?.[0] === "turn";

function alike(group: Group, row: Row, spoken: Words): boolean {
  return (
    row.kind === "round" &&
    group.last.kind === "round" &&
    group.last.stitches === row.stitches &&
    group.last.colour === row.colour &&
    (group.first.note ?? "") === (row.note ?? "") &&
    JSON.stringify(group.words.parts) === JSON.stringify(spoken.parts)
  );
}
