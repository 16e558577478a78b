import { useState } from "react";

/**
 * useTyped is a field that empties as soon as what was typed is sent, so that
 * the next can be typed at once; what is refused comes back, unless the next
 * stands there already.
 */
export function useTyped() {
  const [typed, setTyped] = useState("");
  const send = (save: (typed: string) => Promise<unknown>) => {
    setTyped("");
    return save(typed).catch((error: Error) => {
      setTyped((now) => now || typed);
      return error;
    });
  };
  return { typed, setTyped, send };
}
