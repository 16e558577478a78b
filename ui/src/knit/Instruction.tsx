import type { Schemas } from "../api/client";
import { Said } from "../hands/Said";
import { among } from "../shell/among";
import css from "./knit-row.module.css";
import { NeedleDrawing } from "./NeedleDrawing";
import { roomFor } from "./stretches";

type Row = Schemas["KnittingRow"];
type Needles = Schemas["PositionNeedles"];
export type Wording = "short" | "long";

const titles: Record<string, string> = { cast_on: "cast on", bind_off: "bind off" };
export const titleOf = (section: string) => titles[section] ?? section;

/** spokenRow is a row as it is read aloud: which it is, and then needle by needle in whole words. */
export function spokenRow(row: Row, half: boolean): string {
  const worked = row.parts.filter(works);
  const parts = half ? worked.slice(1) : worked;
  return [
    `${titleOf(row.section)}, ${row.kind} ${row.n}, ${row.side === "RS" ? "right side" : "wrong side"}.`,
    ...parts.map((part) => `${part.on ? `${part.on}: ` : ""}${part.long}.`),
    row.until && `${row.until}.`,
  ]
    .filter(Boolean)
    .join(" ");
}

/** RowName says which row it is. */
export function RowName({ row, half = false }: { row: Row; half?: boolean }) {
  return (
    <p className={css.knitWhere}>
      {titleOf(row.section)}, {row.kind} {row.n} of {row.of} ·{" "}
      {row.side === "RS" ? "right side" : "wrong side"}
      {row.colour && ` · in the ${row.colour} yarn`}
      {half && " · needle 2"}
    </p>
  );
}

/** NeedleFigure is the needle before the row and after it. */
export function NeedleFigure({
  row,
  before,
  after,
  half,
}: {
  row: Row;
  before: Needles | undefined;
  after: Needles | undefined;
  half: boolean;
}) {
  const room = roomFor(row, before, after);
  return (
    <figure className={css.knitNeedle}>
      <figcaption>before</figcaption>
      {before && <NeedleDrawing needle={before} row={row} when="before" room={room} half={half} />}
      <figcaption>after</figcaption>
      {after && <NeedleDrawing needle={after} row={row} when="after" room={room} />}
      <figcaption className={css.knitLegend}>
        {row.side === "WS" && "As you hold it, the wrong side in front. "}◎ start of the round · ○ start of
        the back · △ ends of the heel's centre · ● the yarn
      </figcaption>
    </figure>
  );
}

/** The longest instructions, in letters, that are set in the two largest sizes. */
const huge = 24;
const large = 56;

/** What is laid before a row is no part of it. */
const works = (part: Row["parts"][number]) => part.on !== "first";

function sizeOf(row: Row, wording: Wording): string {
  const letters = row.parts.filter(works).reduce((sum, part) => sum + part[wording].length, 0);
  return letters <= huge ? "huge" : letters <= large ? "large" : "";
}

/** Instruction is what to do, as large as it fits. */
export function Instruction({
  row,
  wording,
  half,
  show,
}: {
  row: Row;
  wording: Wording;
  half: boolean;
  /** Opens a move. */
  show: (move: string) => void;
}) {
  return (
    <div className={`${css.instruction} ${among(css, wording)} ${among(css, sizeOf(row, wording))}`}>
      {row.parts.map((part, i) => (
        <p
          key={`${part.needle} ${part.short}`}
          className={!works(part) ? css.laid : half && i === row.parts.findIndex(works) ? css.did : ""}
        >
          {part.on && <span className={css.on}>{part.on}</span>}
          <Said text={part[wording]} shows={row.shows} open={show} />
        </p>
      ))}
      {row.until && <p className={css.knitUntil}>{row.until}</p>}
    </div>
  );
}
