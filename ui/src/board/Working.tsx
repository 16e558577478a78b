import { useQuery } from "@tanstack/react-query";
import { workingOf } from "../api/plan";
import { useUnit } from "../units/units";
import { useShown } from "./Num";
import { useBoard } from "./store";
import css from "./working.module.css";

/** Working is where the number that was clicked comes from, and what would change it. */
export function Working() {
  const [shown, show] = useShown();
  const unit = useUnit();
  const draft = useBoard((b) => b.calm.good?.draft);
  const lines = useQuery({
    ...workingOf(draft ?? { design: {}, entries: {} }, unit),
    enabled: draft !== undefined && shown !== null,
  });
  const line = shown === null ? undefined : lines.data?.find((l) => l.name === shown);
  return (
    <section className={css.working} aria-label="The working" aria-live="polite">
      {line ? (
        <>
          <h3>{line.label}</h3>
          <p className={css.sum}>{line.working}</p>
          <p className={css.change}>{line.change}</p>
          <button
            type="button"
            className={css.close}
            aria-label="Close the working"
            onClick={() => show(null)}
          >
            ×
          </button>
        </>
      ) : (
        <p className="muted">
          {shown === null || lines.isPending
            ? "Click any number to see where it comes from."
            : "This sock has no such number."}
        </p>
      )}
    </section>
  );
}
