import type { Draft, Drawing, PlanAnswer } from "../api/client";
import type { Unit } from "../units/units";
import { artist } from "./artist";
import { planner } from "./planner";

/** Asked is what the program says of the newest draft that it answered. */
export type Asked = {
  /** What the newest answered draft comes to, and the last that gave a sock. */
  answer: PlanAnswer | undefined;
  good: PlanAnswer | undefined;
  /** The last drawing: of that sock, or of the one before it until its own is there. */
  drawing: Drawing | undefined;
  /** The same, once the hands rest: what stands beside the drawing follows a moment later. */
  calm: { answer: PlanAnswer | undefined; good: PlanAnswer | undefined };
  failure: Error | undefined;
};

export const unasked: Asked = {
  answer: undefined,
  good: undefined,
  drawing: undefined,
  calm: { answer: undefined, good: undefined },
  failure: undefined,
};

/** Hands rest when nothing was answered for so long, in ms. */
const restDelay = 220;

/** Around is what asking has around it: the draft that stands on the board, and where its answers are shown. */
export type Around = {
  newest(): { draft: Draft; unit: Unit };
  shown(): Asked;
  show(part: Partial<Asked>): void;
  /** read takes over a draft as the program read it. */
  read(draft: Draft): void;
};

/** asking asks for the plan and the drawing of a draft whenever it has changed. */
export function asking({ newest, shown, show, read }: Around) {
  let resting: ReturnType<typeof setTimeout> | undefined;
  /** The draft that the newest answer belongs to. */
  let answered: Draft | null = null;

  const calmLater = () => {
    const rest = () => show({ calm: { answer: shown().answer, good: shown().good } });
    clearTimeout(resting);
    if (shown().calm.answer) {
      resting = setTimeout(rest, restDelay);
    } else {
      rest();
    }
  };
  const failed = (failure: Error) => show({ failure });
  const drawings = artist(
    // A rough one does not say where it pulls: what was said stays until the fine one is there.
    (_, drawing) => show({ drawing: drawing.pull ? drawing : { ...shown().drawing, ...drawing } }),
    failed,
  );
  const plans = planner(
    newest,
    (draft, answer) => {
      answered = draft;
      show({ answer, failure: undefined, ...(answer.fit && { good: answer }) });
      if (answer.fit) {
        drawings.draw(draft, newest().unit, shown().drawing === undefined);
      }
      calmLater();
      take();
    },
    failed,
  );
  /** take has texts that could be read taken over, when nothing was changed since. */
  const take = () => {
    const { answer } = shown();
    if (answer && answered === newest().draft) {
      read(answer.draft);
    }
  };
  return {
    ask: plans.ask,
    take,
    /** same says that a draft means what the last one asked for meant. */
    same: (draft: Draft) => {
      plans.same(draft);
      answered = draft;
    },
    leave: drawings.leave,
  };
}
