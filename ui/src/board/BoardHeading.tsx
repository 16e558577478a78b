import { Button, Input } from "antd";
import { NavLink, useSearchParams } from "react-router";
import { Refusal, saidFault } from "../api/client";
import { among } from "../shell/among";
import css from "./heading.module.css";
import type { SaveState } from "./saving";
import { useBoard } from "./store";
import { useWhenSaved } from "./useWhenSaved";

const stateWords: Record<SaveState, string> = {
  saved: "kept",
  unsaved: "not kept yet",
  saving: "keeping…",
  refused: "not kept",
  conflict: "waits for you",
};

const panels = [
  { to: "", name: "Board" },
  { to: "/what-if", name: "What if" },
  { to: "/ways", name: "Best ways" },
  { to: "/compare", name: "Compare" },
  { to: "/variants", name: "Variants and notes" },
  { to: "/rows", name: "Rows" },
  { to: "/knit", name: "Knit" },
];

/** panelNames are the panels beside the drawing as the window's title has them, by their address; the board itself goes by the sock's name. */
export const panelNames: Record<string, string> = Object.fromEntries(
  panels.filter((p) => p.to !== "").map((p) => [p.to.slice(1), p.name]),
);

/** BoardHeading names the sock, says whether it is kept, undoes, and leads to the panels. */
export function BoardHeading({ id, onNeedles }: { id: string; onNeedles: boolean }) {
  const isNew = useSearchParams()[0].has("new");
  const name = useBoard((b) => b.content.name);
  const wearer = useBoard((b) => b.content.wearer);
  const save = useBoard((b) => b.save);
  const fault = useBoard((b) => b.saveFault);
  const change = useBoard((b) => b.change);
  const saveNow = useBoard((b) => b.saveNow);
  const go = useWhenSaved();
  const faults = fault instanceof Refusal ? (fault.problem.errors ?? []) : [];
  return (
    <header className={css.sockHeading}>
      <div className={css.sockTitle}>
        <Input
          aria-label="Name of the sock"
          className={css.sockName}
          variant="borderless"
          autoFocus={isNew}
          onFocus={(event) => isNew && event.target.select()}
          value={name}
          status={faults.some((f) => f.field === "name") ? "error" : ""}
          onChange={(event) => change({ name: event.target.value }, "name")}
        />
        <span className={css.for}>
          for{" "}
          <Input
            aria-label="Wearer"
            className={css.wearer}
            variant="borderless"
            placeholder="somebody"
            value={wearer}
            onChange={(event) => change({ wearer: event.target.value }, "wearer")}
          />
        </span>
        <span className={`${css.saveState} ${among(css, save)}`} role="status">
          {stateWords[save]}
        </span>
        <Steps />
      </div>
      <nav className={css.panels} aria-label="This sock">
        {panels.map((panel) => (
          <NavLink
            key={panel.to}
            to={`/socks/${id}${panel.to}`}
            end
            onClick={(event) => {
              if (panel.to === "/knit" && save !== "saved" && !event.metaKey && !event.ctrlKey) {
                event.preventDefault();
                go(`/socks/${id}/knit`);
              }
            }}
          >
            {panel.name}
          </NavLink>
        ))}
        {onNeedles && <NavLink to={`/socks/${id}/log`}>Log</NavLink>}
      </nav>
      {fault && (
        <p className="fault" role="alert">
          {faults.length > 0 ? faults.map(saidFault).join(" ") : fault.message}{" "}
          {faults.length === 0 && <Button onClick={saveNow}>Try again</Button>}
        </p>
      )}
    </header>
  );
}

function Steps() {
  const past = useBoard((b) => b.past.length);
  const future = useBoard((b) => b.future.length);
  const undo = useBoard((b) => b.undo);
  const redo = useBoard((b) => b.redo);
  return (
    <span className={css.stepsBack}>
      <Button onClick={undo} disabled={past === 0} title="Ctrl Z">
        Undo
      </Button>
      <Button onClick={redo} disabled={future === 0} title="Ctrl Shift Z">
        Redo
      </Button>
    </span>
  );
}
