/** today is this day where the reader is, as a date is written. */
export function today(): string {
  const now = new Date();
  const two = (n: number) => `${n}`.padStart(2, "0");
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
}

/** monthFrom is the first day of the month so many months after a day. */
export function monthFrom(day: string, months: number): string {
  const [year = 0, month = 1] = day.split("-").map(Number);
  const at = new Date(Date.UTC(year, month - 1 + months, 1));
  return at.toISOString().slice(0, 10);
}
