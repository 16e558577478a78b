import { useEffect, useRef, useState } from "react";
import { remember, remembered } from "../shell/remember";

// What keeps the hands and eyes well. All of it is off at first, but the screen stays awake.

export const comfortNames = ["sound", "vibration", "rest", "voice"] as const;
export type Comfort = (typeof comfortNames)[number];

const key = (name: Comfort) => `acorn-step.comfort.${name}`;
export const comfort = (name: Comfort) => remembered(key(name)) === "on";
export const setComfort = (name: Comfort, on: boolean) => remember(key(name), on ? "on" : "off");

/** Hands are reminded to rest after so long, in ms. */
const restAfter = 30 * 60 * 1000;

function beep() {
  const audio = new AudioContext();
  const tone = audio.createOscillator();
  tone.frequency.value = 660;
  tone.connect(audio.destination);
  tone.start();
  tone.stop(audio.currentTime + 0.12);
}

/** useComforts keeps the screen awake, and signals a special row and a time to rest where that is wanted. */
export function useComforts(special: boolean, row: number) {
  const [rest, setRest] = useState(false);
  const shown = useRef(row);
  useEffect(() => {
    if (row === shown.current) {
      return;
    }
    shown.current = row;
    if (special && comfort("sound")) {
      beep();
    }
    if (special && comfort("vibration")) {
      navigator.vibrate?.(120);
    }
  }, [special, row]);
  useEffect(() => {
    let lock: WakeLockSentinel | undefined;
    const hold = async () => {
      try {
        lock =
          document.visibilityState === "visible" ? await navigator.wakeLock?.request("screen") : undefined;
      } catch {
        // The battery decides otherwise.
      }
    };
    void hold();
    document.addEventListener("visibilitychange", hold);
    return () => {
      document.removeEventListener("visibilitychange", hold);
      void lock?.release();
    };
  }, []);
  useEffect(() => {
    const timer = setInterval(() => comfort("rest") && setRest(true), restAfter);
    return () => clearInterval(timer);
  }, []);
  return { rest, rested: () => setRest(false) };
}
