import { useEffect } from "react";

/** usePageTitle names the window after what it shows. */
export function usePageTitle(title: string): void {
  useEffect(() => {
    document.title = title ? `${title} · Acorn Step` : "Acorn Step";
  }, [title]);
}
