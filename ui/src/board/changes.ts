/** Changes are values of the design by field, as they stand in an address. */
export type Changes = Record<string, unknown>;

/** wayText spells changes for an address; what is left to be worked out stands without a value. */
export const wayText = (changes: Changes): string =>
  Object.entries(changes)
    .map(([field, value]) => (value === null ? field : `${field}:${value}`))
    .join(",");

/** readWay reads them again; numbers become numbers. */
export function readWay(text: string): Changes {
  const changes: Changes = {};
  for (const part of text.split(",").filter(Boolean)) {
    const [field = "", ...rest] = part.split(":");
    const value = rest.join(":");
    changes[field] = value === "" ? null : Number.isNaN(Number(value)) ? value : Number(value);
  }
  return changes;
}
