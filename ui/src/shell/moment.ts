const time = { day: "numeric", month: "short", hour: "numeric", minute: "2-digit" } as const;
const date = { day: "numeric", month: "short" } as const;
const year = { year: "numeric" } as const;
const weekday = { weekday: "short" } as const;

const format = (options: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat("en-US", options);

// Making one takes longer than using it a hundred times.
const times = { thisYear: format(time), another: format({ ...time, ...year }) };
const days = { thisYear: format(date), another: format({ ...date, ...year }) };
const weekdays = {
  thisYear: format({ ...date, ...weekday }),
  another: format({ ...date, ...weekday, ...year }),
};

/** written is a time as people say it, with the year only where it is another one than this. */
const written = (at: Date, by: typeof times) =>
  (at.getFullYear() === new Date().getFullYear() ? by.thisYear : by.another).format(at);

/** momentText is a time of a day. */
export const momentText = (at: number | string): string => written(new Date(at), times);

/** dayText names the day of a time, or one that is written 2026-12-24; with its weekday where somebody plans by it. */
export function dayText(at: string, named?: "weekday"): string {
  const day = new Date(at.length === 10 ? `${at}T12:00:00` : at);
  return written(day, named ? weekdays : days);
}
