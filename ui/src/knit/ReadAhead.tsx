import { useMutation } from "@tanstack/react-query";
import { Button } from "antd";
import { useEffect, useState } from "react";
import { Link } from "react-router";
import { answered, client, faultText } from "../api/client";
import { Strip } from "../drawing/Strip";
import { MovesWindow } from "../hands/ShowMe";
import { AcornMark } from "../shell/AcornMark";
import { Settings } from "../shell/Settings";
import { useKept } from "../shell/useKept";
import { Careful } from "./Careful";
import { useKnitting } from "./context";
import { Instruction, NeedleFigure, RowName, type Wording } from "./Instruction";
import knitCss from "./knit.module.css";
import knitPanelCss from "./knit-panel.module.css";
import knitRowCss from "./knit-row.module.css";
import { workedAt } from "./rows";

/** ReadAhead is knitting mode before anything is cast on: rows are read freely, and casting on is a button. */
export function ReadAhead() {
  const view = useKnitting((s) => s.view);
  const take = useKnitting((s) => s.take);
  const [wording] = useKept<Wording>("knit-wording", "short", ["short", "long"]);
  const [at, setAt] = useState(0);
  const [shown, show] = useState("");
  const row = view.rows[at];
  const castOn = useMutation({
    mutationFn: async () =>
      answered(await client.POST("/api/socks/{id}/knit", { params: { path: { id: view.id } } })),
    onSuccess: take,
  });
  const next = () => setAt((n) => workedAt(view.rows, Math.min(n + 1, view.rows.length - 1)));
  const before = () =>
    setAt((n) => {
      const back = Math.max(n - 1, 0);
      return view.rows[back]?.joined ? Math.max(back - 1, 0) : back;
    });
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const act = { ArrowRight: next, ArrowDown: next, ArrowLeft: before, ArrowUp: before }[event.key];
      if (act && shown === "") {
        event.preventDefault();
        act();
      }
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  });
  if (!row) {
    return null;
  }
  return (
    <div className={knitCss.knit}>
      <div className={knitCss.knitMain}>
        <header className={knitCss.knitHead}>
          <Link to="/" className="brand" aria-label="To the basket">
            <AcornMark />
          </Link>
          <h1>
            {view.name} <small>not cast on yet</small>
          </h1>
        </header>
        <Strip parts={view.strip} done={at} />
        <RowName row={row} />
        <Instruction row={row} wording={wording} half={false} show={show} />
        <Careful rows={view.rows} at={at} cautions={view.cautions} />
        {row.note && <p className={knitRowCss.knitNote}>{row.note}</p>}
        <NeedleFigure row={row} before={view.needles[at]} after={view.needles[at + 1]} half={false} />
        <div className={knitCss.knitKeys}>
          <Button
            type="primary"
            className={knitCss.rowDone}
            loading={castOn.isPending}
            onClick={() => castOn.mutate()}
          >
            Cast on {view.rows[0]?.stitches}
          </Button>
          <Button onClick={before} disabled={at === 0}>
            Row before <kbd>←</kbd>
          </Button>
          <Button onClick={next} disabled={at === view.rows.length - 1}>
            Next row <kbd>→</kbd>
          </Button>
        </div>
        <MovesWindow names={shown ? [shown] : []} close={() => show("")} />
        <p className="fault" role="alert">
          {faultText(castOn.error)}
        </p>
      </div>
      <aside className={knitCss.knitSide} aria-label="Before casting on">
        <section className={knitPanelCss.moment}>
          <h2>Nothing is cast on</h2>
          <p>
            Read as far as you like. Until the first row is done the rows follow the board; from then on the
            board asks before it changes what is still to come.
          </p>
        </section>
        <section className={knitPanelCss.moment}>
          <h2>What lies ready</h2>
          <ul>
            {view.ready.map((thing) => (
              <li key={thing}>{thing}</li>
            ))}
          </ul>
        </section>
        <div className={knitPanelCss.knitMore}>
          <Link to={`/socks/${view.id}`}>Board</Link>
          <Link to={`/socks/${view.id}/rows`}>All rows</Link>
          <Settings />
        </div>
      </aside>
    </div>
  );
}
