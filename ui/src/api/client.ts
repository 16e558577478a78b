import createClient from "openapi-fetch";
import type { components, paths } from "./schema.gen";

export type Schemas = components["schemas"];

/** Asked is the question of a call whose path names a thing. */
export type Asked<P extends keyof paths, M extends "post" | "put"> = paths[P][M] extends {
  requestBody?: { content: { "application/json": infer Body } };
}
  ? Body
  : never;

export type Sock = Schemas["Sock"];
export type Progress = Schemas["ProgressView"];
export type Draft = Schemas["Draft"];
export type Fault = Schemas["Fault"];
export type Problem = Schemas["Problem"];
export type PlanAnswer = Schemas["BoardAnswer"];
export type Plan = Schemas["Plan"];
export type Drawing = Schemas["BoardDrawing"];
export type Shape = Schemas["ShapeProfile"];
export type Pull = Schemas["ShapePull"];
export type Spot = Schemas["ShapeSpot"];
export type Ease = Schemas["FitEase"];
export type Space = Schemas["ShapeSpace"];
export type Handle = Schemas["HandleSlide"];
export type Strip = Schemas["StripPart"][];
export type FootTaken = Schemas["FootTaken"];
export type SwatchTaken = Schemas["SwatchTaken"];
export type News = Schemas["News"];
export type Choice = Schemas["AdviseChoice"];
export type Option = Schemas["AdviseOption"];
export type Decision = Schemas["AdviseDecision"];
export type Piece = Schemas["AdvisePiece"];
export type Candidate = Schemas["AdviseCandidate"];
export type Words = Schemas["WordsRow"];
export type CountChoice = Schemas["BoardCountChoice"];
export type Place = Schemas["FitPlace"];
export type Shoe = Schemas["ShoeQuestion"];
export type Need = Schemas["YarnNeed"];
export type School = Schemas["BoardSchool"];
export type Check = Schemas["Check"];

/** saidFault is a fault as people read it: with their name for the field. */
export const saidFault = (f: Fault) => (f.label ? `${f.label}: ${f.message}` : f.message);

/** Longer than any answer takes, in ms: who waits longer has no connection. */
const patience = 30_000;

export const client = createClient<paths>({
  baseUrl: "/",
  fetch: (request) =>
    fetch(request, { signal: AbortSignal.any([request.signal, AbortSignal.timeout(patience)]) }),
});

/** What the program says beside its answers: that the passphrase is needed, which interface it serves, and that it lives at another address now. */
type Said = { closed: () => void; serves: (build: string) => void; moved: (to: string) => void };

/** listenTo hears what every answer says beside its content. */
export function listenTo({ closed, serves, moved }: Said): () => void {
  const hear = {
    onResponse: ({ response, schemaPath }: { response: Response; schemaPath: string }) => {
      if (response.status === 401 && schemaPath !== "/api/session") {
        closed();
      }
      const build = response.headers.get("Acorn-Step-Build");
      if (build) {
        serves(build);
      }
      const to = response.headers.get("Acorn-Step-Moved");
      if (to) {
        moved(to);
      }
      return undefined;
    },
  };
  client.use(hear);
  return () => client.eject(hear);
}

/** Refusal is an answer of the server that is a problem. */
export class Refusal extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail ?? problem.title);
  }
}

/** faultText says what the server found wrong, in a sentence. */
export const faultText = (error: Error | null): string => {
  const faults = error instanceof Refusal ? (error.problem.errors ?? []) : [];
  return faults.length > 0 ? faults.map((f) => f.message).join(" ") : (error?.message ?? "");
};

/** answered gives the data of an answer, or throws its problem. */
export function answered<T>(result: { data?: T; error?: unknown; response: Response }): T {
  if (result.data !== undefined && !result.error) {
    return result.data;
  }
  if (result.response.ok) {
    return undefined as T;
  }
  const problem = result.error as Problem | undefined;
  throw new Refusal(
    problem?.title
      ? problem
      : { type: "about:blank", title: "The program did not answer", status: result.response.status },
  );
}
