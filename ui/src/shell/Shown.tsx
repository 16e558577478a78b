import type { UseQueryResult } from "@tanstack/react-query";
import { Skeleton } from "antd";
import type { ReactNode } from "react";
import { Link } from "react-router";
import { Failure } from "./Failure";

/** Shown shows a page of what was asked for once it is there, and a way back when it is not. */
export function Shown<T>({
  query,
  back,
  title,
  children,
}: {
  query: UseQueryResult<T>;
  back: { to: string; label: string };
  /** Says what has failed, where the failure alone does not. */
  title?: string;
  children: (found: T) => ReactNode;
}) {
  if (query.isPending) {
    return <Skeleton active className="page" />;
  }
  if (query.data === undefined && query.isError) {
    return (
      <div className="page narrow">
        {title && <h1>{title}</h1>}
        <Failure error={query.error} retry={() => query.refetch()} />
        <p>
          <Link to={back.to}>{back.label}</Link>
        </p>
      </div>
    );
  }
  return children(query.data as T);
}
