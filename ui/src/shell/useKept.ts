import { useCallback, useState } from "react";
import { remember, remembered } from "./remember";

/** useKept is a choice that this browser remembers. */
export function useKept<T extends string>(
  name: string,
  initial: T,
  possible: readonly T[],
): [T, (value: T) => void] {
  const key = `acorn-step.${name}`;
  const [value, setValue] = useState<T>(() => {
    const kept = remembered(key) as T | null;
    return kept && possible.includes(kept) ? kept : initial;
  });
  const keep = useCallback(
    (next: T) => {
      remember(key, next);
      setValue(next);
    },
    [key],
  );
  return [value, keep];
}
