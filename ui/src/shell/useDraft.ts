import { useEffect, useState } from "react";
import { dropDraft, keepDraft, keptDraft } from "./device";

/** useDraft is a text that stays on this device, as useDraftOf. */
export const useDraft = (name: string, saved = "") => useDraftOf(name, saved);

/**
 * useDraftOf is what somebody fills in; it stays on this device, under its name,
 * until done says that the program has it: a closed tab or a lost connection
 * costs no word. What is saved, or what stands there at first, stays the same value.
 */
export function useDraftOf<T>(name: string, saved: T) {
  const [text, setText] = useState(saved);
  useEffect(() => {
    let gone = false;
    void keptDraft<T>(name).then((kept) => {
      if (!gone && kept !== undefined) {
        setText((now) => (now === saved ? kept : now));
      }
    });
    return () => {
      gone = true;
    };
  }, [name, saved]);
  const type = (next: T) => {
    setText(next);
    if (next === saved) {
      dropDraft(name);
    } else {
      keepDraft(name, next);
    }
  };
  return { text, type, done: () => dropDraft(name) };
}
