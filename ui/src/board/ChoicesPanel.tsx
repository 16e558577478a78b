import { Link, useOutletContext } from "react-router";
import type { Sock } from "../api/client";
import { Checks } from "../shell/Checks";
import { FootAndSwatch } from "./FootAndSwatch";
import { HeelSection } from "./HeelSection";
import { LegSection } from "./LegSection";
import { NewsNotes } from "./NewsNotes";
import { RoundSection } from "./RoundSection";
import { useBoard } from "./store";
import { ToeSection } from "./ToeSection";
import { YarnSection } from "./YarnSection";

/** ChoicesPanel has the choices in the order of the work; what is seldom needed stands under "more ways". */
export function ChoicesPanel() {
  const sock = useOutletContext<Sock>();
  const { answer, good } = useBoard((b) => b.calm);
  // A sock that is stopped keeps its choices, so that what stops it can be changed.
  const shown = answer?.shape ? answer : (good ?? (answer?.plan ? answer : undefined));
  const plan = shown?.plan;
  const checks = answer?.plan?.checks ?? [];
  return (
    <>
      <NewsNotes news={sock.news} />
      <FootAndSwatch plan={plan} />
      {plan && shown?.counts && <RoundSection counts={shown.counts} plan={plan} />}
      {checks.length > 0 && <Checks checks={checks} />}
      {plan && shown && (
        <>
          <ToeSection plan={plan} length={shown.toe_length_mm ?? 0} />
          <HeelSection plan={plan} schools={shown.schools ?? []} place={shown.heel_place} />
          <LegSection plan={plan} />
          <YarnSection answer={shown} />
          <section className="checked">
            <h2>
              <Link to="rows">Every row checked</Link>
              <small>{shown.effort?.rows} rows knitted again, loop by loop</small>
            </h2>
          </section>
        </>
      )}
    </>
  );
}
