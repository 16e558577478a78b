import type { components } from "./schema.gen";

/** DesignField is the path of a field of a design, such as heel.turn: each of those that the program has, and no other. */
export type DesignField = components["schemas"]["AtPath"];
