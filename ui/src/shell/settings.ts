import { createContext, useContext } from "react";
import type { Scheme } from "../tokens";
import type { Unit } from "../units/units";

/** Settings are kept in this browser: they belong to the reader, not to a sock. */
export type Settings = {
  unit: Unit;
  setUnit: (unit: Unit) => void;
  scheme: Scheme;
  setScheme: (scheme: Scheme) => void;
};

export const SettingsContext = createContext<Settings>({
  unit: "cm",
  setUnit: () => {},
  scheme: "light",
  setScheme: () => {},
});

export const useSettings = () => useContext(SettingsContext);
