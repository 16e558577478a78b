import { Button } from "antd";
import { type MouseEvent, useEffect, useRef } from "react";
import { Strip } from "../drawing/Strip";
import handsBesideCss from "../hands/hands-beside.module.css";
import { Moves } from "../hands/Moves";
import { useHands } from "../hands/useHands";
import { isPractised, usePractised } from "../practice/known";
import { useKept } from "../shell/useKept";
import { useKnitting } from "./context";
import { Fabric } from "./Fabric";
import { Instruction, NeedleFigure, RowName, spokenRow, titleOf, type Wording } from "./Instruction";
import { AsideNote, KeepingNote, OpenNote } from "./KeepingNotes";
import { KnitHead } from "./KnitHead";
import { KnitMore } from "./KnitMore";
import { KnitPanel } from "./KnitPanel";
import knitCss from "./knit.module.css";
import { Moment } from "./Moment";
import { OfferNote } from "./OfferNote";
import { OffTheNeedles } from "./OffTheNeedles";
import { RowNotes } from "./RowNotes";
import { type Row, rowsOf, sockNow, workedAt } from "./rows";
import { StrayNote } from "./StrayNote";
import { Undecided } from "./Undecided";
import { useComforts } from "./useComforts";
import { useKeys } from "./useKeys";
import { usePanel } from "./usePanel";
import { useVoice } from "./useVoice";

/** KnitScreen is read from a metre away, with both hands busy: one instruction, one key. */
export function KnitScreen() {
  const k = useKnitting((s) => s);
  const [panel, open] = usePanel();
  const [wording, setWording] = useKept<Wording>("knit-wording", "short", ["short", "long"]);
  const sock = sockNow(k);
  const place = k.places[sock - 1] ?? k.places[0];
  const rows = rowsOf(k.view, sock);
  const needles = (sock === 2 ? k.view.second_needles : undefined) ?? k.view.needles;
  const at = workedAt(rows, place.row);
  const row = rows[at];
  const spoken = row ? spokenRow(row, place.half) : "";
  const sayAgain = useVoice(spoken);
  const comforts = useComforts(row?.special === true && place.row > 0, place.row);
  const fresh = useFresh(row);
  const show = (move: string) => open(`show ${move}`);
  const close = () => open(null);
  const main = useCameBack(panel, `${k.view.version} ${sock} ${place.row}`);
  const does: Record<Act, () => void> = {
    done: () => k.tick("row"),
    undo: () => k.undo(sock),
    half: () => k.tick("half"),
    ten: () => k.tick("row", 10),
    where: () => !place.finished && open("where"),
    tried: () => !place.finished && open("tried"),
  };
  useKeys({
    " ": does.done,
    Enter: does.done,
    r: sayAgain,
    Backspace: does.undo,
    h: does.half,
    "?": does.where,
    t: does.tried,
    n: () => open("note"),
    m: () => show(fresh ?? ""),
    Escape: close,
  });

  return (
    // biome-ignore lint/a11y/noStaticElementInteractions lint/a11y/useKeyWithClickEvents: only what a pointer left behind is let go
    <div className={knitCss.knit} onClick={letGo}>
      <div className={knitCss.knitMain} ref={main}>
        <p className="hidden" aria-live="polite">
          {spoken}
        </p>
        <KnitHead sock={sock} />
        <Strip parts={k.view.strip} done={place.row} />
        <Notes {...comforts} />
        {row ? (
          <>
            <div className={handsBesideCss.knitNamed}>
              <RowName row={row} half={place.half} />
              <Button onClick={() => show(fresh ?? "")}>
                {fresh ? "New here: show me" : "Show me"} <kbd>m</kbd>
              </Button>
            </div>
            <Instruction row={row} wording={wording} half={place.half} show={show} />
            <RowNotes sock={sock} row={place.row} note={row.note} />
            {row.section === "cast_on" && place.row === 0 ? (
              // Nothing hangs on the needles yet: how it comes there is what is to be seen.
              <Moves names={[...new Set(row.shows.map((s) => s.move))]} sock={k.view.id} />
            ) : (
              <NeedleFigure row={row} before={needles[at]} after={needles[at + 1]} half={place.half} />
            )}
          </>
        ) : (
          <OffTheNeedles sock={sock} />
        )}
        <div className={knitCss.knitBelow}>
          <ComingRows rows={rows.slice(at + 1, at + 4)} />
          <Fabric sock={sock} row={at} />
        </div>
        <Acts
          does={does}
          row={row}
          half={place.half}
          begun={place.row > 0 || place.half}
          off={place.finished}
        />
      </div>
      <aside className={knitCss.knitSide} aria-label="At this moment">
        {panel ? (
          <KnitPanel
            name={panel}
            sock={sock}
            row={place.row}
            shows={row?.shows ?? []}
            planned={needles[at]?.count ?? 0}
            close={close}
          />
        ) : (
          <Moment
            sock={sock}
            off={place.finished}
            row={row}
            last={rows[place.row - 1]}
            check={needles[at]?.check ?? ""}
            open={open}
          />
        )}
        <KnitMore sock={sock} wording={wording} setWording={setWording} open={open} />
      </aside>
    </div>
  );
}

