import { useId } from "react";
import type { Plan, Shape } from "../api/client";
import { useNarrow } from "../shell/useNarrow";
import { lengthText, lengthWithUnit, type Unit } from "../units/units";

// The sock to scale, in millimetres: every line is one knitted row. The y axis
// of the shape points up, that of the picture down.

type Pin = { key: string; at: [number, number]; label: [number, number]; number: string; text: string[] };

type Frame = { scale: number; left: number; top: number; width: number; height: number; sock: Shape };

/** A sock of this height in mm is drawn with lettering at its natural size. */
const usualHeight = 235;

/** On a narrow screen the picture shrinks, so its lettering grows. */
const narrowLettering = 1.75;

function frameOf(shape: Shape, narrow: boolean): Frame {
  const natural = Math.max(shape.height_mm, shape.width_mm * 0.85) / usualHeight;
  const scale = narrow ? natural * narrowLettering : natural;
  const left = -14 * scale;
  return {
    scale,
    left,
    top: -12 * scale,
    width: shape.width_mm + (narrow ? 88 : 112) * scale - left,
    height: shape.height_mm + 40 * scale,
    sock: shape,
  };
}

const middle = (points: [number, number][]): [number, number] => {
  const first = points[0] ?? [0, 0];
  const last = points[points.length - 1] ?? first;
  return [(first[0] + last[0]) / 2, (first[1] + last[1]) / 2];
};

/** linesOf gives the lines of a section, in order. */
function linesOf(shape: Shape, section: string): [number, number][][] {
  return shape.lines
    .filter((line) => line.row.startsWith(`${section}-`))
    .map((line) => line.points as [number, number][]);
}

const half = <T,>(list: T[]): T | undefined => list[Math.floor(list.length / 2)];

const topOf = (line: [number, number][] | undefined): [number, number] => {
  const last = line?.[line.length - 1];
  return last ?? [0, 0];
};

function pinsOf(frame: Frame, plan: Plan, unit: Unit): Pin[] {
  const { scale: s, sock } = frame;
  const sum = plan.summary;
  const right = sock.width_mm + 15 * s;
  const toe = half(linesOf(sock, "toe"));
  const foot = half(linesOf(sock, "foot"));
  const heel = linesOf(sock, "heel").filter((line) => line.length === 2);
  const leg = half(linesOf(sock, "leg"));
  const cuff = half(linesOf(sock, "cuff"));
  const footTop = Math.max(...linesOf(sock, "foot").map((line) => topOf(line)[1]), topOf(toe)[1]);
  const legLeft = Math.min(...linesOf(sock, "leg").map((line) => line[0]?.[0] ?? 0), sock.width_mm);
  const pins: Pin[] = [];
  if (toe) {
    pins.push({
      key: "toe",
      at: middle(toe),
      label: [0, footTop + 18 * s],
      number: `${sum.increase_rounds ?? sum.toe_rounds}`,
      text: [
        sum.increase_rounds === null ? "rows in the toe" : "increase rounds",
        `${sum.cast_on_stitches} cast on → ${sum.foot_stitches}`,
      ],
    });
  }
  if (foot) {
    pins.push({
      key: "foot",
      at: topOf(foot),
      label: [Math.max(0, Math.min(topOf(foot)[0] - 55 * s, legLeft - 72 * s)), footTop + 58 * s],
      number: `${sum.foot_rounds}`,
      text: ["rounds to the heel,", `${lengthWithUnit(sum.heel_starts_at_mm, unit)} from the tip`],
    });
  }
  if (cuff) {
    pins.push({
      key: "cuff",
      at: topOf(cuff),
      label: [right, topOf(cuff)[1]],
      number: `${sum.cuff_rounds}`,
      text: ["cuff rounds"],
    });
  }
  if (leg) {
    pins.push({
      key: "leg",
      at: topOf(leg),
      label: [right, topOf(leg)[1]],
      number: `${sum.leg_rounds}`,
      text: ["leg rounds"],
    });
  }
  const flap = sum.flap_rows !== null;
  const heelText = flap
    ? ["flap rows", `${sum.heel_stitches} heel stitches,`, `${sum.turn_stitches} left after the turn`]
    : [
        "turns on each side",
        `${sum.heel_stitches} heel stitches,`,
        `${sum.heel_centre_stitches} in the centre`,
      ];
  const heelLine = heel[Math.floor(heel.length * 0.72)];
  if (heelLine) {
    pins.push({
      key: "heel",
      at: middle(heelLine),
      label: [right, Math.max(20 * s, topOf(heelLine)[1] - 8 * s)],
      number: `${flap ? sum.flap_rows : sum.heel_turns_per_side}`,
      text: heelText,
    });
  }
  return pins;
}

