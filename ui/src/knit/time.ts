/** hours says how long something takes, in minutes up to an hour and a half. */
export function hours(seconds: number): string {
  const minutes = Math.round(seconds / 60);
  return minutes < 90 ? `${minutes} min` : `${(minutes / 60).toFixed(1)} h`;
}

/** dayText names a day that is written 2026-12-24. */
export function dayText(date: string, weekday: "long" | "short" = "long"): string {
  const day = new Date(`${date}T12:00:00`);
  return day.toLocaleDateString("en-US", {
    weekday,
    day: "numeric",
    month: weekday,
    ...(day.getFullYear() !== new Date().getFullYear() && { year: "numeric" }),
  });
}
