/** momentText is a time as people say it, with the year only where it is another one. */
export function momentText(at: number | string): string {
  const time = new Date(at);
  return time.toLocaleString("en-US", {
    day: "numeric",
    month: "short",
    hour: "numeric",
    minute: "2-digit",
    ...(time.getFullYear() !== new Date().getFullYear() && { year: "numeric" }),
  });
}
