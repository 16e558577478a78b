import { useRef } from "react";
import { keepDraft } from "./device";
import { useDraft } from "./useDraft";

/**
 * useTyped is a field that empties as soon as what was typed is sent, so that
 * the next can be typed at once; what is refused comes back, unless the next
 * stands there already. Under its name it stays on this device until it is written down.
 */
export function useTyped(name: string) {
  const { text: typed, type: setTyped, done } = useDraft(name);
  const now = useRef(typed);
  now.current = typed;
  const send = (save: (typed: string) => Promise<unknown>) => {
    setTyped("");
    now.current = "";
    keepDraft(name, typed);
    return save(typed)
      .then(() => {
        if (now.current === "") {
          done();
        }
      })
      .catch((error: Error) => {
        if (now.current === "") {
          setTyped(typed);
        }
        return error;
      });
  };
  return { typed, setTyped, send };
}
