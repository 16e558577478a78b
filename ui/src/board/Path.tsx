import { useEffect, useRef, useState } from "react";
import { useOutletContext } from "react-router";
import type { Decision, PlanAnswer, Sock } from "../api/client";
import { Checks } from "../shell/Checks";
import { CastOn } from "./CastOn";
import { DecisionContent } from "./DecisionContent";
import { NewsNotes } from "./NewsNotes";
import { useOpen } from "./open";
import css from "./path.module.css";
import { useBoard } from "./store";

/** What is decided first, where nothing can be worked out yet. */
const first: Decision[] = ["Foot", "Swatch"].map((title) => ({
  name: title.toLowerCase(),
  title,
  said: "",
  pieces: [],
  checks: [],
  numbers: [],
}));

/**
 * Path is the sock in sentences, one for each decision in the order of the
 * work, one open at a time. What a sock needs before it is one stands open from the start.
 */
export function Path() {
  const sock = useOutletContext<Sock>();
  const answer = useBoard((b) => b.answer);
  const calm = useBoard((b) => b.calm);
  const shown = calm.answer?.fit ? calm.answer : (calm.good ?? calm.answer);
  // A sock that is stopped keeps its path, so that what stops it can be changed.
  const path = (answer?.path ?? calm.answer?.path ?? calm.good?.path)?.map((d) => ({
    ...d,
    said: d.said || (calm.good?.path?.find((g) => g.name === d.name)?.said ?? ""),
  }));
  const [at, open] = useOpen();
  const [begun, setBegun] = useState(false);
  const answered = answer !== undefined;
  const needs = answered && !path;
  useEffect(() => {
    if (needs) {
      setBegun(true);
    }
  }, [needs]);
  const isOpen = (name: string) =>
    at === null ? begun && (name === "foot" || name === "swatch") : at === name;
  if (!answered) {
    return <NewsNotes news={sock.news} />;
  }
  return (
    <>
      <NewsNotes news={sock.news} />
      <ol className={css.path}>
        {(path ?? first).map((decision) => (
          <Step
            key={decision.name}
            decision={decision}
            opened={isOpen(decision.name)}
            follow={at === decision.name}
            open={(on) => open(on ? decision.name : null)}
            answer={shown}
            needed={needs}
          />
        ))}
      </ol>
      {shown?.plan && <CastOn sock={sock} answer={shown} />}
    </>
  );
}

function Step({
  decision,
  opened,
  follow,
  open,
  answer,
  needed,
}: {
  decision: Decision;
  opened: boolean;
  /** It was opened by somebody, perhaps on the drawing: it comes into sight. */
  follow: boolean;
  open: (on: boolean) => void;
  answer: PlanAnswer | undefined;
  /** Without its figures there is no sock. */
  needed: boolean;
}) {
  const here = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (follow) {
      here.current?.scrollIntoView({ block: "nearest" });
    }
  }, [follow]);
  // What must be known stands beside the sentence even when it is closed.
  const checks = decision.checks.filter((c) => opened || c.level !== "note");
  const id = `decision-${decision.name}`;
  return (
    <li ref={here} className={opened ? `${css.step} ${css.open}` : css.step}>
      <h2>
        <button
          type="button"
          aria-expanded={opened}
          aria-controls={id}
          id={`${id}-head`}
          onClick={() => open(!opened)}
        >
          <span className={css.stepTitle}>{decision.title}</span> <Said decision={decision} needed={needed} />
        </button>
      </h2>
      {checks.length > 0 && (
        <div className={css.stepChecks}>
          <Checks checks={checks} of={decision.title} />
        </div>
      )}
      {opened && (
        <section id={id} className={css.stepContent} aria-labelledby={`${id}-head`}>
          <DecisionContent decision={decision} answer={answer} />
        </section>
      )}
    </li>
  );
}

/** Said is the sentence of a decision, with whose foot it is. */
function Said({ decision, needed }: { decision: Decision; needed: boolean }) {
  const foot = useBoard((b) => (decision.name === "foot" ? b.content.foot : undefined));
  const wearer = useBoard((b) => b.content.wearer);
  const whose = foot ? ` · ${wearer || "a kept foot"}, ${foot.side}` : "";
  return (
    <span className={css.stepSaid}>
      {decision.said || (needed ? "still needed" : "…")}
      {whose}
    </span>
  );
}
