import { useMutation } from "@tanstack/react-query";
import { Button, Input } from "antd";
import { useState } from "react";
import { answered, client, faultText } from "../api/client";
import { useKnitting } from "./context";
import css from "./knit-panel.module.css";

/** Count says what most likely happened when the needles hold another number. */
export function Count({ sock, row, planned }: { sock: number; row: number; planned: number }) {
  const { id } = useKnitting((s) => s.view);
  const [counted, setCounted] = useState("");
  const why = useMutation({
    mutationFn: async () =>
      answered(
        await client.POST("/api/socks/{id}/count", {
          params: { path: { id } },
          body: { sock, row, counted: Number(counted) },
        }),
      ),
  });
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        why.mutate();
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
      <p className="fault" role="alert">
        {faultText(why.error)}
      </p>
      {why.data?.causes.length === 0 && <p>That is right.</p>}
      <ul className={css.causes}>
        {why.data?.causes.map((cause) => (
          <li key={cause.text}>
            <strong>{cause.text}</strong> {cause.repair}
          </li>
        ))}
      </ul>
    </form>
  );
}
