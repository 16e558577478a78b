import { useQuery } from "@tanstack/react-query";
import { Button, Input, Select } from "antd";
import { useState } from "react";
import { answered, client, faultText, type Schemas } from "../api/client";
import { FabricDrawing } from "../drawing/FabricDrawing";
import fabricCss from "../drawing/fabric.module.css";
import { carried, useCarried } from "../units/carry";
import { useUnit } from "../units/units";
import { useKnitting } from "./context";
import knitPanelCss from "./knit-panel.module.css";
import { rowsOf } from "./rows";

type Seen = Schemas["WhereamiSeen"];
type Question = Schemas["WhereamiQuestion"];

/** seenOf is what was typed, as far as it can be read; lengths are read by the program. */
function seenOf(asks: Question[], typed: Record<string, string>): Seen {
  const seen: Record<string, string | number> = {};
  for (const { name, kind } of asks) {
    const text = typed[name]?.trim() ?? "";
    if (kind === "count" && isCount(text)) {
      seen[name] = Number(text);
    }
    if (kind === "choice" && typed[name] !== undefined) {
      seen[name] = typed[name];
    }
  }
  return seen as Seen;
}

const isCount = (text: string) => /^\d{1,4}$/.test(text);

/** Where finds the row by what can be seen; what is unclear stays empty. Only looks that this sock can have are asked for. */
export function Where({ sock, row, close }: { sock: number; row: number; close: () => void }) {
  const unit = useUnit();
  const { id } = useKnitting((s) => s.view);
  const rows = useKnitting((s) => rowsOf(s.view, sock));
  const record = useKnitting((s) => s.record);
  const [typed, setTyped] = useState<Record<string, string>>({});
  useCarried((from) =>
    setTyped((now) =>
      Object.fromEntries(
        Object.entries(now).map(([name, text]) => [
          name,
          name === "length" || name === "up" ? carried(text, from) : text,
        ]),
      ),
    ),
  );
  const [asks, setAsks] = useState<Question[]>([]);
  const stripes = useKnitting((s) => s.tally.stripes);
  const seen = seenOf(asks, typed);
  const repeats = Number((typed.repeats ?? "").replace(",", "."));
  if (stripes && repeats > 0) {
    seen.repeats = repeats;
    seen.repeat_mm = stripes.repeat_mm;
  }
  const [length = "", up = ""] = [typed.length, typed.up];
  const answer = useQuery({
    queryKey: ["where", id, sock, row, seen, length, up, unit],
    queryFn: async () => {
      const found = answered(
        await client.POST("/api/socks/{id}/where", {
          params: { path: { id } },
          body: { sock, logged: row, seen, length, up, unit },
        }),
      );
      setAsks(found.asks);
      return found;
    },
    placeholderData: (before) => before,
    retry: false,
  });
  const isUnread = ({ name, kind }: Question) =>
    kind === "count" && (typed[name]?.trim() ?? "") !== "" && !isCount(typed[name]?.trim() ?? "");
  const unread = asks.filter(isUnread).map(({ label }) => `${capital(label)}: a count is a whole number.`);
  if (typed.repeats && !(repeats > 0)) {
    unread.push("Stripe repeats: a number such as 4.5.");
  }
  const set = (name: string, value: string | undefined) => {
    const { [name]: _, ...others } = typed;
    setTyped(value === undefined ? others : { ...others, [name]: value });
  };
  return (
    <>
      <h2>Where am I?</h2>
      <p className="muted">Look, in any order. Leave out what is unclear.</p>
      {answer.data?.next && (
        <p className={knitPanelCss.nextLook}>
          <strong>Look at this next:</strong> {answer.data.next}
        </p>
      )}
      <div className={knitPanelCss.looks}>
        {asks.map((ask) => (
          <div key={ask.name} className={knitPanelCss.lookLine}>
            <label htmlFor={`see-${ask.name}`}>{capital(ask.label)}</label>
            {ask.kind === "choice" ? (
              <Select
                id={`see-${ask.name}`}
                aria-label={ask.label}
                allowClear
                value={typed[ask.name]}
                onChange={(value: string | undefined) => set(ask.name, value)}
                options={ask.options ?? []}
              />
            ) : (
              <Input
                id={`see-${ask.name}`}
                inputMode={ask.kind === "count" ? "numeric" : "text"}
                value={typed[ask.name] ?? ""}
                status={isUnread(ask) ? "error" : ""}
                aria-invalid={isUnread(ask) ? true : undefined}
                suffix={ask.kind === "length" && <span className="unit">{unit}</span>}
                onChange={(event) => set(ask.name, event.target.value)}
              />
            )}
          </div>
        ))}
        {stripes && (
          <div className={knitPanelCss.lookLine}>
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
      </div>
      <p className="fault" role="alert">
        {[...unread, faultText(answer.error)].join(" ")}
      </p>
      {answer.data && (
        <>
          <p>{answer.data.text}</p>
          {answer.data.pictures.length > 0 && (
            <>
              <p>
                <strong>Which of these looks like yours?</strong> Ringed is where they differ.
              </p>
              <div className={fabricCss.wherePictures}>
                {answer.data.pictures.map(({ row: place, picture, marks }) => (
                  <figure key={place}>
                    <FabricDrawing picture={picture} marks={marks} />
                    <figcaption>{nameOf(rows[place])}</figcaption>
                  </figure>
                ))}
              </div>
            </>
          )}
          <ol className={knitPanelCss.matches}>
            {answer.data.matches.slice(0, 5).map((match) => {
              const at = rows[match.row];
              return (
                <li key={`${match.row} ${match.half}`}>
                  <span>
                    {match.half ? "in the middle of" : "before"} <strong>{nameOf(at)}</strong>{" "}
                    <span className="muted">{match.share_pct.toFixed(0)} %</span>
                  </span>
                  <Button
                    size="small"
                    onClick={() => {
                      record("place", sock, match.row);
                      if (match.half) {
                        record("half", sock, match.row);
                      }
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

const nameOf = (row: { section: string; n: number } | undefined) =>
  row ? `${row.section.replace("_", " ")} ${row.n}` : "the end";

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
