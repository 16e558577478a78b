import { useEffect, useRef } from "react";
import { gaugeWidth, type Unit, useUnit, yarnUnit } from "./units";

// A text keeps the unit in which it was typed: where another one is chosen before
// it was read, a bare number takes its unit along.

const bare = /^[\s\d.,/½¼¾⅛⅜⅝⅞+-]*\d[\s\d.,/½¼¾⅛⅜⅝⅞]*$/;

/** carried is a text with what a bare number in it was measured in. */
export const carried = (text: string, suffix: string) =>
  suffix !== "" && bare.test(text) ? `${text.trim()} ${suffix}` : text;

/** suffixOf is how a length, a gauge or a length of yarn says its unit in the field of a design; "" for other figures. */
export function suffixOf(field: string, unit: Unit): string {
  if (field.startsWith("gauge.")) {
    return `per ${gaugeWidth(unit)}`;
  }
  if (field === "yarn.ball_m") {
    return yarnUnit(unit);
  }
  return field.endsWith("_mm") ? unit : "";
}

/** useCarried has texts take their unit along when another one is chosen while they stand in their fields. */
export function useCarried(carry: (from: Unit) => void): void {
  const unit = useUnit();
  const was = useRef(unit);
  useEffect(() => {
    const from = was.current;
    was.current = unit;
    if (from !== unit) {
      carry(from);
    }
  });
}
