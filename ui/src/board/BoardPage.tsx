import { useEffect, useState } from "react";
import { Link, Outlet, useMatch } from "react-router";
import type { Sock } from "../api/client";
import { useSaveSock } from "../api/socks";
import { usePageTitle } from "../shell/usePageTitle";
import { WithSock } from "../shell/WithSock";
import { useUnit } from "../units/units";
import { BoardHeading } from "./BoardHeading";
import { Conflict } from "./Conflict";
import { Picture } from "./Picture";
import { BoardContext, createBoard, useBoard } from "./store";
import { OptionsContext, useOptions } from "./useOptions";

/** BoardPage is the board on which one sock is decided; its side shows one of several panels. */
export function BoardPage() {
  return <WithSock>{(sock) => <BoardOf key={sock.id} sock={sock} />}</WithSock>;
}

function BoardOf({ sock }: { sock: Sock }) {
  const unit = useUnit();
  const { mutateAsync } = useSaveSock();
  const [board] = useState(() => createBoard(sock, unit, mutateAsync));
  useEffect(() => board.getState().setUnit(unit), [board, unit]);
  useEffect(() => {
    board.getState().ask();
    const ask = (event: BeforeUnloadEvent) => {
      if (board.getState().save !== "saved") {
        event.preventDefault();
      }
    };
    window.addEventListener("beforeunload", ask);
    return () => {
      window.removeEventListener("beforeunload", ask);
      board.getState().leave();
    };
  }, [board]);
  return (
    <BoardContext value={board}>
      <Keys />
      <Layout sock={sock} />
    </BoardContext>
  );
}

/** Keys undoes and redoes by keyboard, outside of fields, which have their own undo. */
function Keys() {
  const undo = useBoard((b) => b.undo);
  const redo = useBoard((b) => b.redo);
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && event.target.matches("input, textarea");
      if (typing && !(event.target as HTMLElement).matches("[type=radio], [type=checkbox]")) {
        return;
      }
      const key = event.key.toLowerCase();
      if ((event.ctrlKey || event.metaKey) && (key === "z" || key === "y")) {
        event.preventDefault();
        (key === "y" || event.shiftKey ? redo : undo)();
      }
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, [undo, redo]);
  return null;
}

function Layout({ sock }: { sock: Sock }) {
  const name = useBoard((b) => b.content.name);
  const options = useOptions();
  const wide = useMatch("/socks/:id/compare") !== null;
  usePageTitle(name);
  return (
    <OptionsContext value={options}>
      <BoardHeading id={sock.id} onNeedles={sock.on_needles} />
      <Conflict />
      <div className={wide ? "board wide" : "board"}>
        {!wide && (
          <section className="sheet" aria-label="The sock">
            <Picture />
          </section>
        )}
        <div className="choices">
          {sock.on_needles && (
            <p className="stale-note">
              This sock is <Link to={`/socks/${sock.id}/knit`}>on the needles</Link> and follows the plan it
              was cast on with. What you change here is for the next pair; what is being knitted is bent
              there, with “I tried it on” and “It went otherwise”.
            </p>
          )}
          <Outlet context={sock} />
        </div>
      </div>
    </OptionsContext>
  );
}
