import { useRef, useState } from "react";
import type { DesignField } from "../api/field";
import { lengthWithUnit, useUnit } from "../units/units";
import type { Gripped } from "./bent";
import css from "./drawing.module.css";
import { at, type Frame } from "./frame";

/** Drag is where a drag began, how far from the handle it was gripped, and its last stop. */
type Drag = { from: Gripped; stop: number; grip: number; name: string };

/** Keys that follow each other faster than the drawing count from what was asked for, in ms. */
const answerTime = 600;

/** How many stops the page keys move. */
const leap = 5;

/**
 * HandleMark is a place on the sock that can be dragged along a line, by
 * pointer or by keys; it stops only where knitting can stop.
 */
export function HandleMark({
  handle,
  frame,
  move,
  hold,
}: {
  handle: Gripped;
  frame: Frame;
  /** Says that a drag begins, and that it is over. */
  hold: (held: boolean) => void;
  /** Takes the field's new value; one drag has one name. */
  move: (field: DesignField, value: number, drag: string) => void;
}) {
  const unit = useUnit();
  const mark = useRef<SVGGElement>(null);
  const drag = useRef<Drag | null>(null);
  const asked = useRef<{ value: number; at: number } | null>(null);
  const [held, setHeld] = useState(false);
  const s = frame.scale;
  const upright = handle.axis === "x";
  const axis = upright ? 0 : 1;
  const spoken = () => {
    const length = handle.field.endsWith("_mm")
      ? `, ${lengthWithUnit(handle.first + handle.now * handle.each, unit)}`
      : "";
    const name = handle.field === "fit.length_ease_mm" ? `${length} shorter than the foot` : length;
    return `${handle.first_count + handle.now * handle.each_count} ${handle.word}${name}`;
  };
  /** go asks for a stop; the handle itself moves with the drawing that answers. */
  const go = (from: Gripped, stop: number, name: string) => {
    const within = Math.min(Math.max(stop, 0), from.stops - 1);
    const value = from.first + within * from.each;
    asked.current = { value, at: performance.now() };
    move(from.field, value, name);
    return within;
  };
  /** standing is the stop from which a key goes on: what was asked for a moment ago, or where the handle is. */
  const standing = () =>
    asked.current && performance.now() - asked.current.at < answerTime
      ? Math.round((asked.current.value - handle.first) / handle.each)
      : handle.now;
  /** along is where a pointer is on the handle's line, in mm. */
  const along = (event: React.PointerEvent): number => {
    const matrix = mark.current?.ownerSVGElement?.getScreenCTM();
    if (!matrix) {
      return 0;
    }
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    return upright ? point.x : frame.sock.height_mm - point.y;
  };
  const drop = () => {
    drag.current = null;
    setHeld(false);
    hold(false);
  };
  const [x, y] = at(frame, handle.at);
  return (
    <g
      ref={mark}
      className={held ? `${css.handle} ${css.dragged}` : css.handle}
      role="slider"
      tabIndex={0}
      aria-label={handle.label}
      aria-orientation={upright ? "horizontal" : "vertical"}
      aria-valuemin={0}
      aria-valuemax={handle.stops - 1}
      aria-valuenow={handle.now}
      aria-valuetext={spoken()}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        drag.current = {
          from: handle,
          stop: handle.now,
          grip: along(event) - (handle.at[axis] ?? 0),
          name: `drag ${handle.field} ${event.timeStamp}`,
        };
        setHeld(true);
        hold(true);
      }}
      onPointerMove={(event) => {
        const d = drag.current;
        if (d) {
          const steps = (along(event) - d.grip - (d.from.at[axis] ?? 0)) / d.from.step_mm;
          const stop = d.from.now + Math.round(steps);
          if (stop !== d.stop) {
            d.stop = go(d.from, stop, d.name);
          }
        }
      }}
      onPointerUp={drop}
      onPointerCancel={drop}
      onKeyDown={(event) => {
        const way = handle.step_mm > 0 ? 1 : -1;
        const now = standing();
        const stop = {
          ArrowRight: now + way,
          ArrowUp: now + way,
          ArrowLeft: now - way,
          ArrowDown: now - way,
          PageUp: now + leap * way,
          PageDown: now - leap * way,
          Home: way > 0 ? 0 : handle.stops - 1,
          End: way > 0 ? handle.stops - 1 : 0,
        }[event.key];
        if (stop !== undefined) {
          event.preventDefault();
          go(handle, stop, `keys ${handle.field}`);
        }
      }}
      transform={`translate(${x} ${y})`}
    >
      <title>{`${handle.label}: drag, or use the arrow keys`}</title>
      <circle className={css.reach} r={13 * s} />
      <rect
        className={css.grip}
        x={(upright ? -5 : -8) * s}
        y={(upright ? -8 : -5) * s}
        width={(upright ? 10 : 16) * s}
        height={(upright ? 16 : 10) * s}
        rx={5 * s}
      />
      <path
        className={css.handleWays}
        strokeWidth={1.1 * s}
        d={
          upright
            ? `M${-1.2 * s} ${-3 * s}l${-2 * s} ${3 * s}l${2 * s} ${3 * s}M${1.2 * s} ${-3 * s}l${2 * s} ${3 * s}l${-2 * s} ${3 * s}`
            : `M${-3 * s} ${-1.2 * s}l${3 * s} ${-2 * s}l${3 * s} ${2 * s}M${-3 * s} ${1.2 * s}l${3 * s} ${2 * s}l${3 * s} ${-2 * s}`
        }
      />
      {held && (
        <text
          className={css.dragging}
          x={upright ? 0 : -12 * s}
          y={upright ? -14 * s : 3 * s}
          fontSize={8 * s}
          textAnchor={upright ? "middle" : "end"}
        >
          {spoken()}
        </text>
      )}
    </g>
  );
}
