import { Button, Segmented } from "antd";
import { type MouseEvent, useEffect, useLayoutEffect, useRef } from "react";
import { Link, useLocation, useNavigate, useSearchParams } from "react-router";
import { Strip } from "../drawing/Strip";
import { useHands } from "../hands/useHands";
import { isPractised } from "../practice/known";
import { AcornMark } from "../shell/AcornMark";
import { Settings } from "../shell/Settings";
import { useKept } from "../shell/useKept";
import { useKnitting } from "./context";
import { Fabric } from "./Fabric";
import { Instruction, NeedleFigure, RowName, spokenRow, titleOf, type Wording } from "./Instruction";
import { AsideNote, KeepingNote, OpenNote } from "./KeepingNotes";
import { KnitPanel } from "./KnitPanel";
import { standing } from "./logbook";
import { Moment } from "./Moment";
import { OfferNote } from "./OfferNote";
import { StrayNote } from "./StrayNote";
import { type Knitting, rowsOf, sockNow, type Which, workedAt } from "./store";
import { useComforts } from "./useComforts";
import { useVoice } from "./useVoice";

/** KnitScreen is read from a metre away, with both hands busy: one instruction, one key. */
export function KnitScreen() {
  const k = useKnitting((s) => s);
  const [search, setSearch] = useSearchParams();
  const [wording, setWording] = useKept<Wording>("knit-wording", "short", ["short", "long"]);
  const sock = sockNow(k);
  const place = k.places[sock - 1] ?? k.places[0];
  const hindered = isHindered(k);
  const rows = rowsOf(k.view, sock);
  const needles = (sock === 2 ? k.view.second_needles : undefined) ?? k.view.needles;
  const at = workedAt(rows, place.row);
  const row = rows[at];
  const [before, after] = [needles[at], needles[at + 1]];
  const spoken = row ? spokenRow(row, place.half) : "";
  const sayAgain = useVoice(spoken);
  const comforts = useComforts(row?.special === true && place.row > 0, place.row);
  // On a phone a panel is a page of its own: Back closes it, and so does closing it.
  const location = useLocation();
  const navigate = useNavigate();
  const isOpen = search.get("panel") !== null;
  // Going back takes a moment: what is opened meanwhile waits for it, or it would be the page that is left.
  const leaving = useRef(false);
  const wanted = useRef<string>(undefined);
  const open = (panel: string | null) => {
    if (leaving.current) {
      wanted.current = panel ?? undefined;
    } else if (panel === null && location.state === opened) {
      leaving.current = true;
      navigate(-1);
    } else {
      setSearch(panel === null ? {} : { panel }, {
        replace: isOpen || panel === null,
        state: panel && opened,
      });
    }
  };

  // biome-ignore lint/correctness/useExhaustiveDependencies: it is done once for each place that is come to
  useEffect(() => {
    leaving.current = false;
    const panel = wanted.current;
    wanted.current = undefined;
    if (panel !== undefined) {
      open(panel);
    }
  }, [location.key]);

  const hands = useHands().data; // all pictures are on the device before somebody asks for one on a train
  // What is asked for the first time is offered, unless it was practised until it counts as known.
  const fresh = row?.shows.find(
    (s) => s.new && !isPractised(hands?.moves.find((m) => m.name === s.move)?.lesson),
  );
  const show = (move: string) => open(`show ${move}`);
  const done = () => k.tick("row");
  const half = () => k.tick("half");
  const ten = () => k.tick("row", 10);
  // Before the screen is seen: a key that is pressed as soon as it is counts.
  useLayoutEffect(() => {
    const press = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      const typing = "input:not([type=radio], [type=checkbox]), textarea, [role=combobox]";
      if ((target.matches(typing) && event.key !== "Escape") || event.ctrlKey || event.metaKey) {
        return;
      }
      const acts: [string, (() => unknown) | undefined][] = [
        // A key on a button that has the focus presses that button.
        [" ", target.matches("button, a, summary") ? undefined : done],
        ["Enter", target.matches("button, a, summary") ? undefined : done],
        ["r", sayAgain],
        ["Backspace", () => k.undo(sock)],
        ["h", half],
        ["?", () => open("where")],
        ["t", () => open("tried")],
        ["n", () => open("note")],
        ["m", () => show(fresh?.move ?? "")],
        ["Escape", () => open(null)],
      ];
      const act = acts.find(([key]) => key === event.key)?.[1];
      if (act) {
        event.preventDefault();
        act();
      }
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  });

  return (
    // biome-ignore lint/a11y/noStaticElementInteractions lint/a11y/useKeyWithClickEvents: only what a pointer left behind is let go
    <div className="knit" onClick={letGo}>
      <div className="knit-main">
        <p className="hidden" aria-live="polite">
          {spoken}
        </p>
        <header className="knit-head">
          <Link to="/" className="brand" aria-label="To the basket">
            <AcornMark />
          </Link>
          <h1>
            {k.view.name} <small>{sock === 1 ? "first sock" : "second sock"}</small>
          </h1>
          <Segmented<Which>
            aria-label="Which sock"
            size="small"
            value={k.which}
            onChange={k.choose}
            options={[
              { label: "First", value: "first" },
              { label: "Second", value: "second" },
              { label: "Both", value: "both" },
            ]}
          />
          <span className={k.offline || hindered ? "knit-state offline" : "knit-state"} role="status">
            {stateOf(k)}
          </span>
        </header>
        <Strip parts={k.view.strip} done={place.row} />
        {k.refusal && (
          <p className="fault" role="alert">
            {k.refusal}
          </p>
        )}
        <KeepingNote />
        <OpenNote />
        <AsideNote />
        <OfferNote />
        <StrayNote />
        {comforts.rest && (
          <p className="stale-note" role="status">
            Half an hour at the needles: put them down for a moment and stretch your hands.{" "}
            <Button size="small" onClick={comforts.rested}>
              I did
            </Button>
          </p>
        )}
        {row ? (
          <>
            <div className="knit-named">
              <RowName row={row} half={place.half} />
              <Button onClick={() => show(fresh?.move ?? "")}>
                {fresh ? "New here: show me" : "Show me"} <kbd>m</kbd>
              </Button>
            </div>
            <Instruction row={row} wording={wording} half={place.half} show={show} />
            {row.note && <p className="knit-note">{row.note}</p>}
            {sock === 2 && place.row === 0 && k.tally.stripes?.began && (
              <p className="knit-note">
                The first sock began {k.tally.stripes.began}: wind off to the same place in the stripes.
              </p>
            )}
            <OthersNotes sock={sock} row={place.row} />
            <NeedleFigure row={row} before={before} after={after} half={place.half} />
          </>
        ) : (
          <OffTheNeedles sock={sock} />
        )}
        <div className="knit-below">
          <ol className="knit-next" aria-label="What comes next">
            {rows.slice(at + 1, at + 4).map((next) => (
              <li key={next.id}>
                <span className="muted">
                  {titleOf(next.section)} {next.n}
                </span>
                <strong>{next.parts.map((p) => p.short).join("; ")}</strong>
                <span className="muted">{next.side}</span>
              </li>
            ))}
          </ol>
          <Fabric sock={sock} row={at} />
        </div>
        <div className="knit-keys">
          <Button type="primary" className="row-done" onClick={done} disabled={!row}>
            Row done <kbd>space</kbd>
          </Button>
          <Button onClick={() => k.undo(sock)} disabled={place.row === 0 && !place.half}>
            Undo <kbd>⌫</kbd>
          </Button>
          <Button onClick={half} disabled={row?.kind !== "round" || place.half}>
            Half <kbd>h</kbd>
          </Button>
          <Button onClick={ten} disabled={!row}>
            Ten more
          </Button>
          <Button onClick={() => open("where")}>
            Where am I? <kbd>?</kbd>
          </Button>
          <Button onClick={() => open("tried")}>
            I tried it on <kbd>t</kbd>
          </Button>
        </div>
      </div>
      <aside className="knit-side" aria-label="At this moment">
        {search.get("panel") ? (
          <KnitPanel
            name={search.get("panel") ?? ""}
            sock={sock}
            row={place.row}
            shows={row?.shows ?? []}
            planned={before?.count ?? 0}
            close={() => open(null)}
          />
        ) : (
          <Moment sock={sock} row={row} last={rows[place.row - 1]} check={before?.check ?? ""} open={open} />
        )}
        <div className="knit-more">
          <Segmented<Wording>
            aria-label="Wording"
            size="small"
            options={[
              { label: "Abbreviations", value: "short" },
              { label: "Whole words", value: "long" },
            ]}
            value={wording}
            onChange={setWording}
          />
          <Button
            size="small"
            disabled={k.events.at(-1)?.kind === "pause"}
            onClick={() => k.record("pause", sock, place.row)}
          >
            Pause
          </Button>
          <Button size="small" onClick={() => open("chart")}>
            Chart
          </Button>
          <Button size="small" onClick={() => open("phone")}>
            On the phone
          </Button>
          <Button size="small" onClick={() => open("comforts")}>
            Sound, light and rest
          </Button>
          <Link to={`/socks/${k.view.id}`}>Board</Link>
          <Link to={`/socks/${k.view.id}/log`}>Log</Link>
          <Link to={`/practice?sock=${k.view.id}`}>Practise</Link>
          <Settings />
        </div>
      </aside>
    </div>
  );
}

