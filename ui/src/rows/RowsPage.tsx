import { useQuery } from "@tanstack/react-query";
import { Button, Segmented, Skeleton } from "antd";
import { useState } from "react";
import { Link } from "react-router";
import type { Sock } from "../api/client";
import { saidFault } from "../api/client";
import { planOf } from "../api/plan";
import { useGlossary } from "../api/reference";
import { ChartDrawing } from "../chart/ChartDrawing";
import { Strip } from "../drawing/Strip";
import { Said } from "../hands/Said";
import { MovesWindow } from "../hands/ShowMe";
import { among } from "../shell/among";
import { Failure } from "../shell/Failure";
import { useKept } from "../shell/useKept";
import { usePageTitle } from "../shell/usePageTitle";
import { WithSock } from "../shell/WithSock";
import { useUnit } from "../units/units";
import { type Group, grouped, isRepeat, type Repeat, type SectionRows } from "./groups";
import css from "./rows.module.css";
import { TakeAway } from "./TakeAway";
import { usePattern } from "./usePattern";
import { Written } from "./Written";

/** RowsPage is the sock to read, row by row. */
export function RowsPage() {
  return <WithSock>{(sock) => <RowsOf key={sock.id} sock={sock} />}</WithSock>;
}

type Wording = "short" | "long";

/** Rows are read one by one, as a pattern with its repeats, or as charts. */
type View = "repeats" | "every" | "charts";
const views: View[] = ["repeats", "every", "charts"];

function RowsOf({ sock }: { sock: Sock }) {
  const unit = useUnit();
  usePageTitle(`Rows of ${sock.name}`);
  const [wording, setWording] = useKept<Wording>("wording", "short", ["short", "long"]);
  const [view, setView] = useKept<View>("rows-view", "every", views);
  const plan = useQuery(planOf(sock.draft, unit));
  const pattern = usePattern(sock.id, sock.revision);
  const glossary = useGlossary();
  const { plan: made, words, shows = [], fingers = [] } = plan.data ?? {};
  const [shown, show] = useState("");
  return (
    <div className="page rows">
      <header className="page-heading">
        <div>
          <h1>{sock.name}</h1>
          <p className="muted">
            {sock.wearer && `for ${sock.wearer} · `}
            <Link to={`/socks/${sock.id}`}>back to the board</Link>
          </p>
        </div>
        <div className="actions no-print">
          <Segmented<View>
            aria-label="How the rows are written"
            options={[
              { label: "Repeats", value: "repeats" },
              { label: "Every row", value: "every" },
              { label: "Charts", value: "charts" },
            ]}
            value={view}
            onChange={setView}
          />
          {view === "every" && (
            <Segmented<Wording>
              aria-label="Wording"
              options={[
                { label: "Abbreviations", value: "short" },
                { label: "Plain words", value: "long" },
              ]}
              value={wording}
              onChange={setWording}
            />
          )}
          <Button onClick={() => window.print()}>Print</Button>
          <TakeAway id={sock.id} />
        </div>
      </header>
      {plan.isError && <Failure error={plan.error} retry={() => plan.refetch()} />}
      {plan.isPending && <Skeleton active />}
      {plan.data && !words && (
        <p className="stale-note">
          The rows come when the design is complete: {plan.data.faults.slice(0, 1).map(saidFault)}
          {made?.checks.find((c) => c.level === "stop")?.text}
        </p>
      )}
      {made && words && (
        <>
          <p className={css.checkedLine}>
            <strong>Every row checked.</strong> {made.rows.length} rows were knitted again on the needle
            machine, loop by loop: every operation is possible, every count comes out, and nothing is left on
            the needles.
          </p>
          {plan.data?.strip && <Strip parts={plan.data.strip} />}
          {view !== "every" && pattern.isError && (
            <Failure error={pattern.error} retry={() => pattern.refetch()} />
          )}
          {view === "repeats" && pattern.data && (
            <>
              <Written sections={pattern.data.sections} />
              {pattern.data.second.length > 0 && (
                <Written sections={pattern.data.second} title="The second sock, where it differs" />
              )}
            </>
          )}
          {view === "charts" && pattern.data?.charts.map((c) => <ChartDrawing key={c.name} chart={c} />)}
          {view !== "every" && pattern.isPending && <Skeleton active />}
          {view === "every" &&
            grouped(made, words, shows, fingers).map((section) => (
              <SectionTable
                key={section.section}
                section={section}
                wording={wording}
                glossary={glossary}
                show={show}
              />
            ))}
          <MovesWindow names={shown ? [shown] : []} close={() => show("")} />
        </>
      )}
    </div>
  );
}

