import type { Schemas } from "../api/client";

/** Careful says what to take care of for the health of whoever wears the sock, where the section begins in which it matters. */
export function Careful({
  rows,
  at,
  cautions,
}: {
  rows: Schemas["KnittingRow"][];
  at: number;
  cautions: Schemas["Caution"][] | null;
}) {
  const section = rows[at]?.section;
  if (!section || section === rows[at - 1]?.section) {
    return null;
  }
  return cautions
    ?.filter((caution) => caution.section === section)
    .map((caution) => (
      <p key={caution.text} className="stale-note" role="note">
        {caution.text}
      </p>
    ));
}
