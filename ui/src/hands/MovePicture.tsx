import { memo } from "react";
import { among } from "../shell/among";
import css from "./hands.module.css";
import type { Move } from "./useHands";

type Picture = Move["steps"][number]["picture"];

/** What is drawn without a rim: it never passes over a strand. */
const bare = new Set(["hint", "tip"]);

/** MovePicture strokes one step: every strand with a rim of paper, so that it passes over what lies below. */
export const MovePicture = memo(function MovePicture({
  picture,
  label,
}: {
  picture: Picture;
  label: string;
}) {
  return (
    <svg
      className={css.movePicture}
      viewBox={`0 0 ${picture.width} ${picture.height}`}
      role="img"
      aria-label={label}
    >
      {picture.strokes.map(({ d, part }, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: the strokes of a picture have no other name
        <g key={i}>
          {!bare.has(part) && <path className={`${css.rim} ${among(css, `rim-${part}`)}`} d={d} />}
          <path className={among(css, `part-${part}`)} d={d} pathLength={part === "now" ? 1 : undefined} />
        </g>
      ))}
    </svg>
  );
});
