import { useQueries } from "@tanstack/react-query";
import { Button, Skeleton } from "antd";
import { useCallback, useEffect, useRef, useState } from "react";
import type { Draft, Space } from "../api/client";
import { spaceOf } from "../api/plan";
import css from "../drawing/pull.module.css";
import { Failure } from "../shell/Failure";
import { useUnit } from "../units/units";
import { type Look, type Stage, stageOf } from "./stage";
import { unpacked } from "./surface";

/** How far a key turns, in radians, and how much nearer it comes. */
const turn = Math.PI / 12;
const nearer = 1.2;
const highest = 1.45;

const within = (look: Look): Look => ({
  round: look.round,
  up: Math.min(Math.max(look.up, -highest), highest),
  near: Math.min(Math.max(look.near, 0.6), 4),
});

const dye = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim();

const dyes: Record<string, string> = { "": "moss", contrast: "acorn" };
const repeats = ["moss", "acorn", "rosehip", "bark", "pull-slack"];

const yarnsOf = (space: Space) =>
  space.yarns.map((colour, i) =>
    dye(dyes[colour] ?? repeats[Number(colour.split("repeat-")[1] ?? i) % repeats.length] ?? "bark"),
  );

/** Named ways to look: at one sock, and at two beside each other. */
const looks = (side: Space["side"] | "both"): [string, Omit<Look, "near">][] => {
  const [left, right] = [
    { round: 0, up: 0.1 },
    { round: Math.PI, up: 0.1 },
  ];
  return side === "both"
    ? [
        ["Toes from above", { round: Math.PI / 2, up: 0.8 }],
        ["From the left", left],
        ["Soles", { round: Math.PI / 2, up: -1.1 }],
        ["Heels", { round: -Math.PI / 2, up: 0.25 }],
        ["From the right", right],
      ]
    : [
        ["Outer side", side === "left" ? left : right],
        ["Toe from above", { round: side === "left" ? 1.25 : Math.PI - 1.25, up: 0.85 }],
        ["Sole", { round: side === "left" ? 0 : Math.PI, up: -1.3 }],
        ["Heel", { round: side === "left" ? -1.9 : Math.PI + 1.9, up: 0.15 }],
        ["Inner side", side === "left" ? right : left],
      ];
};

/** A little round and above what is seen first, so that it is seen to be a body. */
const firstLook = (side: Space["side"] | "both"): Look =>
  side === "both"
    ? { round: 1.1, up: 0.55, near: 1 }
    : { round: side === "left" ? 0.35 : Math.PI - 0.35, up: 0.25, near: 1 };

