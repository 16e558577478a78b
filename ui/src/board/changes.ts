import type { Candidate } from "../api/client";

/** Changes are values of the design by field, as they stand in an address. */
export type Changes = Record<string, unknown>;

const toes: Record<string, string> = {
  wedge: "wedge toe",
  garter_square: "garter-square toe",
  short_row: "short-row toe",
};
const starts: Record<string, string> = { half: "", rounded: ", rounded", fitted: ", fitted" };
const heels: Record<string, string> = {
  short_row: "short-row heel",
  flap_under: "flap below the heel",
  gusset_turn: "gusset first",
};
const turns: Record<string, string> = {
  german: "double stitches",
  wrap: "wraps",
  yarn_over: "yarn-overs",
  pinned: "pins",
  lift: "slip and lift",
};

/** nameOf says a way in a line. */
export function nameOf(c: Candidate): string {
  const share = c.share > 0.5 && c.heel === "short_row" ? ` over ${(c.share * 100).toFixed(0)} %` : "";
  const fabric = c.fabric === "garter" && c.heel === "short_row" ? " in garter" : "";
  const turn = c.heel === "flap_under" && c.toe !== "short_row" ? "" : `, ${turns[c.turn] ?? c.turn}`;
  const heel = heels[c.heel] ?? c.heel;
  return `${heel.charAt(0).toUpperCase()}${heel.slice(1)}${share}${fabric}${turn}; ${toes[c.toe] ?? c.toe}${c.toe === "wedge" ? (starts[c.start] ?? "") : ""}`;
}

/** changesOf is what makes a design into this way. */
export function changesOf(c: Candidate): Changes {
  return {
    stitches: c.stitches,
    "toe.kind": c.toe,
    "toe.start": c.start,
    "toe.cast_on": null,
    "toe.start_stitches": null,
    "toe.fast_rounds": null,
    "toe.turns_per_side": null,
    ...heelChanges(c.heel),
    "heel.turn": c.turn,
    "heel.share": c.share,
    "heel.fabric": c.fabric,
  };
}

/** heelChanges makes a design's heel another kind, with its counts worked out anew. */
export const heelChanges = (kind: string): Changes => ({
  "heel.kind": kind,
  "heel.stitches": null,
  "heel.turns_per_side": null,
  "heel.rounds_between": null,
  "heel.first_row": null,
  "heel.flap_rows": null,
  "heel.picked_up": null,
  "heel.gusset_increases": null,
});

/** wayText spells changes for an address; what is left to be worked out stands without a value. */
export const wayText = (changes: Changes): string =>
  Object.entries(changes)
    .map(([field, value]) => (value === null ? field : `${field}:${value}`))
    .join(",");

/** readWay reads them again; numbers become numbers. */
export function readWay(text: string): Changes {
  const changes: Changes = {};
  for (const part of text.split(",").filter(Boolean)) {
    const [field = "", ...rest] = part.split(":");
    const value = rest.join(":");
    changes[field] = value === "" ? null : Number.isNaN(Number(value)) ? value : Number(value);
  }
  return changes;
}
