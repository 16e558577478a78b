import { useQuery } from "@tanstack/react-query";
import { Button, Input, Select } from "antd";
import { useState } from "react";
import { answered, client, faultText, type Schemas } from "../api/client";
import { useUnit } from "../units/units";
import { useKnitting } from "./context";

type Seen = Schemas["WhereamiSeen"];
type Counted = "needle1" | "needle2" | "right" | "left" | "increases" | "ridges" | "chains";

const counts: { name: Counted; label: string }[] = [
  { name: "needle1", label: "Stitches on needle 1" },
  { name: "needle2", label: "Stitches on needle 2" },
  { name: "right", label: "Doubles, wraps or pins at the right" },
  { name: "left", label: "The same at the left" },
  { name: "increases", label: "Bumps of increases in a column" },
  { name: "ridges", label: "Ridges on one face" },
  { name: "chains", label: "Chain edge stitches on one side" },
];

const sides: Record<string, string> = { RS: "right", WS: "wrong" };

const choices = [
  {
    name: "side",
    label: "Side that faces you, yarn ready",
    title: "Side that faces you",
    options: ["RS", "WS"],
  },
  {
    name: "tail",
    label: "The tail of the cast-on hangs",
    title: "The tail of the cast-on hangs",
    options: ["right", "left"],
  },
  {
    name: "last",
    label: "The last round shows",
    title: "The last round shows",
    options: ["plain", "increase", "decrease"],
  },
];

/** Where finds the row by what can be seen; what is unclear stays empty. */
export function Where({ sock, row, close }: { sock: number; row: number; close: () => void }) {
  const unit = useUnit();
  const { id } = useKnitting((s) => s.view);
  const rows = useKnitting((s) => s.view.rows);
  const record = useKnitting((s) => s.record);
  const [typed, setTyped] = useState<Record<string, string>>({});
  const stripes = useKnitting((s) => s.tally.stripes);
  const [length, setLength] = useState("");
  const seen: Seen = {
    ...(typed.side && { side: typed.side as "RS" }),
    ...(typed.tail && { tail: typed.tail as "left" }),
    ...(typed.last && { last: typed.last as "plain" }),
  };
  for (const { name } of counts) {
    const text = typed[name]?.trim() ?? "";
    if (/^\d{1,4}$/.test(text)) {
      seen[name] = Number(text);
    }
  }
  const repeats = Number((typed.repeats ?? "").replace(",", "."));
  if (stripes && repeats > 0) {
    seen.repeats = repeats;
    seen.repeat_mm = stripes.repeat_mm;
  }
  const answer = useQuery({
    queryKey: ["where", id, row, seen, length, unit],
    queryFn: async () =>
      answered(
        await client.POST("/api/socks/{id}/where", {
          params: { path: { id } },
          body: { logged: row, seen, length, unit },
        }),
      ),
    placeholderData: (before) => before,
    retry: false,
  });
  const isUnread = (name: Counted) => typed[name]?.trim() && seen[name] === undefined;
  const unread = counts
    .filter(({ name }) => isUnread(name))
    .map(({ label }) => `${label}: a count is a whole number.`);
  if (typed.repeats && !(repeats > 0)) {
    unread.push("Stripe repeats: a number such as 4.5.");
  }
  const set = (name: string, value: string) => setTyped({ ...typed, [name]: value });
  return (
    <>
      <h2>Where am I?</h2>
      <p className="muted">Look, in any order. Leave out what is unclear.</p>
      <div className="looks">
        {counts.map(({ name, label }) => (
          <div key={name} className="look-line">
            <label htmlFor={`see-${name}`}>{label}</label>
            <Input
              id={`see-${name}`}
              inputMode="numeric"
              value={typed[name] ?? ""}
              status={isUnread(name) ? "error" : ""}
              aria-invalid={isUnread(name) ? true : undefined}
              onChange={(event) => set(name, event.target.value)}
            />
          </div>
        ))}
        {stripes && (
          <div className="look-line">
            <label htmlFor="see-repeats">Stripe repeats from the tip of the toe, such as 4.5</label>
            <Input
              id="see-repeats"
              inputMode="decimal"
              value={typed.repeats ?? ""}
              status={typed.repeats && !(repeats > 0) ? "error" : ""}
              onChange={(event) => set("repeats", event.target.value)}
            />
          </div>
        )}
        {choices.map(({ name, label, title, options }) => (
          <div key={name} className="look-line">
            <label htmlFor={`see-${name}`}>{label}</label>
            <Select
              id={`see-${name}`}
              aria-label={title}
              allowClear
              value={typed[name] || undefined}
              onChange={(value) => set(name, value ?? "")}
              options={options.map((value) => ({ value, label: sides[value] ?? value }))}
            />
          </div>
        ))}
        <div className="look-line">
          <label htmlFor="see-length">From the tip of the toe</label>
          <Input
            id="see-length"
            value={length}
            suffix={<span className="unit">{unit}</span>}
            onChange={(event) => setLength(event.target.value)}
          />
        </div>
      </div>
      <p className="fault" role="alert">
        {[...unread, faultText(answer.error)].join(" ")}
      </p>
      {answer.data && (
        <>
          <p>{answer.data.text}</p>
          {answer.data.next && (
            <p className="next-look">
              <strong>Look at this next:</strong> {answer.data.next}
            </p>
          )}
          <ol className="matches">
            {answer.data.matches.slice(0, 5).map((match) => {
              const at = rows[match.row];
              return (
                <li key={match.row}>
                  <span>
                    before <strong>{at ? `${at.section.replace("_", " ")} ${at.n}` : "the end"}</strong>{" "}
                    <span className="muted">{match.share_pct.toFixed(0)} %</span>
                  </span>
                  <Button
                    size="small"
                    onClick={() => {
                      record("place", sock, match.row);
                      close();
                    }}
                  >
                    I am here
                  </Button>
                </li>
              );
            })}
          </ol>
        </>
      )}
    </>
  );
}
