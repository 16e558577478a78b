import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { InputNumber, Segmented, Select } from "antd";
import { useState } from "react";
import { answered, client, faultText, type Schemas } from "../api/client";
import { useTechniques } from "../api/reference";
import { MovePicture } from "../hands/MovePicture";
import { ShowMe } from "../hands/ShowMe";
import { useHands } from "../hands/useHands";
import css from "./practice.module.css";

type Asked = Schemas["RewriteAsked"];
type Said = Schemas["RewriteSaid"];

/** Rewrite says a short row of a pattern in the words of another way of turning. */
export function Rewrite() {
  const turns = useTechniques().filter((t) => t.field === "heel.turn");
  const [asked, ask] = useState<Asked>({
    from: "wrap",
    to: "german",
    place: "out",
    side: "WS",
    stitches: 20,
  });
  const set = (change: Partial<Asked>) => ask({ ...asked, ...change });
  const answer = useQuery({
    queryKey: ["rewrite", asked],
    queryFn: async () => answered(await client.POST("/api/rewrite", { body: asked })),
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  const ways = turns.map((t) => ({ value: t.name, label: t.said }));
  return (
    <section aria-label="A turn written another way">
      <h2>A turn written another way</h2>
      <div className={css.rewriteAsks}>
        <label htmlFor="rewrite-from">
          The pattern is written for{" "}
          <Select
            id="rewrite-from"
            value={asked.from}
            options={ways}
            onChange={(from) => set({ from })}
            popupMatchSelectWidth={false}
          />
        </label>
        <label htmlFor="rewrite-to">
          and I turn with{" "}
          <Select
            id="rewrite-to"
            value={asked.to}
            options={ways}
            onChange={(to) => set({ to })}
            popupMatchSelectWidth={false}
          />
        </label>
        <label htmlFor="rewrite-place">
          in{" "}
          <Select<Asked["place"]>
            id="rewrite-place"
            value={asked.place}
            onChange={(place) => set({ place })}
            popupMatchSelectWidth={false}
            options={[
              { value: "first", label: "the very first row" },
              { value: "out", label: "a row that stops sooner" },
              { value: "first_back", label: "the first row back" },
              { value: "other_back", label: "the first one on the other side" },
              { value: "back", label: "a later row back" },
            ]}
          />
        </label>
        <Segmented<Asked["side"]>
          aria-label="Side in front"
          value={asked.side}
          onChange={(side) => set({ side })}
          options={[
            { value: "RS", label: "RS" },
            { value: "WS", label: "WS" },
          ]}
        />
        <label htmlFor="rewrite-stitches">
          with{" "}
          <InputNumber
            id="rewrite-stitches"
            min={1}
            max={200}
            value={asked.stitches}
            onChange={(stitches) => set({ stitches: stitches ?? 0 })}
          />{" "}
          plain stitches
        </label>
      </div>
      {answer.isError ? (
        <p className="fault" role="alert">
          {faultText(answer.error)}
        </p>
      ) : (
        answer.data && (
          <div className={css.rewritten}>
            <Way title="Written" said={answer.data.written} />
            <Way title="Instead" said={answer.data.instead} />
            <p className="hint">{answer.data.reason}</p>
          </div>
        )
      )}
    </section>
  );
}

/** Way is a row in words, and what its turn leaves on the needle. */
function Way({ title, said }: { title: string; said: Said }) {
  const move = useHands().data?.moves.find((m) => m.name === said.move);
  const last = move?.steps.at(-1);
  return (
    <div>
      <h3>{title}</h3>
      <p className={css.rewrittenRow}>{said.short}</p>
      <p className="muted">{said.long}</p>
      {last && <MovePicture picture={last.picture} label={`${move?.title}: ${last.text}`} />}
      {move && <ShowMe names={[move.name]}>Show me</ShowMe>}
    </div>
  );
}
