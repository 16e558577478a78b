import type { ReactNode } from "react";
import { useParams } from "react-router";
import type { Sock } from "../api/client";
import { useSock } from "../api/socks";
import { Shown } from "./Shown";

/** WithSock shows a page of the sock that the URL names, once it is there. */
export function WithSock({ children }: { children: (sock: Sock) => ReactNode }) {
  const { id = "" } = useParams();
  return (
    <Shown query={useSock(id)} back={{ to: "/", label: "To the basket" }}>
      {children}
    </Shown>
  );
}