/** wellKnown operations are explained only to those who read plain words. */
const wellKnown = new Set(["k", "p", "turn", "sl", "co", "bo"]);

const titles: Record<string, string> = {
  cast_on: "Cast on",
  toe: "Toe",
  foot: "Foot",
  heel: "Heel",
  gusset: "Gusset",
  leg: "Leg",
  cuff: "Cuff",
  bind_off: "Bind off",
};

type Glossary = ReturnType<typeof useGlossary>;

/** How rows are written, and what opens a move. */
type Writing = { wording: Wording; glossary: Glossary; show: (move: string) => void };

function SectionTable({ section, ...writing }: { section: SectionRows } & Writing) {
  return (
    <section className={css.rowSection}>
      <h2>
        {titles[section.section]} <small>{section.rows > 1 ? `${section.rows} rows` : ""}</small>
      </h2>
      <table>
        <thead>
          <tr>
            <th scope="col">Row</th>
            <th scope="col">Side</th>
            <th scope="col">Worked so</th>
            <th scope="col">Stitches after</th>
          </tr>
        </thead>
        <tbody>
          {section.groups.map((group) =>
            isRepeat(group) ? (
              <RepeatOf key={group.pair[0].first.id} repeat={group} {...writing} />
            ) : (
              <RowOf key={group.first.id} group={group} {...writing} />
            ),
          )}
        </tbody>
      </table>
    </section>
  );
}

/** RepeatOf says a pair of rows once, and all of them on a click. */
function RepeatOf({ repeat, ...writing }: { repeat: Repeat } & Writing) {
  const [open, setOpen] = useState(false);
  const { pair, times, all } = repeat;
  const last = all.at(-1);
  const [a, b] = [pair[0].first.n, pair[1].first.n];
  return (
    <>
      <tr className="repeat">
        <th scope="row" colSpan={2}>
          {a}–{last?.first.n}
        </th>
        <td className={css.ops}>
          Rows {a} and {b}, {times} times.{" "}
          <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)}>
            {open ? "The two rows" : "Every row"}
          </Button>
        </td>
        <td className={css.countAfter}>
          {last?.first.stitches}
          {last?.fingers && <p className={`muted ${css.fingers}`}>{last.fingers} at the end</p>}
        </td>
      </tr>
      {(open ? all : pair).map((group) => (
        <RowOf key={group.first.id} group={group} {...writing} />
      ))}
    </>
  );
}

function RowOf({ group, wording, glossary, show }: { group: Group } & Writing) {
  const { first, last, words, shows, fingers } = group;
  return (
    <tr id={first.id}>
      <th scope="row">{first.n === last.n ? first.n : `${first.n}–${last.n}`}</th>
      <td>
        {first.side}
        <span className="muted"> {first.kind}</span>
      </td>
      <td className={css.ops}>
        {first.note && <p className={css.rowNote}>{first.note}</p>}
        {first.colour && <p className={css.rowNote}>in the {first.colour} yarn</p>}
        {words.parts.map((part) => (
          <div key={`${part.needle}${part.short}`}>
            {part.needle > 0 && (
              <span className={`${css.needleName} ${among(css, `n${part.needle}`)}`}>{part.on}</span>
            )}
            <span className={among(css, wording)}>
              <Said text={part[wording]} shows={shows} open={show} />
            </span>
          </div>
        ))}
        {words.new
          .filter((op) => wording === "long" || !wellKnown.has(op))
          .map((op) => {
            const entry = glossary.get(op);
            return (
              entry && (
                <details key={op} className={css.rowNote}>
                  <summary>
                    First here: <strong>{entry.name}</strong>
                  </summary>
                  {entry.steps} <em>Take care:</em> {entry.slip} <em>How it looks:</em> {entry.look}
                </details>
              )
            );
          })}
      </td>
      <td className={css.countAfter}>
        {first.stitches}
        {fingers && <p className={`muted ${css.fingers}`}>{fingers}</p>}
      </td>
    </tr>
  );
}