/** What the address remembers of a panel that was opened here. */
const opened = "opened here";

/** letGo lets go of a button that was pressed with a pointer, so that the next key counts a row and does not press it again. */
function letGo(event: MouseEvent) {
  if (event.detail > 0 && event.target instanceof Element) {
    event.target.closest("button")?.blur();
  }
}

const isHindered = (k: Knitting) => k.refusal !== "" && k.waiting > 0;

/** stateOf says where the last ticks are: only what the program acknowledged is written down. */
function stateOf(k: Knitting): string {
  if (k.offline) {
    return `no connection: ${k.waiting} kept here`;
  }
  if (isHindered(k)) {
    return `not written down: ${k.waiting} kept here`;
  }
  return k.waiting > 0 ? "writing…" : "written down";
}

/** OthersNotes are what was noted at this row, on this sock or on its sister. */
function OthersNotes({ sock, row }: { sock: number; row: number }) {
  const events = useKnitting((s) => s.events);
  const notes = standing(events).filter(
    (e) => ["note", "mistake", "needle"].includes(e.kind) && e.row === row && (e.text || e.picture),
  );
  return notes.map((note) => (
    <p key={note.id} className="knit-note">
      {note.sock !== sock && <strong>On the {note.sock === 1 ? "first" : "second"} sock: </strong>}
      {note.text}
      {note.picture && <img className="note-picture" src={note.picture} alt="At this row" />}
    </p>
  ));
}

function OffTheNeedles({ sock }: { sock: number }) {
  const k = useKnitting((s) => s);
  const place = k.places[sock - 1];
  return (
    <div className="waiting">
      <h2>Off the needles</h2>
      <p>Weave in further than in other knitting, wash, dry flat. Then write down how it fits.</p>
      {place?.finished ? (
        <Link to={`/socks/${k.view.id}/log`}>To the page of this sock</Link>
      ) : (
        <Button type="primary" onClick={() => k.record("finish", sock, rowsOf(k.view, sock).length - 1)}>
          It is finished
        </Button>
      )}
    </div>
  );
}
