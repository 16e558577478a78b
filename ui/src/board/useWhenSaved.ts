import { useEffect, useState } from "react";
import { useNavigate } from "react-router";
import { useBoard } from "./store";

/** useWhenSaved goes to a page as soon as the program has what stands on the board: it is what the page reads. */
export function useWhenSaved(): (to: string) => void {
  const [going, setGoing] = useState<string | null>(null);
  const save = useBoard((b) => b.save);
  const saveNow = useBoard((b) => b.saveNow);
  const navigate = useNavigate();
  useEffect(() => {
    if (going !== null && (save === "saved" || save === "refused" || save === "conflict")) {
      setGoing(null);
      navigate(going);
    }
  }, [going, save, navigate]);
  return (to) => {
    saveNow();
    setGoing(to);
  };
}