/** Turned is a sock on its foot in space, or both socks of a pair: turned by mouse, by finger and by keys. */
export default function Turned({ drafts, pull }: { drafts: Draft[]; pull: boolean }) {
  const unit = useUnit();
  const answers = useQueries({ queries: drafts.map((draft) => spaceOf(draft, unit)) });
  const canvas = useRef<HTMLCanvasElement>(null);
  const stage = useRef<Stage | null>(null);
  const look = useRef<Look | undefined>(undefined);
  const [none, setNone] = useState(false);
  const spaces = answers.flatMap(({ data }) => data ?? []);
  const ready = spaces.length === drafts.length;
  const side = spaces.length > 1 ? "both" : (spaces[0]?.side ?? "left");
  const now = useCallback(() => look.current ?? firstLook(side), [side]);
  const draw = useCallback(() => stage.current?.draw(now(), pull), [now, pull]);
  const last = useRef(draw);
  last.current = draw;
  const go = (change: Partial<Look>) => {
    look.current = within({ ...now(), ...change });
    requestAnimationFrame(draw);
  };
  const made = answers.map(({ dataUpdatedAt }) => dataUpdatedAt).join();
  // biome-ignore lint/correctness/useExhaustiveDependencies: the stage is set anew when a sock was made anew, and only then
  useEffect(() => {
    const here = canvas.current;
    if (!here || !ready) {
      return;
    }
    try {
      stage.current = stageOf(
        here,
        spaces.map((space) => ({ surface: unpacked(space), yarns: yarnsOf(space) })),
        {
          words: ["pull-slack", "pull-sits", "pull-snug", "pull-tight"].map(dye),
          foot: dye("ghost"),
        },
      );
    } catch {
      setNone(true);
      return;
    }
    const fits = new ResizeObserver(([entry]) => {
      const { width, height } = entry?.contentRect ?? { width: 1, height: 1 };
      stage.current?.resize(width, height);
      last.current();
      here.dataset.drawn = "yes";
    });
    fits.observe(here);
    return () => {
      fits.disconnect();
      stage.current?.leave();
      stage.current = null;
    };
  }, [made, ready]);
  useEffect(draw, [draw]);
  const drag = useRef<{ x: number; y: number; look: Look } | null>(null);
  const fingers = useRef(new Map<number, { x: number; y: number }>());
  const pinch = useRef<{ apart: number; near: number } | null>(null);

  const failed = answers.find((answer) => answer.isError);
  if (failed) {
    return <Failure error={failed.error} retry={() => failed.refetch()} />;
  }
  if (none) {
    return (
      <p className="stale-note" role="status">
        This browser draws nothing in space. The sock from the side, and where it pulls, are still there.
      </p>
    );
  }
  const apart = () => {
    const [a, b] = [...fingers.current.values()];
    return a && b ? Math.hypot(a.x - b.x, a.y - b.y) : 0;
  };
  return (
    <div className={css.turned}>
      {!ready && <Skeleton active />}
      <canvas
        ref={canvas}
        hidden={!ready}
        role="img"
        tabIndex={0}
        aria-label={`${side === "both" ? "Both socks on their feet" : "The sock on its foot"}, to be turned with the arrow keys; plus and minus come nearer and go away, Home looks as at first`}
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          fingers.current.set(e.pointerId, { x: e.clientX, y: e.clientY });
          drag.current = { x: e.clientX, y: e.clientY, look: now() };
          pinch.current = fingers.current.size === 2 ? { apart: apart(), near: now().near } : null;
        }}
        onPointerMove={(e) => {
          if (!fingers.current.has(e.pointerId)) {
            return;
          }
          fingers.current.set(e.pointerId, { x: e.clientX, y: e.clientY });
          if (pinch.current) {
            go({ near: (pinch.current.near * apart()) / Math.max(pinch.current.apart, 1) });
          } else if (drag.current) {
            const { x, y, look: from } = drag.current;
            go({ round: from.round + (e.clientX - x) / 160, up: from.up + (e.clientY - y) / 160 });
          }
        }}
        onPointerUp={(e) => {
          fingers.current.delete(e.pointerId);
          drag.current = null;
          pinch.current = null;
        }}
        onPointerCancel={(e) => {
          fingers.current.delete(e.pointerId);
          drag.current = null;
          pinch.current = null;
        }}
        onWheel={(e) => go({ near: now().near * (e.deltaY < 0 ? 1.1 : 1 / 1.1) })}
        onKeyDown={(e) => {
          const { round, up, near } = now();
          const change = {
            ArrowLeft: { round: round - turn },
            ArrowRight: { round: round + turn },
            ArrowUp: { up: up + turn },
            ArrowDown: { up: up - turn },
            "+": { near: near * nearer },
            "-": { near: near / nearer },
            Home: firstLook(side),
          }[e.key];
          if (change) {
            e.preventDefault();
            go(change);
          }
        }}
      />
      <fieldset className={css.turnButtons}>
        <legend className="hidden">Turn the sock</legend>
        {looks(side).map(([name, to]) => (
          <Button key={name} size="small" onClick={() => go({ near: 1, ...to })}>
            {name}
          </Button>
        ))}
        <Button size="small" aria-label="Nearer" onClick={() => go({ near: now().near * nearer })}>
          +
        </Button>
        <Button size="small" aria-label="Farther away" onClick={() => go({ near: now().near / nearer })}>
          −
        </Button>
      </fieldset>
    </div>
  );
}
