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
export type PlanAnswer = Schemas["PlanAnswer"];
export type Plan = Schemas["Plan"];
export type Shape = Schemas["ShapeShape"];
export type Handle = Schemas["HandleHandle"];
export type Strip = Schemas["StripPart"][];
export type FootTaken = Schemas["FootTaken"];
export type SwatchTaken = Schemas["SwatchTaken"];
export type News = Schemas["News"];
export type Choice = Schemas["AdviseChoice"];
export type Option = Schemas["AdviseOption"];
export type Candidate = Schemas["AdviseCandidate"];
export type Words = Schemas["WordsRow"];
export type CountChoice = Schemas["CountChoice"];
export type Place = Schemas["FitPlace"];
export type Shoe = Schemas["ShoeQuestion"];
export type Check = Schemas["Check"];

export const client = createClient<paths>({ baseUrl: "/" });

/** Refusal is an answer of the server that is a problem. */
export class Refusal extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail ?? problem.title);
  }
}

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
