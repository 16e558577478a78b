import type { School } from "../api/client";
import { countText, lengthWithUnit, useUnit } from "../units/units";

/** Schools sets the ways to reckon the foot side by side. */
export function Schools({ schools }: { schools: School[] }) {
  const unit = useUnit();
  const exact = schools.find((s) => s.name === "exact");
  const thumb = schools.find((s) => s.name === "thumb");
  if (!exact || !thumb) {
    return null;
  }
  return (
    <p className="hint">
      {countText(exact.rounds, "round")} by the toe's and heel's own rows: a sock of{" "}
      {lengthWithUnit(exact.finished_mm, unit)}; the rule of thumb says {thumb.rounds}, and it really measures{" "}
      {lengthWithUnit(thumb.finished_mm, unit)}.
    </p>
  );
}
