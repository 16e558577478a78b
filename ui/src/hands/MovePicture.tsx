import { memo, useEffect, useRef } from "react";
import css from "./hands.module.css";
import { between, lasts as slowly } from "./motion";
import { type Picture, paintPicture } from "./paint";
import { useInks } from "./useInks";

/**
 * MovePicture paints one step. With a picture from which it comes it moves from there to here, once; who wants less motion
 * sees where it ends.
 */
export const MovePicture = memo(function MovePicture({
  picture,
  label,
  from,
  lasts = slowly,
}: {
  picture: Picture;
  label: string;
  from?: Picture | undefined;
  /** How long it moves, in milliseconds. */
  lasts?: number;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const inks = useInks(canvas);
  useEffect(() => {
    const here = canvas.current;
    if (!here || !inks) {
      return;
    }
    let frame = 0;
    let seen = false;
    const began = performance.now();
    const still = window.matchMedia("(prefers-reduced-motion: reduce)").matches;
    const draw = () => {
      const width = Math.round(here.clientWidth * Math.min(2, window.devicePixelRatio || 1));
      if (!seen || width === 0) {
        return;
      }
      if (here.width !== width) {
        here.width = width;
        here.height = Math.round((width * picture.height) / picture.width);
      }
      const t = from && !still ? Math.min(1, (performance.now() - began) / lasts) : 1;
      paintPicture(here, picture, inks, from && t < 1 ? between(from, picture, t) : undefined);
      here.dataset.painted = t < 1 ? "moving" : "still";
      if (t < 1) {
        frame = requestAnimationFrame(draw);
      }
    };
    // What nobody sees is not painted, and what changes its size is painted anew.
    const size = new ResizeObserver(draw);
    size.observe(here);
    const sight = new IntersectionObserver(
      ([entry]) => {
        if (entry?.isIntersecting && !seen) {
          seen = true;
          draw();
        }
      },
      { rootMargin: "200px" },
    );
    sight.observe(here);
    return () => {
      cancelAnimationFrame(frame);
      size.disconnect();
      sight.disconnect();
    };
  }, [picture, from, inks, lasts]);
  return (
    <canvas
      ref={canvas}
      className={css.movePicture}
      style={{ aspectRatio: `${picture.width} / ${picture.height}` }}
      // One without words stands beside its name.
      {...(label ? { role: "img", "aria-label": label } : { "aria-hidden": true })}
    />
  );
});
