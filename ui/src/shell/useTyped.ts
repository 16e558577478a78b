import { useEffect, useRef } from "react";
import { carried } from "../units/carry";
import { type Unit, useUnit } from "../units/units";
import { keepDraft } from "./device";
import { useDraft } from "./useDraft";

/** useTypedLength is useTyped for a length: it keeps the unit in which it was typed, also when the page is opened again in another one. */
export function useTypedLength(name: string) {
  const unit = useUnit();
  const { typed, setTyped, send } = useTyped(name);
  const { text: typedIn, type: setTypedIn } = useDraft(`${name}, its unit`);
  useEffect(() => {
    if (typed !== "" && typedIn !== "" && typedIn !== unit) {
      setTyped(carried(typed, typedIn));
      setTypedIn(unit);
    }
  }, [typed, typedIn, unit, setTyped, setTypedIn]);
  const type = (text: string) => {
    setTypedIn(text === "" ? "" : (unit satisfies Unit));
    setTyped(text);
  };
  return { typed, setTyped: type, send };
}

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
