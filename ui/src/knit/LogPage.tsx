import { useQuery } from "@tanstack/react-query";
import { Button, Input } from "antd";
import { useMemo } from "react";
import { Link, useParams } from "react-router";
import { answered, client, type Schemas } from "../api/client";
import { Strip } from "../drawing/Strip";
import { dayText, momentText } from "../shell/moment";
import { Shown } from "../shell/Shown";
import { useDraft } from "../shell/useDraft";
import { usePageTitle } from "../shell/usePageTitle";
import { countText, lengthWithUnit, type Unit, useUnit, yarnWithUnit } from "../units/units";
import { BackTo } from "./BackTo";
import { useKnitting } from "./context";
import { Due } from "./Due";
import knitRowCss from "./knit-row.module.css";
import logCss from "./log.module.css";
import { type Event, standing } from "./logbook";
import { OnNeedles } from "./OnNeedles";
import { PairApart } from "./PairApart";
import { rowsOf } from "./rows";
import { hours } from "./time";

type View = Schemas["KnitView"];

/** LogPage is what happened on a pair of socks, how long the rest takes, and what to do next time. */
export function LogPage() {
  const { id = "" } = useParams();
  const view = useQuery({
    queryKey: ["knit-log", id],
    queryFn: async ({ signal }) =>
      answered(await client.GET("/api/socks/{id}/knit", { params: { path: { id } }, signal })),
    meta: { kept: true },
    gcTime: 0,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  usePageTitle(`Log of ${view.data?.name ?? "a sock"}`);
  return (
    <Shown query={view} back={{ to: `/socks/${id}`, label: "To the board" }}>
      {(found) => (
        <OnNeedles key={id} view={found}>
          <Log />
        </OnNeedles>
      )}
    </Shown>
  );
}

function Log() {
  const unit = useUnit();
  const { view, events: heard, places, tally, record, refusal, offline } = useKnitting((s) => s);
  const events = useMemo(() => standing(heard), [heard]);
  const promise = events.findLast((e) => e.kind === "due");
  const listed = events.filter(
    (e) => !["row", "half", "due"].includes(e.kind) || (e === promise && promise.text),
  );
  const rows = events.filter((e) => e.kind === "row");
  return (
    <div className={`page ${logCss.log}`}>
      <header className="page-heading">
        <div>
          <h1>{view.name}</h1>
          <p className="muted">
            {view.wearer && `for ${view.wearer} · `}
            <Link to={`/socks/${view.id}/knit`}>to the needles</Link> ·{" "}
            <Link to={`/socks/${view.id}`}>to the board</Link>
          </p>
        </div>
        <p className="actions no-print">
          <a href={`/api/socks/${view.id}/log.csv`} download>
            Log as CSV
          </a>
          <a href={`/api/socks/${view.id}/plan.ics`} download>
            Plan for the calendar
          </a>
        </p>
      </header>
      <Strip parts={view.strip} done={places[0].row} />
      <div className={logCss.logColumns}>
        <section>
          <h2>Still to knit</h2>
          <p className={logCss.logToGo}>
            {tally.seconds_left > 0 ? (
              <>
                <strong>{hours(tally.seconds_left)}</strong> for the pair{" "}
                <span className="muted">
                  at {tally.pace.seconds_per_stitch.toFixed(1)} s a stitch, from{" "}
                  {countText(tally.pace.counted, "row")}
                </span>
              </>
            ) : (
              <span className="muted">
                the time is told after a few rows; the days are a guess until then
              </span>
            )}
          </p>
          {tally.done_on && (
            <p>
              {tally.seconds_left > 0 ? "At this pace off the needles on " : "Off the needles perhaps on "}
              <strong>{dayText(tally.done_on, "weekday")}</strong>
              {tally.each?.[0]?.done_on &&
                tally.each[0].done_on !== tally.done_on &&
                `, the first sock on ${dayText(tally.each[0].done_on, "weekday")}`}
            </p>
          )}
          {tally.sections.length === 0 ? (
            <p>Nothing: both socks are off the needles.</p>
          ) : (
            <table className="figures">
              <thead>
                <tr>
                  <th scope="col">section</th>
                  <th scope="col">rows</th>
                  <th scope="col">stitches</th>
                  <th scope="col">time</th>
                  <th scope="col">done</th>
                </tr>
              </thead>
              <tbody>
                {tally.sections.map((s) => (
                  <tr key={`${s.sock} ${s.section}`}>
                    <th scope="row">
                      {s.sock === 2 && "second sock, "}
                      {s.section.replace("_", " ")}
                    </th>
                    <td>{s.rows}</td>
                    <td>{s.stitches}</td>
                    <td>{s.seconds > 0 ? hours(s.seconds) : "…"}</td>
                    <td>{dayText(s.done_on)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          <Due
            due={tally.due}
            promised={promise?.text ?? ""}
            promise={(text) => record("due", 1, places[0].row, { text })}
          />
        </section>
        <div>
          {view.versions.length > 1 && (
            <section>
              <h2>The plan changed</h2>
              <ul>
                {view.versions.slice(1).map((v) => (
                  <li key={v.version}>
                    {momentText(v.created)}: {v.reason}
                    <BackTo version={v.version - 1} />
                  </li>
                ))}
              </ul>
            </section>
          )}
          <section>
            <h2>
              What happened <small>{countText(rows.length, "row")} ticked</small>
            </h2>
            {listed.length === 0 && <p className="muted">No notes, no mistakes, nothing weighed yet.</p>}
            <ul className={logCss.logList}>
              {listed.map((e) => (
                <li key={e.id}>
                  <span className="muted">{momentText(e.at_ms)}</span>
                  <span>
                    {e.sock === 2 && "second sock, "}
                    {rowsOf(view, e.sock)[e.row]?.section.replace("_", " ")} {rowsOf(view, e.sock)[e.row]?.n}
                  </span>
                  <strong>
                    {words(e, unit)}
                    {e.picture && (
                      <img className={knitRowCss.notePicture} src={e.picture} alt="At this row" />
                    )}
                  </strong>
                </li>
              ))}
            </ul>
          </section>
          <BothSocks events={events} view={view} />
        </div>
      </div>
      <NextTime
        id={view.id}
        record={(text) => record("wear", 1, Math.max(0, view.rows.length - 1), { text })}
        fault={refusal || (offline ? "No connection: it is kept here and written down later." : "")}
      />
    </div>
  );
}

function words(e: Event, unit: Unit): string {
  switch (e.kind) {
    case "weigh":
      return `${e.grams ?? 0} g left`;
    case "tried":
      return `${lengthWithUnit(e.length_mm ?? 0, unit)} from the tip`;
    case "stripes":
      return `stripes repeat after ${yarnWithUnit((e.length_mm ?? 0) / 1000, unit)}. ${e.text ?? ""}`;
    case "place":
      return "put here";
    case "due":
      return `a present for ${dayText(e.text ?? "", "weekday")}`;
    case "finish":
      return "off the needles";
    case "pause":
      return "a pause";
    default:
      return e.text ?? "";
  }
}

const otherwise = ["mistake", "place", "needle", "tried", "note"];

/** BothSocks lists where the second sock went otherwise than the first. */
function BothSocks({ events, view }: { events: Event[]; view: View }) {
  const unit = useUnit();
  const of = (sock: number) => events.filter((e) => e.sock === sock);
  if (of(2).length === 0 && !view.apart) {
    return null;
  }
  const versions = (sock: number) => [...new Set(of(sock).map((e) => e.version))].join(", ");
  const changes = (sock: number) => of(sock).filter((e) => otherwise.includes(e.kind));
  const rows = [...new Set([...changes(1), ...changes(2)].map((e) => e.row))].sort((a, b) => a - b);
  const at = (sock: number, row: number) =>
    changes(sock)
      .filter((e) => e.row === row)
      .map((e) => words(e, unit))
      .join("; ");
  return (
    <section>
      <h2>Where the two socks differ</h2>
      {view.apart && <PairApart apart={view.apart} />}
      <h3>Where they were knitted otherwise</h3>
      <table className={`figures ${logCss.differ}`}>
        <thead>
          <tr>
            <th scope="col">at</th>
            <th scope="col">first</th>
            <th scope="col">second</th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row">knitted by plan</th>
            <td>{versions(1)}</td>
            <td>{versions(2)}</td>
          </tr>
          {rows.map((row) => (
            <tr key={row}>
              <th scope="row">
                {view.rows[row]?.section.replace("_", " ")} {view.rows[row]?.n}
              </th>
              <td>{at(1, row) || "as planned"}</td>
              <td>{at(2, row) || "as planned"}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** NextTime is for the one who knits the next pair: how it fits, where it wore through. */
function NextTime({ id, record, fault }: { id: string; record: (text: string) => void; fault: string }) {
  const { text, type: setText } = useDraft(`next time ${id}`);
  const keep = () => {
    record(text);
    setText("");
  };
  return (
    <section>
      <h2>
        <label htmlFor="next-time">For the next time</label>
      </h2>
      <Input.TextArea
        id="next-time"
        maxLength={2000}
        rows={2}
        value={text}
        placeholder="Next time: four stitches fewer. Darned under the left heel after a winter."
        onChange={(event) => setText(event.target.value)}
      />
      <p className="fault" role="alert">
        {fault}
      </p>
      <Button type="primary" disabled={text.trim() === ""} onClick={keep}>
        Keep
      </Button>
    </section>
  );
}
