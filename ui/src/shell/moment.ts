/** yearOf is the year, where it is another one than this. */
const yearOf = (time: Date) =>
  time.getFullYear() !== new Date().getFullYear() && ({ year: "numeric" } as const);

/** momentText is a time as people say it, with the year only where it is another one. */
export function momentText(at: number | string): string {
  const time = new Date(at);
  return time.toLocaleString("en-US", {
    day: "numeric",
    month: "short",
    hour: "numeric",
    minute: "2-digit",
    ...yearOf(time),
  });
}

/** dayText names the day of a time, or one that is written 2026-12-24; with its weekday where somebody plans by it. */
export function dayText(at: string, weekday?: "weekday"): string {
  const day = new Date(at.length === 10 ? `${at}T12:00:00` : at);
  return day.toLocaleDateString("en-US", {
    day: "numeric",
    month: "short",
    ...(weekday && { weekday: "short" }),
    ...yearOf(day),
  });
}
