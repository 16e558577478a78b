import { Input } from "antd";
import { useState } from "react";
import type { Schemas } from "../api/client";
import { dayText } from "../shell/moment";
import { countText } from "../units/units";
import css from "./log.module.css";

type DueView = Schemas["Due"];

/** rowsADay is what a present asks of each day until it is given. */
export const rowsADay = (due: DueView) => `${due.rows_a_day} ${due.rows_a_day === 1 ? "row" : "rows"} a day`;

/** Due is the day for which the pair is promised, and what that asks of the days before it. */
export function Due({
  due,
  promised,
  promise,
}: {
  due: DueView | undefined;
  promised: string;
  promise: (day: string) => void;
}) {
  // A year that is being typed passes through 0002, 0020 and 0202: none of them is promised.
  const [typing, setTyping] = useState<string | null>(null);
  const take = (day: string) => {
    const whole = day === "" || day >= "2000";
    setTyping(whole ? null : day);
    if (whole && day !== promised) {
      promise(day);
    }
  };
  return (
    <div className={css.due}>
      <p>
        <label htmlFor="due">A present for</label>{" "}
        <Input
          id="due"
          type="date"
          max="2200-12-31"
          value={typing ?? promised}
          onChange={(event) => take(event.target.value)}
        />
      </p>
      {due && due.on === promised && <Asks due={due} />}
    </div>
  );
}

function Asks({ due }: { due: DueView }) {
  if (due.rows === 0) {
    return <p className="mark">Both socks are done.</p>;
  }
  if (due.days < 0) {
    return <p className="fault">That day is over, and {countText(due.rows, "row")} of the pair are left.</p>;
  }
  return (
    <>
      <p>
        <strong className="figure">{due.rows_a_day}</strong>{" "}
        {due.days === 0
          ? "rows of the pair are left for today"
          : `rows a day, both socks: ${countText(due.rows, "row")} in ${due.days === 1 ? "1 day" : `${due.days} days`}`}
      </p>
      <p className={due.late_days > 0 ? "fault" : "muted"}>
        Both are done on {dayText(due.pair_on, "weekday")} if it goes on like this
        {due.late_days > 0 && `: ${due.late_days === 1 ? "a day" : `${due.late_days} days`} too late`}.
      </p>
    </>
  );
}
