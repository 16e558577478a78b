import { type QueryClient, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { createStore, useStore } from "zustand";
import { forget, remember, remembered } from "../shell/remember";
import { answered, client, type Schemas } from "./client";
import { unreachable } from "./kept";

type Session = Schemas["Session"];

const sessionKey = ["session"] as const;

/** Set when somebody logged out while the program could not be reached: the session there is closed later. */
const leftKey = "acorn-step.left";

/** Why the passphrase is asked for, where that needs a word. */
export type Why = "" | "ended" | "left" | "left alone";
const why = createStore<{ why: Why }>(() => ({ why: remembered(leftKey) ? "left alone" : "" }));
export const useWhyClosed = () => useStore(why, (s) => s.why);

const channel = "BroadcastChannel" in window ? new BroadcastChannel("acorn-step.session") : undefined;

export function useSession() {
  return useQuery({
    queryKey: sessionKey,
    queryFn: async ({ signal }): Promise<Session> => {
      if (!remembered(leftKey)) {
        return answered(await client.GET("/api/session", { signal }));
      }
      try {
        const session = answered(await client.DELETE("/api/session", { signal }));
        forget(leftKey);
        return session;
      } catch {
        return { required: true, open: false };
      }
    },
    meta: { kept: true },
  });
}

/** watchSession follows what ends the session elsewhere: in the program, or on another page of this browser. */
export function watchSession(queries: QueryClient): void {
  channel?.addEventListener("message", ({ data }) => {
    if (data === "closed") {
      why.setState({ why: "left" });
      close(queries, true);
    } else {
      void queries.invalidateQueries();
    }
  });
}

/** close shows the login; what was seen is let go when somebody left, and stays for those who only have to come back. */
function close(queries: QueryClient, left: boolean): void {
  if (left) {
    queries.removeQueries({ predicate: (q) => q.queryKey[0] !== sessionKey[0] });
  }
  queries.setQueryData<Session>(sessionKey, { required: true, open: false });
}

/** sessionEnded is called when the program asks for the passphrase again. */
export function sessionEnded(queries: QueryClient): void {
  if (queries.getQueryData<Session>(sessionKey)?.open !== false) {
    why.setState({ why: "ended" });
    close(queries, false);
  }
}

export function useLogin() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (passphrase: string) =>
      answered(await client.POST("/api/session", { body: { passphrase } })),
    onSuccess: async () => {
      forget(leftKey);
      channel?.postMessage("opened");
      await queries.invalidateQueries();
      why.setState({ why: "" });
      window.dispatchEvent(new Event("online")); // whatever waits for the program tries again
    },
  });
}

/**
 * useLogout closes the session; forgetAll takes off this device what only
 * somebody inside may see. Without a connection the device is closed all the same.
 */
export function useLogout(forgetAll: () => void) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (): Promise<Why> => {
      try {
        answered(await client.DELETE("/api/session"));
        return "left";
      } catch (error) {
        if (!unreachable(error)) {
          throw error;
        }
        remember(leftKey, "yes");
        return "left alone";
      }
    },
    onSuccess: (how) => {
      forgetAll();
      why.setState({ why: how });
      channel?.postMessage("closed");
      close(queries, true);
    },
  });
}
