import { Careful } from "./Careful";
import { useKnitting } from "./context";
import css from "./knit-row.module.css";
import { standing } from "./logbook";
import { rowsOf } from "./rows";

/** RowNotes are what the plan says beside a row, and what was noted at it on this sock or on its sister. */
export function RowNotes({ sock, row, note }: { sock: number; row: number; note: string | undefined }) {
  const events = useKnitting((s) => s.events);
  const view = useKnitting((s) => s.view);
  const here = rowsOf(view, sock)[row]?.id;
  const began = useKnitting((s) => s.tally.stripes?.began);
  const noted = standing(events).filter(
    (e) =>
      ["note", "mistake", "needle"].includes(e.kind) &&
      rowsOf(view, e.sock)[e.row]?.id === here &&
      (e.text || e.picture),
  );
  return (
    <>
      <Careful rows={rowsOf(view, sock)} at={row} cautions={view.cautions} />
      {note && <p className={css.knitNote}>{note}</p>}
      {sock === 2 && row === 0 && began && (
        <p className={css.knitNote}>
          The first sock began {began}: wind off to the same place in the stripes.
        </p>
      )}
      {noted.map((e) => (
        <p key={e.id} className={css.knitNote}>
          {e.sock !== sock && <strong>On the {e.sock === 1 ? "first" : "second"} sock: </strong>}
          {e.text}
          {e.picture && <img className={css.notePicture} src={e.picture} alt="At this row" />}
        </p>
      ))}
    </>
  );
}
