/** hours says how long something takes, in minutes up to an hour and a half. */
export function hours(seconds: number): string {
  const minutes = Math.round(seconds / 60);
  return minutes < 90 ? `${minutes} min` : `${(minutes / 60).toFixed(1)} h`;
}

/** weekday names the day so many days of knitting from now. */
export function weekday(days: number): string {
  const day = new Date();
  day.setDate(day.getDate() + days);
  return day.toLocaleDateString("en-US", {
    weekday: "long",
    ...(days > 6 && { day: "numeric", month: "long" }),
  });
}
