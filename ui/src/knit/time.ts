/** hours says how long something takes, in minutes up to an hour and a half. */
export function hours(seconds: number): string {
  const minutes = Math.round(seconds / 60);
  return minutes < 90 ? `${minutes} min` : `${(minutes / 60).toFixed(1)} h`;
}
