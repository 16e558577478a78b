import type { ReactNode } from "react";
import css from "./feet.module.css";

// The foot from the side and from above, with the tape where it goes. 160 by 100.

const side =
  "M12 82c-6-10-3-20 12-23 16-3 30-7 42-13 14-7 20-18 21-40h30c-1 20 1 36 8 48 6 11 4 26-8 28-34 4-76 4-96 3-5 0-7-1-9-3z";
const above =
  "M12 52c-2-14 8-24 22-26 24-3 44 0 66 4 20 4 40 6 46 20 5 14-8 24-28 24-30 2-56 8-80 4-16-3-25-12-26-26z";

const tapes: Record<string, ReactNode> = {
  length_mm: (
    <>
      <path className={css.body} d={above} />
      <path className={css.tape} d="M12 92h136M12 86v12M148 86v12" />
      <path className={css.aid} d="M12 52v40M148 52v40" />
    </>
  ),
  ball_girth_mm: (
    <>
      <path className={css.body} d={side} />
      <path className={css.tape} d="M46 52c7 10 7 24 0 34" />
      <path className={css.aid} d="M46 52c-7 10-7 24 0 34" />
    </>
  ),
  toe_depth_mm: (
    <>
      <path className={css.body} d={above} />
      <path className={css.tape} d="M12 92h38M12 86v12M50 86v12" />
      <path className={css.aid} d="M12 52v40M50 76v16" />
      <circle className={css.end} cx="50" cy="76" r="3" />
    </>
  ),
  ball_width_mm: (
    <>
      <path className={css.body} d={above} />
      <path className={css.tape} d="M50 25v53M44 25h12M44 78h12" />
    </>
  ),
  heel_diagonal_mm: (
    <>
      <path className={css.body} d={side} />
      <path className={css.tape} d="M84 36c14 8 34 26 44 44" />
      <path className={css.aid} d="M84 36c4 18 24 38 44 44" />
    </>
  ),
  ankle_girth_mm: (
    <>
      <path className={css.body} d={side} />
      <path className={css.tape} d="M87 18c10 5 20 5 30 0" />
      <path className={css.aid} d="M87 18c10-5 20-5 30 0" />
    </>
  ),
  calf_girth_mm: (
    <>
      <path className={css.body} d="M58 96c4-30-6-50 2-92h40c10 40 2 60 2 92z" />
      <path className={css.tape} d="M56 36c16 7 34 7 50 0" />
      <path className={css.aid} d="M56 36c16-7 34-7 50 0" />
    </>
  ),
  calf_height_mm: (
    <>
      <path
        className={css.body}
        d="M58 82c4-30-6-44 2-78h40c10 34 2 50 4 70 4 8 2 14-6 14H30c-10 0-8-12 4-14z"
      />
      <path className={css.tape} d="M126 36v52M120 36h12M120 88h12" />
      <path className={css.aid} d="M104 36h22M98 88h28" />
    </>
  ),
  instep_girth_mm: (
    <>
      <path className={css.body} d={side} />
      <path className={css.tape} d="M66 46c9 12 9 28 0 41" />
      <path className={css.aid} d="M66 46c-8 12-8 28 0 41" />
    </>
  ),
  knee_girth_mm: (
    <>
      <path className={css.body} d="M58 96c4-30-8-44 4-72l-2-22h40l-2 22c12 28 2 42 2 72z" />
      <path className={css.tape} d="M61 26c14 6 22 6 36 0" />
      <path className={css.aid} d="M61 26c14-6 22-6 36 0" />
    </>
  ),
  knee_height_mm: (
    <>
      <path
        className={css.body}
        d="M58 82c4-24-8-36 3-60l-1-20h40l-1 20c11 24 1 40 3 52 4 8 2 14-6 14H30c-10 0-8-12 4-14z"
      />
      <path className={css.tape} d="M126 22v66M120 22h12M120 88h12" />
      <path className={css.aid} d="M98 22h28M98 88h28" />
    </>
  ),
  toe_tip_aside_mm: (
    <>
      <path className={css.body} d={above} />
      <path className={css.aid} d="M148 52H6" />
      <path className={css.tape} d="M20 52V30M14 52h12M14 30h12" />
      <circle className={css.end} cx="20" cy="30" r="3" />
    </>
  ),
  little_toe_aside_mm: (
    <>
      <path className={css.body} d={above} />
      <path className={css.aid} d="M148 52H6" />
      <path className={css.tape} d="M50 52v24M44 52h12M44 76h12" />
      <circle className={css.end} cx="50" cy="76" r="3" />
    </>
  ),
};

/** FootPicture shows where the tape goes. */
export function FootPicture({ kind }: { kind: string }) {
  return (
    <svg className={css.footPicture} viewBox="0 0 160 100" aria-hidden="true">
      {tapes[kind]}
    </svg>
  );
}
