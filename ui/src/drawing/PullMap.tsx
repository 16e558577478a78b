import { memo, type PointerEvent, useId } from "react";
import type { Plan, Pull, Spot } from "../api/client";
import { among } from "../shell/among";
import { at, type Frame } from "./frame";
import css from "./pull.module.css";

/** What each word means, and in which order they are told. */
export const pullWords: Record<Spot["word"], string> = {
  slack: "slack: it hangs loose",
  sits: "sits: as it should",
  snug: "snug: it holds firmly",
  tight: "tight: more than the fabric likes",
};

/** How near a touch has to be to a spot, in mm. */
const reach = 15;

const path = (points: number[][], top: number) =>
  `M${points.map(([x = 0, y = 0]) => `${x} ${Math.round((top - y) * 100) / 100}`).join("L")}`;

/** Patches are the rows of a sock by the word of their stretch: each has a colour and a line of its own. */
export const Patches = memo(function Patches({ pull, top, plan }: { pull: Pull; top: number; plan: Plan }) {
  const row = 100 / plan.design.gauge.rounds_per_100mm;
  const stitch = 100 / plan.design.gauge.stitches_per_100mm;
  const dashes: Record<string, string | undefined> = {
    slack: `${stitch * 0.35} ${stitch * 0.65}`,
    snug: `${stitch * 2.4} ${stitch * 0.6}`,
  };
  return (
    <g fill="none">
      {pull.patches.map((patch) => (
        <path
          key={patch.word}
          d={patch.lines.map((line) => path(line, top)).join("")}
          className={among(css, `pull-${patch.word}`)}
          strokeWidth={row * (patch.word === "tight" ? 1 : patch.word === "snug" ? 0.8 : 0.6)}
          strokeDasharray={dashes[patch.word]}
        />
      ))}
    </g>
  );
});

/** PullMap is the sock with its stretch. A touch looks at a spot. */
export const PullMap = memo(function PullMap({
  pull,
  frame,
  plan,
  spot,
  look,
}: {
  pull: Pull;
  frame: Frame;
  plan: Plan;
  spot: Spot | undefined;
  look: (spot: Spot) => void;
}) {
  const id = useId();
  const find = (event: PointerEvent<SVGGElement>) => {
    const matrix = event.currentTarget.ownerSVGElement?.getScreenCTM();
    if (!matrix) {
      return;
    }
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    const near = pull.spots
      .map((s) => {
        const [x, y] = at(frame, s.at);
        return { s, far: Math.hypot(x - point.x, y - point.y) };
      })
      .sort((a, b) => a.far - b.far)[0];
    if (near && near.far < reach) {
      look(near.s);
    }
  };
  const seen = spot && at(frame, spot.at);
  return (
    <g className={css.pullMap} onPointerDown={find} aria-labelledby={id}>
      <title id={id}>Where the sock pulls</title>
      {/* A line has no area: between the rows, this is touched. */}
      <rect className={css.pullArea} x={0} y={0} width={frame.sock.width_mm} height={frame.sock.height_mm} />
      <Patches pull={pull} top={frame.sock.height_mm} plan={plan} />
      {seen && <circle className={css.pullSpot} cx={seen[0]} cy={seen[1]} r={4.5 * frame.scale} />}
    </g>
  );
});
