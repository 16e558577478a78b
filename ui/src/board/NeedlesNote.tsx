import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Button, Segmented } from "antd";
import { useState } from "react";
import { Link } from "react-router";
import { lookAgain } from "../api/change";
import { answered, client, type Draft, faultText } from "../api/client";
import { useUnit } from "../units/units";
import css from "./path.module.css";
import { useBoard } from "./store";

const sockNames = ["both socks", "the first sock only", "the second sock only"];

/**
 * NeedlesNote holds the board against a sock on the needles: what lies above the
 * needle is still decided here, shows its cost, and is taken as a new version of
 * the plan; what would change a knitted row is locked.
 */
export function NeedlesNote({ id }: { id: string }) {
  const unit = useUnit();
  const queries = useQueryClient();
  const draft = useBoard((b) => (b.calm.answer?.fit ? b.calm.answer.draft : undefined));
  const undo = useBoard((b) => b.undo);
  const canUndo = useBoard((b) => b.past.length > 0);
  const [sock, setSock] = useState(0);
  const key = ["decide", id, unit, sock, draft] as const;
  const ask = (asked: Draft, accept: boolean, version: number) =>
    client.POST("/api/socks/{id}/decide", {
      params: { path: { id } },
      body: { version, unit, draft: asked, sock, accept },
    });
  const held = useQuery({
    queryKey: key,
    queryFn: async () => answered(await ask(draft as Draft, false, 0)),
    enabled: draft !== undefined,
    retry: false,
    gcTime: 0,
  });
  const take = useMutation({
    mutationFn: async () => answered(await ask(draft as Draft, true, held.data?.version ?? 0)),
    onSuccess: () => lookAgain(queries, ["decide", id]),
  });
  const knit = <Link to={`/socks/${id}/knit`}>on the needles</Link>;
  const answer = held.data;
  if (held.isError) {
    return (
      <div className={css.needlesNote} role="status">
        <p>
          This sock is {knit}. What the board says now cannot be taken: {faultText(held.error)}
        </p>
      </div>
    );
  }
  if (!answer || answer.pending.length === 0) {
    const otherwise = answer?.needles ?? [];
    return (
      <div className={css.needlesNote} role="status">
        <p>
          This sock is {knit}. What lies above the needle can still be decided here; what is knitted stays.
          {take.isSuccess && " Taken: it is knitted by what stands here."}
        </p>
        {otherwise.length > 0 && (
          <p>
            <strong>As it went on the needles it is otherwise than drawn here:</strong> {otherwise.join(" ")}
          </p>
        )}
      </div>
    );
  }
  const names = answer.pending.map((p) => p.label).join(", ");
  return (
    <div className={`${css.needlesNote} ${css.asks}`} role="status">
      <p>
        <strong>Decided here, not knitted by yet:</strong> {names}.
      </p>
      {answer.locked.length > 0 ? (
        <p>
          {answer.locked
            .map(
              (lock) =>
                `${lock.label} would change ${lock.row} of the ${lock.sock === 2 ? "second" : "first"} sock, which is knitted`,
            )
            .join("; ")}
          . It is locked, unless you{" "}
          {answer.locked.some((lock) => lock.row.startsWith("cast on")) ? "begin anew" : "rip back to there"}.
        </p>
      ) : (
        <p>
          {answer.text} {answer.pair}
        </p>
      )}
      <div className="actions">
        {answer.plans && (
          <Button type="primary" loading={take.isPending} onClick={() => take.mutate()}>
            Take it into the knitting
          </Button>
        )}
        <Segmented<number>
          aria-label="Which socks it binds"
          size="small"
          value={sock}
          onChange={setSock}
          options={sockNames.map((label, value) => ({ label, value }))}
        />
        <Button onClick={undo} disabled={!canUndo}>
          Undo
        </Button>
      </div>
      {take.isError && (
        <p className="fault" role="alert">
          {faultText(take.error)}
        </p>
      )}
    </div>
  );
}
