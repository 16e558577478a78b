/** forms say how a swatch was knitted. */
export const forms: Record<string, string> = {
  round: "in the round",
  flat: "flat",
  sock: "the sock itself",
};
