import { useQuery } from "@tanstack/react-query";
import { Button, Skeleton } from "antd";
import { useCallback, useEffect, useRef, useState } from "react";
import type { Draft } from "../api/client";
import { spaceOf } from "../api/plan";
import { Failure } from "../shell/Failure";
import { useUnit } from "../units/units";
import { firstLook, type Look, type Stage, stageOf } from "./stage";
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

/** Turned is the sock on its foot in space: it is turned by mouse, by finger and by keys. */
export default function Turned({ draft, pull }: { draft: Draft; pull: boolean }) {
  const unit = useUnit();
  const space = useQuery(spaceOf(draft, unit));
  const canvas = useRef<HTMLCanvasElement>(null);
  const stage = useRef<Stage | null>(null);
  const look = useRef<Look>(firstLook);
  const [none, setNone] = useState(false);
  const draw = useCallback(() => stage.current?.draw(look.current, pull), [pull]);
  const go = (change: Partial<Look>) => {
    look.current = within({ ...look.current, ...change });
    requestAnimationFrame(draw);
  };
  const data = space.data;
  useEffect(() => {
    const here = canvas.current;
    if (!here || !data) {
      return;
    }
    const dyes: Record<string, string> = { "": "moss", contrast: "acorn" };
    const repeats = ["moss", "acorn", "rosehip", "bark", "pull-slack"];
    const yarnOf = (colour: string, i: number) =>
      dye(dyes[colour] ?? repeats[Number(colour.split("repeat-")[1] ?? i) % repeats.length] ?? "bark");
    try {
      stage.current = stageOf(here, unpacked(data), {
        yarns: data.yarns.map(yarnOf),
        words: ["pull-slack", "pull-sits", "pull-snug", "pull-tight"].map(dye),
        foot: dye("ghost"),
      });
    } catch {
      setNone(true);
      return;
    }
    const fits = new ResizeObserver(([entry]) => {
      const { width, height } = entry?.contentRect ?? { width: 1, height: 1 };
      stage.current?.resize(width, height);
      stage.current?.draw(look.current, false);
      here.dataset.drawn = "yes";
    });
    fits.observe(here);
    return () => {
      fits.disconnect();
      stage.current?.leave();
      stage.current = null;
    };
  }, [data]);
  useEffect(draw, [draw]);
  const drag = useRef<{ x: number; y: number; look: Look } | null>(null);
  const fingers = useRef(new Map<number, { x: number; y: number }>());
  const pinch = useRef<{ apart: number; near: number } | null>(null);

  if (space.isError) {
    return <Failure error={space.error} retry={() => space.refetch()} />;
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
    <div className="turned">
      {!data && <Skeleton active />}
      <canvas
        ref={canvas}
        hidden={!data}
        role="img"
        tabIndex={0}
        aria-label="The sock on its foot, to be turned with the arrow keys; plus and minus come nearer and go away, Home looks from the side"
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          fingers.current.set(e.pointerId, { x: e.clientX, y: e.clientY });
          drag.current = { x: e.clientX, y: e.clientY, look: look.current };
          pinch.current = fingers.current.size === 2 ? { apart: apart(), near: look.current.near } : null;
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
        onWheel={(e) => go({ near: look.current.near * (e.deltaY < 0 ? 1.1 : 1 / 1.1) })}
        onKeyDown={(e) => {
          const { round, up, near } = look.current;
          const change = {
            ArrowLeft: { round: round - turn },
            ArrowRight: { round: round + turn },
            ArrowUp: { up: up + turn },
            ArrowDown: { up: up - turn },
            "+": { near: near * nearer },
            "-": { near: near / nearer },
            Home: firstLook,
          }[e.key];
          if (change) {
            e.preventDefault();
            go(change);
          }
        }}
      />
      <fieldset className="turn-buttons">
        <legend className="hidden">Turn the sock</legend>
        {(
          [
            ["Outer side", { round: 0, up: 0.1 }],
            ["Toe from above", { round: 1.25, up: 0.85 }],
            ["Sole", { round: 0, up: -1.3 }],
            ["Heel", { round: -1.9, up: 0.15 }],
            ["Inner side", { round: Math.PI, up: 0.1 }],
          ] as [string, Partial<Look>][]
        ).map(([name, to]) => (
          <Button key={name} size="small" onClick={() => go({ near: 1, ...to })}>
            {name}
          </Button>
        ))}
        <Button size="small" aria-label="Nearer" onClick={() => go({ near: look.current.near * nearer })}>
          +
        </Button>
        <Button
          size="small"
          aria-label="Farther away"
          onClick={() => go({ near: look.current.near / nearer })}
        >
          −
        </Button>
      </fieldset>
    </div>
  );
}
