import { useLayoutEffect } from "react";

/** Somebody types into one of these: a key belongs to it, but for the one that leaves it. */
const typing = "input:not([type=radio], [type=checkbox]), textarea, [role=combobox]";
/** A key on one of these that has the focus presses it. */
const pressed = "button, a, summary";
const presses = [" ", "Enter"];

/** useKeys does something for each key, wherever the focus is. */
export function useKeys(acts: Record<string, () => unknown>): void {
  // Before the screen is seen: a key that is pressed as soon as it is counts.
  useLayoutEffect(() => {
    const press = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if ((target.matches(typing) && event.key !== "Escape") || event.ctrlKey || event.metaKey) {
        return;
      }
      const act = acts[event.key];
      if (act && !(presses.includes(event.key) && target.matches(pressed))) {
        event.preventDefault();
        act();
      }
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  });
}
