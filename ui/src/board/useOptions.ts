import { useQuery } from "@tanstack/react-query";
import { createContext, useContext } from "react";
import type { Choice } from "../api/client";
import type { DesignField } from "../api/field";
import { optionsOf } from "../api/plan";
import { useUnit } from "../units/units";
import { useBoard } from "./store";

export const OptionsContext = createContext<Choice[]>([]);

/** useOptions asks what every way would do, a moment after the drawing has followed. */
export function useOptions(onNeedles: string | undefined): Choice[] {
  const unit = useUnit();
  const draft = useBoard((b) => (b.calm.answer?.plan ? b.calm.answer : b.calm.good)?.draft);
  const options = useQuery({
    ...optionsOf(draft ?? { design: {}, entries: {} }, unit, onNeedles),
    enabled: draft !== undefined,
  });
  return options.data ?? none;
}

const none: Choice[] = [];

/** useChoice is one decision, undefined where it is none for this kind of sock. */
export function useChoice(field: DesignField): Choice | undefined {
  return useContext(OptionsContext).find((c) => c.field === field);
}
