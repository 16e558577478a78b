import { Skeleton } from "antd";
import { useEffect, useRef } from "react";
import { useNavigate } from "react-router";
import { useNewSock } from "../api/socks";
import { Failure } from "../shell/Failure";
import { usePageTitle } from "../shell/usePageTitle";
import { useUnit } from "../units/units";

/** NewSockPage begins a sock and goes to its board, where name and foot are asked. */
export function NewSockPage() {
  usePageTitle("New sock");
  const { begin: add, error } = useNewSock();
  const unit = useUnit();
  const navigate = useNavigate();
  const begun = useRef(false);
  const begin = () => add(unit, (sock) => navigate(`/socks/${sock.id}?new`, { replace: true }));
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, when the page is opened
  useEffect(() => {
    if (!begun.current) {
      begun.current = true;
      begin();
    }
  }, []);
  return (
    <div className="page narrow">{error ? <Failure error={error} retry={begin} /> : <Skeleton active />}</div>
  );
}
