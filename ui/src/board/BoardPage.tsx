import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Outlet, useMatch } from "react-router";
import type { Sock } from "../api/client";
import { useSaveSock } from "../api/socks";
import { keptDraft } from "../shell/device";
import { holds } from "../shell/unsent";
import { usePageTitle } from "../shell/usePageTitle";
import { WithSock } from "../shell/WithSock";
import { useUnit } from "../units/units";
import { BoardHeading, panelNames } from "./BoardHeading";
import css from "./board.module.css";
import { Conflict } from "./Conflict";
import type { Content } from "./content";
import { NeedlesNote } from "./NeedlesNote";
import { Picture } from "./Picture";
import type { Unsaved } from "./saving";
import { keptSteps, type Steps } from "./steps";
import { BoardContext, createBoard, draftName, useBoard } from "./store";
import { OptionsContext, useOptions } from "./useOptions";

/** BoardPage is the board on which one sock is decided; its side shows one of several panels. */
export function BoardPage() {
  return <WithSock>{(sock) => <BoardWithDraft key={sock.id} sock={sock} />}</WithSock>;
}

/** BoardWithDraft waits for what was left unsaved on this device. */
function BoardWithDraft({ sock }: { sock: Sock }) {
  const left = useQuery({
    queryKey: ["on-device", "draft", sock.id],
    queryFn: async () => ({
      unsaved: await keptDraft<Unsaved>(draftName(sock.id)),
      stepsOf: await keptSteps(sock.id),
    }),
    gcTime: 0,
    staleTime: Number.POSITIVE_INFINITY,
  });
  return left.data !== undefined && <BoardOf sock={sock} {...left.data} />;
}

function BoardOf({
  sock,
  unsaved,
  stepsOf,
}: {
  sock: Sock;
  unsaved: Unsaved | undefined;
  stepsOf: ((now: Content) => Steps) | undefined;
}) {
  const unit = useUnit();
  const { mutateAsync } = useSaveSock();
  const [board] = useState(() => createBoard(sock, unit, mutateAsync, unsaved, stepsOf));
  useEffect(() => board.getState().setUnit(unit), [board, unit]);
  useEffect(() => {
    const save = () => board.getState().saveNow();
    board.getState().ask();
    window.addEventListener("online", save);
    const free = holds(draftName(sock.id), () => board.getState().save !== "saved");
    return () => {
      window.removeEventListener("online", save);
      free();
      board.getState().leave();
    };
  }, [board, sock.id]);
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
  const options = useOptions(sock.on_needles ? sock.id : undefined);
  const wide = useMatch("/socks/:id/compare") !== null;
  const { "*": panel = "" } = useMatch("/socks/:id/*")?.params ?? {};
  usePageTitle([panelNames[panel], name].filter(Boolean).join(" · "));
  return (
    <OptionsContext value={options}>
      <BoardHeading id={sock.id} onNeedles={sock.on_needles} />
      <Conflict />
      <div className={wide ? `${css.board} ${css.wide}` : css.board}>
        {!wide && (
          <section className={css.sheet} aria-label="The sock">
            <Picture />
          </section>
        )}
        <div className={css.choices}>
          {sock.on_needles && <NeedlesNote id={sock.id} />}
          <Outlet context={sock} />
        </div>
      </div>
    </OptionsContext>
  );
}
