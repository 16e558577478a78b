import { type RefObject, useEffect, useState } from "react";
import { type Inks, inksOf } from "./paint";

/** useInks are the colours in which pictures are painted; they follow the page's scheme. */
export function useInks(element: RefObject<Element | null>): Inks | null {
  const [inks, setInks] = useState<Inks | null>(null);
  useEffect(() => {
    const read = () => element.current && setInks(inksOf(element.current));
    read();
    const scheme = new MutationObserver(read);
    scheme.observe(document.documentElement, { attributes: true, attributeFilter: ["data-scheme"] });
    return () => scheme.disconnect();
  }, [element]);
  return inks;
}
