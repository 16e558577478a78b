import type { Drawing, Handle, Shape } from "../api/client";

/** Gripped is a handle with the place where it lies on the drawing now, in mm. */
export type Gripped = Handle & { at: [number, number] };

/**
 * gripped lays the handles of the newest answer on a drawing that may be older:
 * each lies as many steps from where it was drawn as it has stops since.
 */
export function gripped(handles: Handle[], drawing: Drawing): Gripped[] {
  return handles.flatMap((handle) => {
    const grip = drawing.grips?.find((g) => g.field === handle.field);
    if (!grip) {
      return [];
    }
    const moved = (handle.now - grip.now) * handle.step_mm;
    const [x = 0, y = 0] = grip.at;
    return [{ ...handle, at: handle.axis === "x" ? [x + moved, y] : [x, y + moved] }];
  });
}

/** bent is a drawing with its leg as high as the handle stands now, until the sock is drawn anew. */
export function bent(shape: Shape, drawing: Drawing, handles: Handle[]): Shape {
  const handle = handles.find((h) => h.field === "leg.height_mm");
  const grip = drawing.grips?.find((g) => g.field === "leg.height_mm");
  const moved = handle && grip ? (handle.now - grip.now) * handle.step_mm : 0;
  const legs = shape.lines.filter((line) => line.row.startsWith("leg-"));
  if (moved === 0 || legs.length === 0) {
    return shape;
  }
  const foot = Math.min(...legs.flatMap((line) => line.points.map(([, y = 0]) => y)));
  const top = grip?.at[1] ?? shape.height_mm;
  const up = ([x = 0, y = 0]: number[]) => [
    x,
    y + moved * Math.min(Math.max((y - foot) / Math.max(top - foot, 1), 0), 1),
  ];
  const lines = shape.lines.map((line) =>
    line.row.startsWith("leg-") || line.row.startsWith("cuff-")
      ? {
          ...line,
          points: line.points.map(up),
          ...(line.purls && { purls: line.purls.map((p) => p.map(up)) }),
        }
      : line,
  );
  return { ...shape, lines, height_mm: shape.height_mm + moved };
}
