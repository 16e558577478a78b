import type { ReactNode } from "react";
import { useSearchParams } from "react-router";
import css from "./working.module.css";

/** useShown is the number whose working is shown; it stands in the address. */
export function useShown(): [string | null, (name: string | null) => void] {
  const [search, setSearch] = useSearchParams();
  const show = (name: string | null) =>
    setSearch(
      (before) => {
        const after = new URLSearchParams(before);
        if (name === null) {
          after.delete("show");
        } else {
          after.set("show", name);
        }
        return after;
      },
      { replace: true },
    );
  return [search.get("show"), show];
}

/** Num is a number that shows its working when it is clicked. */
export function Num({ name, children }: { name: string; children: ReactNode }) {
  const [shown, show] = useShown();
  return (
    <button
      type="button"
      className={css.num}
      aria-pressed={shown === name}
      title="Show the working"
      onClick={() => show(shown === name ? null : name)}
    >
      {children}
    </button>
  );
}
