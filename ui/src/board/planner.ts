import { answered, client, type Draft, type PlanAnswer } from "../api/client";
import type { Unit } from "../units/units";

type Asked = { draft: Draft; unit: Unit };

/**
 * planner asks for the plan of a draft whenever it has changed: one question at
 * a time, and after its answer the newest, so that a drag never waits in a queue.
 */
export function planner(
  newest: () => Asked,
  answer: (draft: Draft, plan: PlanAnswer) => void,
  failed: (error: Error) => void,
) {
  let last: Asked | null = null;
  let busy = false;
  const outdated = () => {
    const now = newest();
    return last === null || last.draft !== now.draft || last.unit !== now.unit;
  };
  const ask = async () => {
    if (busy) {
      return;
    }
    busy = true;
    try {
      while (outdated()) {
        const asked = newest();
        last = asked;
        const plan = answered(await client.POST("/api/plan", { body: { name: "", brief: true, ...asked } }));
        answer(asked.draft, plan);
      }
    } catch (error) {
      last = null;
      failed(error as Error);
    } finally {
      busy = false;
    }
  };
  return {
    ask,
    /** same says that a draft means what the last one asked for meant. */
    same: (draft: Draft) => {
      if (last) {
        last = { ...last, draft };
      }
    },
  };
}
