import type { Draft, FootTaken, Sock, SwatchTaken } from "../api/client";
import type { DesignField } from "../api/field";
import { carried, suffixOf } from "../units/carry";
import type { Unit } from "../units/units";

/** Content is what a person changes about a sock. */
export type Content = {
  name: string;
  wearer: string;
  notes: string;
  draft: Draft;
  foot?: FootTaken;
  swatch?: SwatchTaken;
};

export const contentOf = (sock: Sock): Content => ({
  name: sock.name,
  wearer: sock.wearer,
  notes: sock.notes,
  draft: sock.draft,
  ...(sock.foot && { foot: sock.foot }),
  ...(sock.swatch && { swatch: sock.swatch }),
});

/** sameContent compares what is said, however its keys are ordered. */
export const sameContent = (a: Content, b: Content) => inOrder(a) === inOrder(b);

const inOrder = (value: unknown) =>
  JSON.stringify(value, (_key, part) =>
    part && typeof part === "object" && !Array.isArray(part)
      ? Object.fromEntries(Object.entries(part).sort(([a], [b]) => (a < b ? -1 : 1)))
      : part,
  );

type Tree = Record<string, unknown>;

/** valueAt is the value at the path of a field, undefined where there is none. */
export function valueAt(design: Tree, field: DesignField): unknown {
  let at: unknown = design;
  for (const name of field.split(".")) {
    at = (at as Tree | undefined)?.[name];
  }
  return at ?? undefined;
}

/** withValue is a design with another value at the path of a field. */
function withValue(tree: Tree, path: string[], value: unknown): Tree {
  const [name = "", ...rest] = path;
  if (rest.length === 0) {
    return { ...tree, [name]: value };
  }
  return { ...tree, [name]: withValue((tree[name] as Tree | undefined) ?? {}, rest, value) };
}

/** withEntries is a draft in which other texts stand. */
export const withEntries = (draft: Draft, entries: Draft["entries"]): Draft => ({ ...draft, entries });

/** withChoice is a draft in which a field was chosen; null leaves it to be worked out. */
export function withChoice(draft: Draft, field: DesignField, value: unknown): Draft {
  const { [field]: _typed, ...entries } = draft.entries;
  return { entries, design: withValue(draft.design, field.split("."), value) };
}

/** Changed are new values by their fields. */
export type Changed = Partial<Record<DesignField, unknown>>;

/** withChoices makes several at once. */
export const withChoices = (draft: Draft, changes: Changed): Draft =>
  (Object.entries(changes) as [DesignField, unknown][]).reduce(
    (d, [field, value]) => withChoice(d, field, value),
    draft,
  );

/** withFoot is a content that takes a foot as it is now. */
export function withFoot(content: Content, foot: FootTaken, wearer: string): Content {
  const kept = (content.draft.design.foot ?? {}) as Tree;
  const entries = Object.fromEntries(
    Object.entries(content.draft.entries).filter(
      ([field]) => !field.startsWith("foot.") && !field.startsWith("second_foot."),
    ),
  );
  const taken: Tree = {
    ...(kept.heel_width !== undefined && { heel_width: kept.heel_width }),
    ...foot.lengths,
    estimated: foot.estimated,
    cautions: foot.cautions,
  };
  return {
    ...content,
    wearer: wearer || content.wearer,
    foot,
    draft: {
      entries,
      design: {
        ...content.draft.design,
        foot: taken,
        // Two feet that differ are two socks.
        second_foot: { ...foot.second },
        mirror: foot.side === "right",
      },
    },
  };
}

/** withSwatch is a content that takes a swatch as it is now, with its yarn. */
export function withSwatch(
  content: Content,
  swatch: SwatchTaken,
  yarn?: { ball_g: number; ball_m: number },
): Content {
  const gauge = {
    "gauge.stitches_per_100mm": swatch.stitches_per_100mm,
    "gauge.rounds_per_100mm": swatch.rounds_per_100mm,
    ...(yarn && { "yarn.ball_g": yarn.ball_g, "yarn.ball_m": yarn.ball_m }),
  };
  return { ...content, swatch, draft: withChoices(content.draft, gauge) };
}

/** withUnits has texts that were not read yet keep the unit in which they were typed. */
export function withUnits(content: Content, unit: Unit): Content {
  const entries = Object.fromEntries(
    Object.entries(content.draft.entries).map(([field, text]) => [
      field,
      carried(text, suffixOf(field, unit)),
    ]),
  );
  return { ...content, draft: { ...content.draft, entries } };
}
