import type { Shape } from "../api/client";

/** Frame is the window through which a sock is seen; the y axis of a shape points up, that of a picture down. */
export type Frame = {
  /** How many mm a unit of lettering is. */
  scale: number;
  left: number;
  top: number;
  width: number;
  height: number;
  sock: Shape;
};

/** A sock of this height in mm is drawn with lettering at its natural size. */
const usualHeight = 195;

/** On a narrow screen the picture shrinks, so its lettering grows. */
const narrowLettering = 1.5;

/** The window grows in steps, so that a drag does not make the picture swim. */
const step = 40;
const stepped = (mm: number) => Math.ceil(mm / step) * step;

/** Held is the size of the window while something is dragged: it stays, or the pointer would lose its place. */
export type Held = { tall: number; wide: number };

export const sizeOf = (shape: Shape): Held => ({
  tall: stepped(shape.height_mm),
  wide: stepped(shape.width_mm),
});

/** The left edge of the leg, in mm. */
export const legLeft = (shape: Shape): number =>
  Math.min(
    shape.width_mm,
    ...shape.lines.filter((line) => line.row.startsWith("leg-")).map((line) => line.points?.[0]?.[0] ?? 0),
  );

/** beforeLeg is where a text of two or three words begins that ends before the leg. */
export const beforeLeg = (shape: Shape, scale: number): number => legLeft(shape) - 84 * scale;

export function frameOf(shape: Shape, narrow: boolean, held?: Held): Frame {
  const { tall, wide } = held ?? sizeOf(shape);
  const natural = Math.max(tall, wide * 0.85) / usualHeight;
  const scale = narrow ? natural * narrowLettering : natural;
  // What is written of toe and foot stands before the leg; a tall sock is small beside its lettering, which needs room to its left.
  const left = Math.min(-16 * scale, beforeLeg(shape, scale) - 4 * scale);
  const above = 14 * scale;
  return {
    scale,
    left,
    top: shape.height_mm - tall - above,
    width: wide + (narrow ? 92 : 112) * scale - left,
    height: tall + above + 30 * scale,
    sock: shape,
  };
}

/** at turns a place on the sock into one on the picture. */
export const at = (frame: Frame, [x = 0, y = 0]: readonly number[]): [number, number] => [
  x,
  frame.sock.height_mm - y,
];
