import type { Plan, Words } from "../api/client";

type Row = Plan["rows"][number];

/** Group is a run of rows that are worked alike, or a single row. */
export type Group = { first: Row; last: Row; words: Words; fingers: string };

export type SectionRows = { section: string; groups: Group[]; rows: number };

/** grouped puts rows that say the same, one after the other, into one group. */
export function grouped(plan: Plan, words: Words[], fingers: string[]): SectionRows[] {
  const sections: SectionRows[] = [];
  plan.rows.forEach((row, i) => {
    const said = words[i];
    const before = plan.rows[i - 1];
    if (!said || (turnsOnly(row) && i + 1 < plan.rows.length)) {
      return; // it is said with the row after it
    }
    const turned = before && turnsOnly(before) ? (words[i - 1]?.parts ?? []) : [];
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
      section.groups.push({ first: row, last: row, words: spoken, fingers: fingers[i] ?? "" });
    }
  });
  return sections;
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
