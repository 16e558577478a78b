import { memo, useId, useState } from "react";
import type { Drawing, Plan, PlanAnswer, Spot } from "../api/client";
import type { DesignField } from "../api/field";
import { useNarrow } from "../shell/useNarrow";
import { countText, lengthText, lengthWithUnit, type Unit } from "../units/units";
import { bent, gripped } from "./bent";
import css from "./drawing.module.css";
import { at, type Frame, frameOf, type Held, sizeOf } from "./frame";
import { HandleMark } from "./HandleMark";
import { PullMap } from "./PullMap";
import { type Pin, pinsOf } from "./pins";
import { Outline, Rows } from "./Rows";

/** spoken says the picture in sentences. */
export function spoken(plan: Plan, unit: Unit): string[] {
  const s = plan.summary;
  const heel =
    s.flap_rows === null
      ? `${countText(s.heel_turns_per_side ?? 0, "turn")} on each side`
      : `a flap of ${s.flap_rows} rows`;
  return [
    `Cast on ${s.cast_on_stitches} stitches${s.increase_rounds === null ? "" : ` and increase in ${countText(s.increase_rounds, "round")}`} to ${s.foot_stitches}.`,
    `Knit ${countText(s.foot_rounds, "round")} to the heel, which starts ${lengthWithUnit(s.heel_starts_at_mm, unit)} from the tip.`,
    `The heel is worked on ${s.heel_stitches} stitches with ${heel}.`,
    `The leg has ${s.leg_stitches} stitches: ${countText(s.leg_rounds, "round")}, and ${s.cuff_rounds} of the cuff.`,
    `The sock is ${lengthWithUnit(s.finished_length_mm, unit)} long for a foot of ${lengthWithUnit(plan.design.foot.length_mm, unit)}.`,
  ];
}

const Ruler = memo(function Ruler({ frame, unit }: { frame: Frame; unit: Unit }) {
  const step = unit === "cm" ? 10 : 25.4;
  const every = unit === "cm" ? 5 : 1;
  const s = frame.scale;
  const y = frame.sock.height_mm + 9 * s;
  const ticks = Array.from({ length: Math.floor(frame.sock.width_mm / step) + 1 }, (_, i) => i);
  return (
    <g className={css.ruler} strokeWidth={0.5 * s}>
      {ticks.map((i) => (
        <g key={i}>
          <path d={`M${i * step} ${y}v${(i % every === 0 ? 6 : 3.5) * s}`} />
          {i % every === 0 && (
            <text x={i * step} y={y + 13.5 * s} fontSize={6.5 * s} textAnchor="middle">
              {lengthText(i * step, unit)}
            </text>
          )}
        </g>
      ))}
      <text x={frame.sock.width_mm + 8 * s} y={y + 13.5 * s} fontSize={6.5 * s}>
        {unit} from the tip
      </text>
    </g>
  );
});

function PinMark({ pin, frame, show }: { pin: Pin; frame: Frame; show: (name: string) => void }) {
  const s = frame.scale;
  const [x, y] = at(frame, pin.at);
  const [lx, ly] = at(frame, pin.label);
  const toRight = lx > x;
  const joint = toRight ? lx - 3 * s : lx + (pin.joint ?? 4 * s);
  return (
    // biome-ignore lint/a11y/useSemanticElements: a button cannot lie in a drawing
    <g
      className={css.pin}
      role="button"
      tabIndex={0}
      aria-label={`${pin.number} ${pin.text.join(" ")}: show the working`}
      onClick={() => show(pin.name)}
      onKeyDown={(event) => (event.key === "Enter" || event.key === " ") && show(pin.name)}
    >
      <path
        d={`M${x} ${y}L${joint} ${toRight ? ly - 3 * s : ly + (pin.text.length * 8.5 + 3) * s}`}
        strokeWidth={0.55 * s}
      />
      <circle cx={x} cy={y} r={1.9 * s} />
      <text x={lx} y={ly} fontSize={14 * s} className="number">
        {pin.number}
      </text>
      {pin.text.map((line, i) => (
        <text key={line} x={lx} y={ly + (9 + i * 8.5) * s} fontSize={7.6 * s} className="caption">
          {line}
        </text>
      ))}
    </g>
  );
}

/** SockDrawing is the sock beside a ghost of the foot, with the numbers pinned where they are used. */
export const SockDrawing = memo(function SockDrawing({
  answer,
  drawing,
  unit,
  stale,
  marked,
  pull,
  spot,
  show,
  move,
  touch,
  look,
}: {
  answer: PlanAnswer;
  drawing: Drawing;
  unit: Unit;
  stale: boolean;
  /** The place of the fit that is looked at. */
  marked: string | null;
  /** Shows where it pulls, and the spot that is looked at. */
  pull: boolean;
  spot: Spot | undefined;
  show: (name: string) => void;
  move: (field: DesignField, value: number, drag: string) => void;
  /** Opens the decision of a section of the rows. */
  touch: (section: string) => void;
  /** Looks at a spot where it pulls. */
  look: (spot: Spot) => void;
}) {
  const narrow = useNarrow();
  const title = useId();
  const [held, setHeld] = useState<Held | undefined>();
  const { plan, handles = [] } = answer;
  if (!drawing.shape || !plan) {
    return null;
  }
  const shape = bent(drawing.shape, drawing, handles);
  const frame = frameOf(shape, narrow, held);
  const place = drawing.places?.find((p) => p.place === marked)?.ends?.map((end) => at(frame, end));
  return (
    // biome-ignore lint/a11y/useSemanticElements: a fieldset holds no drawing
    <svg
      className={stale ? `${css.sock} ${css.stale}` : css.sock}
      viewBox={`${frame.left} ${frame.top} ${frame.width} ${frame.height}`}
      role="group"
      aria-labelledby={title}
    >
      <title id={title}>The sock to scale</title>
      {drawing.ghost && <Outline points={drawing.ghost} top={shape.height_mm} />}
      {pull && drawing.pull ? (
        <PullMap pull={drawing.pull} frame={frame} plan={plan} spot={spot} look={look} />
      ) : (
        <Rows shape={shape} plan={plan} touch={touch} />
      )}
      {place?.[0] && place[1] && (
        <path className={css.placeLine} d={`M${place[0]}L${place[1]}`} strokeWidth={2.2 * frame.scale} />
      )}
      <Ruler frame={frame} unit={unit} />
      {pinsOf(frame, plan, unit).map((pin) => (
        <PinMark key={pin.name} pin={pin} frame={frame} show={show} />
      ))}
      {!stale &&
        gripped(handles, drawing).map((handle) => (
          <HandleMark
            key={handle.field}
            handle={handle}
            frame={frame}
            move={move}
            hold={(on) => setHeld(on ? sizeOf(shape) : undefined)}
          />
        ))}
    </svg>
  );
});
