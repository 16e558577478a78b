import { useQueryClient } from "@tanstack/react-query";
import { Button } from "antd";
import { useEffect } from "react";
import { useOldSince } from "../api/kept";
import { momentText } from "./moment";

/** How often the program is looked for while it does not answer, in ms. */
const pause = 10_000;

/** OldNote says how old that is which is shown while the program cannot be reached. */
export function OldNote() {
  const since = useOldSince();
  const queries = useQueryClient();
  useEffect(() => {
    if (since === 0) {
      return;
    }
    const look = () => void queries.invalidateQueries();
    const timer = setInterval(look, pause);
    window.addEventListener("online", look);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", look);
    };
  }, [since, queries]);
  if (since === 0) {
    return null;
  }
  return (
    <p className="old-note no-print" role="status">
      No connection to the program. This is as it was on {momentText(since)}.{" "}
      <Button size="small" onClick={() => queries.invalidateQueries()}>
        Try again
      </Button>
    </p>
  );
}