/** spoken says the picture in a sentence. */
function spoken(plan: Plan, unit: Unit): string {
  const s = plan.summary;
  return (
    `The sock to scale: cast on ${s.cast_on_stitches}, ${s.increase_rounds ?? 0} increase rounds to ${s.foot_stitches} stitches, ` +
    `${s.foot_rounds} rounds to the heel, which starts ${lengthWithUnit(s.heel_starts_at_mm, unit)} from the tip, ` +
    `heel on ${s.heel_stitches} stitches with ${s.flap_rows === null ? `${s.heel_turns_per_side} turns on each side` : `a flap of ${s.flap_rows} rows`}, ` +
    `${s.leg_rounds} leg rounds and ${s.cuff_rounds} cuff rounds.`
  );
}

const path = (points: number[][], top: number) =>
  points.map(([x = 0, y = 0], i) => `${i === 0 ? "M" : "L"}${x} ${(top - y).toFixed(2)}`).join("");

/** Rows draws every row as a line; adjoining sections alternate between two yarn tones. */
export function Rows({ shape, plan }: { shape: Shape; plan: Plan }) {
  const roundHeight = 100 / plan.design.gauge.rounds_per_100mm;
  const stitchWidth = 100 / plan.design.gauge.stitches_per_100mm;
  return (
    <g fill="none" strokeWidth={roundHeight * 0.78}>
      {shape.lines.map((line) => {
        const section = line.row.slice(0, line.row.lastIndexOf("-"));
        return (
          <path
            key={line.row}
            d={path(line.points, shape.height_mm)}
            className={`row-line ${plan.design.yarn.contrast.length > 0 ? `by-yarn ${line.colour}` : section}`}
            {...(section === "cuff" && {
              strokeDasharray: `${(stitchWidth * 0.62).toFixed(2)} ${(stitchWidth * 0.38).toFixed(2)}`,
            })}
          />
        );
      })}
    </g>
  );
}

function Ruler({ frame, unit }: { frame: Frame; unit: Unit }) {
  const step = unit === "cm" ? 10 : 25.4;
  const every = unit === "cm" ? 5 : 1;
  const s = frame.scale;
  const y = frame.sock.height_mm + 9 * s;
  const ticks = Array.from({ length: Math.floor(frame.sock.width_mm / step) + 1 }, (_, i) => i);
  return (
    <g className="ruler" strokeWidth={0.5 * s}>
      {ticks.map((i) => (
        <g key={i}>
          <path d={`M${i * step} ${y}v${(i % every === 0 ? 6 : 3.5) * s}`} />
          {i % every === 0 && (
            <text x={i * step} y={y + 12.5 * s} fontSize={5.5 * s} textAnchor="middle">
              {lengthText(i * step, unit)}
            </text>
          )}
        </g>
      ))}
      <text x={frame.sock.width_mm + 6 * s} y={y + 12.5 * s} fontSize={5.5 * s}>
        {unit} from the tip
      </text>
    </g>
  );
}

/** SockDrawing is the sock with the numbers pinned where they are used. */
export function SockDrawing({
  shape,
  plan,
  unit,
  stale,
}: {
  shape: Shape;
  plan: Plan;
  unit: Unit;
  stale: boolean;
}) {
  const frame = frameOf(shape, useNarrow());
  const s = frame.scale;
  const title = useId();
  return (
    <svg
      className={stale ? "sock stale" : "sock"}
      viewBox={`${frame.left} ${frame.top} ${frame.width} ${frame.height}`}
      role="img"
      aria-labelledby={title}
    >
      <title id={title}>{spoken(plan, unit)}</title>
      <Rows shape={shape} plan={plan} />
      <Ruler frame={frame} unit={unit} />
      {pinsOf(frame, plan, unit).map((pin) => {
        const at = [pin.at[0], shape.height_mm - pin.at[1]] as const;
        const label = [pin.label[0], shape.height_mm - pin.label[1]] as const;
        const toRight = label[0] > at[0];
        const joint = toRight ? label[0] - 3 * s : label[0] + 4 * s;
        return (
          <g key={pin.key} className="pin">
            <path
              d={`M${at[0]} ${at[1]}L${joint} ${toRight ? label[1] - 3 * s : label[1] + (pin.text.length * 8 + 2.5) * s}`}
              strokeWidth={0.55 * s}
            />
            <circle cx={at[0]} cy={at[1]} r={1.9 * s} />
            <text x={label[0]} y={label[1]} fontSize={13 * s} className="number">
              {pin.number}
            </text>
            {pin.text.map((line, i) => (
              <text
                key={line}
                x={label[0]}
                y={label[1] + (8.5 + i * 8) * s}
                fontSize={7.2 * s}
                className="caption"
              >
                {line}
              </text>
            ))}
          </g>
        );
      })}
    </svg>
  );
}

/** SockSketch is the sock alone, small. */
export function SockSketch({ shape, plan }: { shape: Shape; plan: Plan }) {
  return (
    <svg className="sketch" viewBox={`-4 -4 ${shape.width_mm + 8} ${shape.height_mm + 8}`} aria-hidden="true">
      <Rows shape={shape} plan={plan} />
    </svg>
  );
}
