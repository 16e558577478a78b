import { useKnitting } from "./context";
import { standing } from "./logbook";

/** RowNotes are what the plan says beside a row, and what was noted at it on this sock or on its sister. */
export function RowNotes({ sock, row, note }: { sock: number; row: number; note: string | undefined }) {
  const events = useKnitting((s) => s.events);
  const began = useKnitting((s) => s.tally.stripes?.began);
  const noted = standing(events).filter(
    (e) => ["note", "mistake", "needle"].includes(e.kind) && e.row === row && (e.text || e.picture),
  );
  return (
    <>
      {note && <p className="knit-note">{note}</p>}
      {sock === 2 && row === 0 && began && (
        <p className="knit-note">The first sock began {began}: wind off to the same place in the stripes.</p>
      )}
      {noted.map((e) => (
        <p key={e.id} className="knit-note">
          {e.sock !== sock && <strong>On the {e.sock === 1 ? "first" : "second"} sock: </strong>}
          {e.text}
          {e.picture && <img className="note-picture" src={e.picture} alt="At this row" />}
        </p>
      ))}
    </>
  );
}
