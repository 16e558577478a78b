import type { ReactNode } from "react";

/** More holds the rest of the school: what is seldom needed. */
export function More({ children }: { children: ReactNode }) {
  return (
    <details className="more">
      <summary>More ways</summary>
      <div className="pair">{children}</div>
    </details>
  );
}
