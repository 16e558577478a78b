import type { Plan, Shape } from "../api/client";
import { lengthWithUnit, type Unit } from "../units/units";
import { beforeLeg, type Frame } from "./frame";

type Place = [number, number];

/** Pin is a number of the plan at the place on the sock where it is used. */
export type Pin = {
  /** The number's name in the plan, by which its working is found. */
  name: string;
  at: Place;
  label: Place;
  /** Where under its lettering the line to it begins, from the left. */
  joint?: number;
  number: string;
  text: string[];
};

const middle = (points: Place[]): Place => points[Math.floor(points.length / 2)] ?? [0, 0];

/** linesOf gives the lines of a section, in order. */
const linesOf = (shape: Shape, section: string): Place[][] =>
  shape.lines.filter((line) => line.row.startsWith(`${section}-`)).map((line) => line.points as Place[]);

const half = <T>(list: T[]): T | undefined => list[Math.floor(list.length / 2)];

/** The place of a line that lies farthest in a direction. */
const farthest = (line: Place[] | undefined, axis: 0 | 1): Place =>
  (line ?? []).reduce<Place>((far, p) => (p[axis] > far[axis] ? p : far), line?.[0] ?? [0, 0]);
const topOf = (line: Place[] | undefined) => farthest(line, 1);
const rightOf = (line: Place[] | undefined) => farthest(line, 0);

export function pinsOf(frame: Frame, plan: Plan, unit: Unit): Pin[] {
  const { scale: s, sock } = frame;
  const sum = plan.summary;
  const right = sock.width_mm + 17 * s;
  const toe = half(linesOf(sock, "toe"));
  const footLines = linesOf(sock, "foot");
  const foot = footLines[Math.floor(footLines.length * 0.58)];
  const heel = linesOf(sock, "heel");
  const leg = half(linesOf(sock, "leg"));
  const cuff = half(linesOf(sock, "cuff"));
  const footTop = Math.max(...footLines.map((line) => topOf(line)[1]), topOf(toe)[1]);
  const before = beforeLeg(sock, s);
  // The lettering grows on a small screen; the numbers keep out of each other's way.
  const below = [...linesOf(sock, "toe"), ...footLines].flat().filter(([x]) => x < 68 * s);
  const toeLabel = Math.max(0, ...below.map(([, y]) => y)) + 22 * s;
  const pins: Pin[] = [];
  if (toe) {
    const wedge = sum.increase_rounds !== null;
    pins.push({
      name: wedge ? "increase_rounds" : "toe_rounds",
      at: middle(toe),
      label: [Math.min(0, before), toeLabel],
      number: `${sum.increase_rounds ?? sum.toe_rounds}`,
      text: [
        wedge ? "increase rounds" : "rows in the toe",
        `${sum.cast_on_stitches} cast on → ${sum.foot_stitches}`,
      ],
    });
  }
  if (foot) {
    pins.push({
      name: "foot_rounds",
      at: topOf(foot),
      label: [
        Math.min(Math.max(0, topOf(foot)[0] - 50 * s), before),
        Math.max(footTop + 24 * s, toeLabel + 46 * s),
      ],
      joint: 62 * s,
      number: `${sum.foot_rounds}`,
      text: ["rounds to the heel,", `${lengthWithUnit(sum.heel_starts_at_mm, unit)} from the tip`],
    });
  }
  if (cuff) {
    pins.push({
      name: "cuff_rounds",
      at: rightOf(cuff),
      label: [right, rightOf(cuff)[1]],
      number: `${sum.cuff_rounds}`,
      text: ["cuff rounds"],
    });
  }
  if (leg) {
    pins.push({
      name: "leg_rounds",
      at: rightOf(leg),
      label: [right, Math.min(rightOf(leg)[1], rightOf(cuff)[1] - 30 * s)],
      number: `${sum.leg_rounds}`,
      text: ["leg rounds"],
    });
  }
  const flap = sum.flap_rows !== null;
  const heelLine = heel[Math.floor(heel.length * 0.72)];
  if (heelLine) {
    pins.push({
      name: flap ? "flap_rows" : "heel_turns_per_side",
      at: rightOf(heelLine),
      label: [right, Math.max(20 * s, rightOf(heelLine)[1] - 8 * s)],
      number: `${flap ? sum.flap_rows : sum.heel_turns_per_side}`,
      text: flap
        ? ["flap rows", `${sum.heel_stitches} heel stitches,`, `${sum.turn_stitches} left after the turn`]
        : [
            "turns on each side",
            `${sum.heel_stitches} heel stitches,`,
            `${sum.heel_centre_stitches} in the centre`,
          ],
    });
  }
  return pins;
}
