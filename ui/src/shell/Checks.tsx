import type { Check } from "../api/client";
import css from "../board/board-counts.module.css";
import { among } from "./among";

const names: Record<string, string> = { note: "Note", caution: "Look at this", stop: "Not a sock yet" };

/** Checks are the judgements on something, the gravest first. */
export function Checks({ checks, of }: { checks: Check[]; of?: string }) {
  const order = ["stop", "caution", "note"];
  const sorted = [...checks].sort((a, b) => order.indexOf(a.level) - order.indexOf(b.level));
  return (
    <ul className={css.checks} aria-label={of ? `What to look at: ${of}` : "What to look at"}>
      {sorted.map((check) => (
        <li key={check.code + check.text} className={among(css, check.level)}>
          <strong>{names[check.level]}</strong> {check.text}
        </li>
      ))}
    </ul>
  );
}
