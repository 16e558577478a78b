import { Skeleton } from "antd";
import type { ReactNode } from "react";
import { Link, useParams } from "react-router";
import type { Sock } from "../api/client";
import { useSock } from "../api/socks";
import { Failure } from "./Failure";

/** WithSock shows a page of the sock that the URL names, once it is there. */
export function WithSock({ children }: { children: (sock: Sock) => ReactNode }) {
  const { id = "" } = useParams();
  const sock = useSock(id);
  if (sock.isPending) {
    return <Skeleton active className="page" />;
  }
  if (sock.isError) {
    return (
      <div className="page narrow">
        <Failure error={sock.error} retry={() => sock.refetch()} />
        <p>
          <Link to="/">To the basket</Link>
        </p>
      </div>
    );
  }
  return children(sock.data);
}
