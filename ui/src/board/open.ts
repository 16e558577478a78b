import { useSearchParams } from "react-router";

/** decisionOf names the decision of a section of the rows: touching the sock opens it. */
export const decisionOf: Record<string, string> = {
  cast_on: "toe",
  toe: "toe",
  foot: "length",
  heel: "heel",
  gusset: "heel",
  leg: "leg",
  cuff: "cuff",
  bind_off: "cuff",
};

/** useOpen is the decision that is open, and opens another; it stands in the address. */
export function useOpen(): [string | null, (name: string | null) => void] {
  const [search, setSearch] = useSearchParams();
  const open = (name: string | null) =>
    setSearch(
      (before) => {
        const after = new URLSearchParams(before);
        if (name === null) {
          after.set("at", "");
        } else {
          after.set("at", name);
        }
        return after;
      },
      { replace: true },
    );
  return [search.get("at"), open];
}
