import { createContext, useContext } from "react";

// How lengths and gauge are shown. Reading what a person types is the
// server's business; here numbers only get their spelling.

export type Unit = "cm" | "in";

const inch = 25.4;
const fractions = ["", "1/8", "1/4", "3/8", "1/2", "5/8", "3/4", "7/8"];

/** trimmed writes a number with at most one decimal. */
function trimmed(value: number): string {
  return (Math.round(value * 10) / 10).toString();
}

/** lengthText is a length in millimetres as a bare number in the unit: 25.1 or 9 7/8. */
export function lengthText(mm: number, unit: Unit): string {
  if (unit === "cm") {
    return trimmed(mm / 10);
  }
  const eighths = Math.round((mm / inch) * 8);
  const whole = Math.floor(eighths / 8);
  const part = fractions[eighths % 8];
  if (!part) {
    return `${whole}`;
  }
  return whole === 0 ? part : `${whole} ${part}`;
}

/** lengthWithUnit is a length in millimetres with its unit, with as many decimals in every sentence. */
export function lengthWithUnit(mm: number, unit: Unit): string {
  return unit === "cm" ? `${(mm / 10).toFixed(1)} cm` : `${lengthText(mm, unit)} in`;
}

const yard = 0.9144;

/** yarnUnit is what yarn is measured in: metres, or yards by who thinks in inches. */
export const yarnUnit = (unit: Unit) => (unit === "cm" ? "m" : "yd");

/** yarnText is a length of yarn in metres as a bare number in the unit. */
export const yarnText = (metres: number, unit: Unit) => trimmed(metres / (unit === "cm" ? 1 : yard));

/** yarnWithUnit is a length of yarn in metres with its unit. */
export const yarnWithUnit = (metres: number, unit: Unit) => `${yarnText(metres, unit)} ${yarnUnit(unit)}`;

/** metresOf is a length of yarn in metres that was typed in the unit. */
export const metresOf = (typed: number, unit: Unit) => typed * (unit === "cm" ? 1 : yard);

/** countText is a number of things with their noun: 1 round, 2 rounds. */
export const countText = (n: number, noun: string) => `${n} ${noun}${n === 1 ? "" : "s"}`;

/** gaugeWidth is the width over which a gauge is counted. */
export function gaugeWidth(unit: Unit): string {
  return unit === "cm" ? "10 cm" : "4 in";
}

/** gaugeText is a gauge per 100 mm as a count over that width. */
export function gaugeText(per100: number, unit: Unit): string {
  return trimmed(unit === "cm" ? per100 : (per100 * 4 * inch) / 100);
}

export const UnitContext = createContext<Unit>("cm");

export function useUnit(): Unit {
  return useContext(UnitContext);
}
