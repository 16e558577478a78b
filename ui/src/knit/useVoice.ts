import { useEffect, useSyncExternalStore } from "react";
import { comfort } from "./useComforts";

// Rows are read aloud by a voice of this device alone: one that asks a server somewhere is no voice for us.

const speech = () => ("speechSynthesis" in window ? window.speechSynthesis : undefined);

const localVoice = (): SpeechSynthesisVoice | undefined =>
  speech()
    ?.getVoices()
    .find((voice) => voice.localService && voice.lang.toLowerCase().startsWith("en"));

/** useHasVoice says whether this browser has a voice of its own; it may find it a moment after the page. */
export function useHasVoice(): boolean {
  return useSyncExternalStore(
    (changed) => {
      speech()?.addEventListener?.("voiceschanged", changed);
      return () => speech()?.removeEventListener?.("voiceschanged", changed);
    },
    () => localVoice() !== undefined,
  );
}

/** say reads a text aloud, and stops what is still being said. */
export function say(text: string): void {
  const voice = localVoice();
  if (!voice) {
    return;
  }
  const said = new SpeechSynthesisUtterance(text);
  said.voice = voice;
  said.lang = voice.lang;
  speech()?.cancel();
  speech()?.speak(said);
}

/** useVoice reads each new row aloud where that is wanted, and gives the way to say it again. */
export function useVoice(text: string): () => void {
  useEffect(() => {
    if (text && comfort("voice")) {
      say(text);
    }
    return () => speech()?.cancel();
  }, [text]);
  return () => say(text);
}
