import type { Drawing, Plan } from "../api/client";
import { Patches } from "./PullMap";
import { Outline, Rows } from "./Rows";

/** How much is left free round a sock, and behind its heel, in mm. */
const rim = 12;
const behind = 18;

/**
 * StillSock is a sock on its foot to look at: its rows, or where it pulls.
 * Socks that are given the same room stand on one floor at one scale.
 */
export function StillSock({
  drawing,
  plan,
  label,
  room,
  pull = false,
}: {
  drawing: Drawing;
  plan: Plan;
  label: string;
  room?: { width: number; height: number };
  pull?: boolean;
}) {
  const { shape, ghost } = drawing;
  if (!shape) {
    return null;
  }
  const { width, height } = room ?? { width: shape.width_mm, height: shape.height_mm };
  return (
    <svg
      viewBox={`${-rim} ${shape.height_mm - height - rim} ${width + rim + behind} ${height + 2 * rim}`}
      role="img"
      aria-label={label}
    >
      {ghost && <Outline points={ghost} top={shape.height_mm} />}
      {pull && drawing.pull ? (
        <Patches pull={drawing.pull} top={shape.height_mm} plan={plan} />
      ) : (
        <Rows shape={shape} plan={plan} />
      )}
    </svg>
  );
}
