import { Button } from "antd";
import type { Schemas } from "../api/client";
import { dayText } from "../shell/moment";
import { lengthWithUnit, useUnit } from "../units/units";
import { useKnitting } from "./context";
import { rowsADay } from "./Due";
import css from "./knit-panel.module.css";
import { hours } from "./time";

type Row = Schemas["KnittingRow"];

/** Moment is what the fingers can check now, and what is left. */
export function Moment({
  sock,
  row,
  last,
  check,
  open,
  off,
}: {
  sock: number;
  /** The sock is off the needles, and nothing is asked of it any more. */
  off: boolean;
  row: Row | undefined;
  last: Row | undefined;
  check: string;
  open: (panel: string) => void;
}) {
  const unit = useUnit();
  const tally = useKnitting((s) => s.tally);
  const heel = useKnitting((s) => s.view);
  const reach = tally.ball?.each?.[sock - 1];
  const own = tally.each?.[sock - 1];
  return (
    <>
      {!off && (
        <section className={css.moment}>
          <h2>On the needles</h2>
          <p className={css.big}>{last ? check : "nothing yet"}</p>
          <p className="muted">{row && `${row.stitches} after this ${row.kind}`}</p>
          <Button size="small" onClick={() => open("count")}>
            My count is another
          </Button>
        </section>
      )}
      <section className={css.moment}>
        <h2>{last && last.up_mm > 0 ? "Up the leg, from the heel" : "From the tip of the toe"}</h2>
        <p className={css.big}>{lengthWithUnit((last?.up_mm || last?.length_mm) ?? 0, unit)}</p>
        <p className="muted">
          {row?.section === "toe" || row?.section === "foot"
            ? `the heel starts at ${lengthWithUnit(heel.heel_starts_at_mm, unit)}, ${heel.heel_place}`
            : "by the plan, laid flat"}
        </p>
      </section>
      <section className={css.moment}>
        <h2>In the ball</h2>
        {tally.ball ? (
          <>
            <p className={css.big}>{tally.ball.left_g.toFixed(0)} g</p>
            <p className="muted">
              {tally.ball.enough
                ? "enough for the pair"
                : reach?.enough
                  ? `enough for this sock, not for the pair: both take ${tally.ball.pair_g.toFixed(0)} g`
                  : "not enough for this sock"}
              , 8 % kept back
              {!tally.ball.calibrated && ", by a first guess: weigh again later"}
            </p>
            {tally.ball.doubt && <p className="fault">{tally.ball.doubt}</p>}
          </>
        ) : (
          <p className="muted">not weighed</p>
        )}
        <Button size="small" onClick={() => open("yarn")}>
          Weigh
        </Button>
      </section>
      <section className={css.moment}>
        <h2>At this pace</h2>
        <p className={css.big}>{tally.seconds_left > 0 ? `${hours(tally.seconds_left)} to go` : "…"}</p>
        {tally.done_on && tally.seconds_left > 0 && (
          <p>
            {own && own.seconds > 0 && `${hours(own.seconds)} of it on this sock; `}
            the pair is off the needles {dayText(tally.done_on, "weekday")}, at so much a day
          </p>
        )}
        {tally.due && tally.due.rows > 0 && (
          <p className={tally.due.late_days > 0 ? "fault" : ""}>
            {rowsADay(tally.due)} for the present on {dayText(tally.due.on, "weekday")}
          </p>
        )}
        <p className="muted">
          {tally.seconds_left > 0
            ? `${tally.stitches_left} stitches of the pair, ${tally.pace.seconds_per_stitch.toFixed(1)} s each`
            : "told after a few rows"}
        </p>
        <div className="actions">
          <Button size="small" onClick={() => open("note")}>
            Note
          </Button>
          {!off && (
            <Button size="small" onClick={() => open("happened")}>
              It went otherwise
            </Button>
          )}
        </div>
      </section>
    </>
  );
}
