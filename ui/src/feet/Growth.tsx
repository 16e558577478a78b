import { Input } from "antd";
import { useState } from "react";
import { type Side, useGrowth } from "../api/feet";
import { lengthText, lengthWithUnit, useUnit } from "../units/units";
import css from "./feet.module.css";
import { monthFrom, today } from "./today";

/** Growth says how long a growing foot will be in a chosen month. */
export function Growth({ wearer, side }: { wearer: string; side: Side }) {
  const unit = useUnit();
  const [month, setMonth] = useState(monthFrom(today(), 3).slice(0, 7));
  const day = /^\d{4}-\d{2}$/.test(month) ? `${month}-15` : "";
  const growth = useGrowth(wearer, side, day, unit);
  return (
    <section className={css.growth}>
      <h2>
        <label htmlFor="growth-month">A growing foot, in the month of</label>
        <Input
          id="growth-month"
          type="month"
          value={month}
          onChange={(event) => setMonth(event.target.value)}
        />
      </h2>
      {growth.isError ? (
        <p className="fault" role="alert">
          {growth.error.message}
        </p>
      ) : (
        growth.data && (
          <p>
            <strong className="figure">{lengthText(growth.data.length_mm, unit)}</strong> {unit}, ±{" "}
            {lengthWithUnit(growth.data.uncertainty_mm, unit)}
            <span className={css.growthSum}>{growth.data.working}</span>
            <span className="muted">{growth.data.text}</span>
          </p>
        )
      )}
    </section>
  );
}
