import type { Decision, PlanAnswer } from "../api/client";
import { useTechnique } from "../api/reference";
import { Term } from "../terms/Term";
import { Counts } from "./Counts";
import { FootFields, SwatchFields } from "./FootAndSwatch";
import { NeedlesBySection } from "./NeedlesBySection";
import { Num } from "./Num";
import css from "./path.module.css";
import { Schools } from "./Schools";
import { Sentence } from "./Sentence";
import { useBoard } from "./store";
import { Ways } from "./Ways";
import { YarnFields } from "./YarnFields";

/** DecisionContent is what can be decided in one step of the path. */
export function DecisionContent({
  decision,
  answer,
}: {
  decision: Decision;
  answer: PlanAnswer | undefined;
}) {
  return (
    <>
      <Own decision={decision} answer={answer} />
      {decision.lead && <Ways field={decision.lead} title={null} />}
      <Sentence pieces={decision.pieces} />
      {decision.name === "needles" && <NeedlesBySection />}
      <Learn decision={decision} answer={answer} />
      {decision.numbers.length > 0 && (
        <p className={css.stepNumbers}>
          Where it comes from:{" "}
          {decision.numbers.map((number) => (
            <Num key={number.name} name={number.name}>
              {number.said}
            </Num>
          ))}
        </p>
      )}
    </>
  );
}

/** Own is what one decision alone has, besides its ways and its figures. */
function Own({ decision, answer }: { decision: Decision; answer: PlanAnswer | undefined }) {
  const choose = useBoard((b) => b.choose);
  switch (decision.name) {
    case "foot":
      return <FootFields plan={answer?.plan} />;
    case "swatch":
      return <SwatchFields />;
    case "round":
      return (
        answer?.counts && (
          <Counts
            counts={answer.counts}
            onChoose={(count) => choose("stitches", count.nearest ? null : count.stitches)}
          />
        )
      );
    case "length":
      return (
        <>
          {answer?.heel_place && <p className="hint">Tried on, the heel begins {answer.heel_place}.</p>}
          <Schools schools={answer?.schools ?? []} />
        </>
      );
    case "yarn":
      return <YarnFields needs={answer?.yarn ?? []} />;
    default:
      return null;
  }
}

const terms: Record<string, string> = {
  round: "ease",
  corners: "corner",
  ankle: "ankle",
  cuff: "cuff",
};

/** Learn leads to what the words of a decision mean. */
function Learn({ decision, answer }: { decision: Decision; answer: PlanAnswer | undefined }) {
  const design = answer?.plan?.design;
  const kind = decision.name === "toe" ? design?.toe.kind : design?.heel.kind;
  const technique = useTechnique(decision.lead, kind ?? "");
  const name = technique?.term ?? terms[decision.name];
  if (!name) {
    return null;
  }
  return (
    <p className="hint">
      What is <Term name={name}>{technique ? technique.said : decision.title.toLowerCase()}</Term>?
      {decision.name === "heel" && (
        <>
          {" "}
          And the <Term name="heel_diagonal">heel diagonal</Term>?
        </>
      )}
    </p>
  );
}
