import type { Technique } from "../api/reference";
import { Field } from "./Field";

/** Numbers are the figures of a technique that an expert types exactly. */
export function Numbers({ of }: { of: Technique | undefined }) {
  return of?.numbers.map((number) => (
    <Field
      key={number.field}
      field={number.field}
      label={number.label}
      suffix={number.suffix}
      hint={number.hint}
      plain
    />
  ));
}
