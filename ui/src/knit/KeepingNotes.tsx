import { App, Button } from "antd";
import { type Trouble, useKeepingTrouble } from "../shell/device";
import { useKnitting } from "./context";
import type { Event } from "./logbook";
import { rowsOf } from "./rows";

const why: Record<Exclude<Trouble, "">, string> = {
  full: "This browser has no room left to keep anything",
  forbidden: "This browser keeps nothing for this page",
};

/** KeepingNote says when this device cannot keep ticks: they go to the program at once, or stay on the open page. */
export function KeepingNote() {
  const trouble = useKeepingTrouble();
  const waiting = useKnitting((s) => s.waiting);
  if (trouble === "") {
    return null;
  }
  return (
    <p className="stale-note" role="status">
      {why[trouble]}. Counting goes on, and every tick is sent to the program at once.{" "}
      {waiting > 0 && <strong>Leave this page open until it says “written down”.</strong>}
    </p>
  );
}

/** Only what a service worker keeps opens without the program, and browsers run none on plain http in the house. */
const opensAgain = "serviceWorker" in navigator;

/** OpenNote says what not to do while there is no connection, where the page could not come back. */
export function OpenNote() {
  const offline = useKnitting((s) => s.offline);
  if (!offline || opensAgain) {
    return null;
  }
  return (
    <p className="stale-note" role="status">
      Leave this page open: counting goes on, but at this address, without https, it opens again only with a
      connection.
    </p>
  );
}

/** AsideNote shows what the program would not write down, so that it can be copied or put away. */
export function AsideNote() {
  const aside = useKnitting((s) => s.aside);
  const drop = useKnitting((s) => s.dropAside);
  const view = useKnitting((s) => s.view);
  const { message } = App.useApp();
  if (aside.length === 0) {
    return null;
  }
  const lineOf = (e: Event) => {
    const row = rowsOf(view, e.sock)[e.row];
    const what = row ? `${row.section.replace("_", " ")} ${row.n}` : `row ${e.row + 1}`;
    const sock = e.sock === 2 ? "second sock" : "first sock";
    return [sock, what, e.kind, e.text].filter(Boolean).join(", ");
  };
  const lines = aside.map((a) => `${lineOf(a.event)}: ${a.reason}`);
  const copy = () =>
    navigator.clipboard
      .writeText([...lines, JSON.stringify(aside.map((a) => a.event))].join("\n"))
      .then(() => message.success("Copied."))
      .catch(() => message.error("This browser does not let a page copy: mark the lines and copy them."));
  return (
    <div className="stale-note aside-note" role="status">
      <details>
        <summary>
          Not written down, and set aside here: {aside.length === 1 ? lines[0] : `${aside.length} ticks`}
        </summary>
        {aside.length > 1 && (
          <ul>
            {lines.map((line, i) => (
              <li key={aside[i]?.id}>{line}</li>
            ))}
          </ul>
        )}
        <p className="actions">
          <Button size="small" onClick={copy}>
            Copy
          </Button>
          <Button size="small" onClick={drop}>
            Put away for good
          </Button>
        </p>
      </details>
    </div>
  );
}