/** useFresh is the move that a row asks for the first time, unless it was practised until it counts as known. */
function useFresh(row: Row | undefined): string | undefined {
  usePractised();
  const hands = useHands().data; // all pictures are on the device before somebody asks for one on a train
  const lessonOf = (move: string) => hands?.moves.find((m) => m.name === move)?.lesson;
  return row?.shows.find((s) => s.new && !isPractised(lessonOf(s.move)))?.move;
}

/** Notes say what is not as it should be, or is asked about. */
function Notes({ rest, rested }: { rest: boolean; rested(): void }) {
  const refusal = useKnitting((s) => s.refusal);
  return (
    <>
      {refusal && (
        <p className="fault" role="alert">
          {refusal}
        </p>
      )}
      <KeepingNote />
      <OpenNote />
      <AsideNote />
      <OfferNote />
      <Undecided />
      <StrayNote />
      {rest && (
        <p className="stale-note" role="status">
          Half an hour at the needles: put them down for a moment and stretch your hands.{" "}
          <Button size="small" onClick={rested}>
            I did
          </Button>
        </p>
      )}
    </>
  );
}

function ComingRows({ rows }: { rows: Row[] }) {
  return (
    <ol className={knitCss.knitNext} aria-label="What comes next">
      {rows.map((next) => (
        <li key={next.id}>
          <span className="muted">
            {titleOf(next.section)} {next.n}
          </span>
          <strong>{next.parts.map((p) => p.short).join("; ")}</strong>
          <span className="muted">{next.side}</span>
        </li>
      ))}
    </ol>
  );
}

/** useCameBack shows the top of the screen again when a panel is closed in which the sock was put elsewhere: on a phone it lay far below. */
function useCameBack(panel: string | null, where: string) {
  const main = useRef<HTMLDivElement>(null);
  const left = useRef("");
  // biome-ignore lint/correctness/useExhaustiveDependencies: it is done when a panel opens or closes, not at each row
  useEffect(() => {
    if (panel) {
      left.current ||= where;
      return;
    }
    if (left.current && left.current !== where) {
      // Going back puts the page where it was scrolled to, a frame later.
      requestAnimationFrame(() => requestAnimationFrame(() => main.current?.scrollIntoView()));
    }
    left.current = "";
  }, [panel]);
  return main;
}

type Act = "done" | "undo" | "half" | "ten" | "where" | "tried";

/** Acts are what a hand reaches for without looking. */
function Acts({
  does,
  row,
  half,
  begun,
  off,
}: {
  does: Record<Act, () => void>;
  row: Row | undefined;
  half: boolean;
  begun: boolean;
  /** The sock is off the needles, and nothing is asked of it any more. */
  off: boolean;
}) {
  if (off) {
    return (
      <div className={knitCss.knitKeys}>
        <Button onClick={does.undo}>
          Undo <kbd>⌫</kbd>
        </Button>
      </div>
    );
  }
  return (
    <div className={knitCss.knitKeys}>
      <Button type="primary" className={knitCss.rowDone} onClick={does.done} disabled={!row}>
        Row done <kbd>space</kbd>
      </Button>
      <Button onClick={does.undo} disabled={!begun}>
        Undo <kbd>⌫</kbd>
      </Button>
      <Button onClick={does.half} disabled={row?.kind !== "round" || half}>
        Half <kbd>h</kbd>
      </Button>
      <Button onClick={does.ten} disabled={!row}>
        Ten more
      </Button>
      <Button onClick={does.where}>
        Where am I? <kbd>?</kbd>
      </Button>
      <Button onClick={does.tried}>
        I tried it on <kbd>t</kbd>
      </Button>
    </div>
  );
}

/** letGo lets go of a button that was pressed with a pointer, so that the next key counts a row and does not press it again. */
function letGo(event: MouseEvent) {
  if (event.detail > 0 && event.target instanceof Element) {
    event.target.closest("button")?.blur();
  }
}
