import { useMutation } from "@tanstack/react-query";
import { Button, Input } from "antd";
import { useState } from "react";
import { answered, client, faultText } from "../api/client";
import { useKnitting } from "./context";
import css from "./knit-panel.module.css";
import { rowsOf } from "./rows";

/** Count says what most likely happened when the needles hold another number. */
export function Count({
  sock,
  row,
  planned,
  close,
}: {
  sock: number;
  row: number;
  planned: number;
  close: () => void;
}) {
  const { id } = useKnitting((s) => s.view);
  const record = useKnitting((s) => s.record);
  const [counted, setCounted] = useState("");
  const groups = useKnitting((s) => rowsOf(s.view, sock)[row - 1]?.groups);
  const [waits, setWaits] = useState(["", "", ""]);
  const why = useMutation({
    mutationFn: async (waiting: boolean) =>
      answered(
        await client.POST("/api/socks/{id}/count", {
          params: { path: { id } },
          body: waiting
            ? { sock, row, counted: 0, waits: waits.map(Number) }
            : { sock, row, counted: Number(counted) },
        }),
      ),
  });
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        why.mutate(false);
      }}
    >
      <h2>
        <label htmlFor="counted">I count, in all</label>
      </h2>
      <p className="hint">By the plan {planned} stitches lie on the needles before this row.</p>
      <div className="add-line">
        <Input
          id="counted"
          inputMode="numeric"
          value={counted}
          onChange={(event) => setCounted(event.target.value)}
        />
        <Button type="primary" htmlType="submit" disabled={!/^\d{1,4}$/.test(counted.trim())}>
          Why?
        </Button>
      </div>
      {groups && groups.length === waits.length && (
        <>
          <h3>Or what waits, as you hold it</h3>
          <p className="hint">
            By the plan {groups[0]} on the left, {groups[1]} between the turns, {groups[2]} on the right. A
            stitch with its wrap or yarn-over counts as one.
          </p>
          <div className={css.waits}>
            {["left", "between", "right"].map((name, i) => (
              <label key={name} htmlFor={`waits-${name}`}>
                {name}
                <Input
                  id={`waits-${name}`}
                  aria-label={`Stitches ${name === "between" ? "between the turns" : `that wait on the ${name}`}`}
                  inputMode="numeric"
                  value={waits[i]}
                  onChange={(event) => setWaits(waits.map((w, j) => (j === i ? event.target.value : w)))}
                />
              </label>
            ))}
          </div>
          <p>
            <Button
              onClick={() => why.mutate(true)}
              disabled={!waits.every((w) => /^\d{1,3}$/.test(w.trim()))}
            >
              Which turn?
            </Button>
          </p>
        </>
      )}
      <p className="fault" role="alert">
        {faultText(why.error)}
      </p>
      {why.data?.causes.length === 0 && <p>That is right.</p>}
      <ul className={css.causes}>
        {why.data?.causes.map((cause) => (
          <li key={cause.text}>
            <strong>{cause.text}</strong> {cause.repair}{" "}
            {cause.there !== undefined && (
              <Button
                size="small"
                onClick={() => {
                  record("place", sock, cause.there as number);
                  close();
                }}
              >
                Put it there
              </Button>
            )}
          </li>
        ))}
      </ul>
    </form>
  );
}
