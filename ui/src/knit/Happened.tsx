import { Button } from "antd";
import { useDeferredValue, useState } from "react";
import { faultText, type Schemas } from "../api/client";
import { useCarried } from "../units/carry";
import { useUnit } from "../units/units";
import { useKnitting } from "./context";
import css from "./knit-panel.module.css";
import { carriedTape, inWords, OnTheFoot, placeOf, type Sits, type Tape, triedOf } from "./OnTheFoot";
import { Otherwise, saidOf, type Typed } from "./Otherwise";
import { rowsOf } from "./rows";
import { TriedOn } from "./TriedOn";
import { type Said, useReplan } from "./useReplan";

/**
 * Happened bends the plan to what really happened: tried on, another count cast
 * on or picked up, a heel begun late. The change is shown before it is accepted.
 */
export function Happened({
  sock,
  row,
  close,
  tried = false,
}: {
  sock: number;
  row: number;
  close: () => void;
  tried?: boolean;
}) {
  const unit = useUnit();
  const heelPlace = useKnitting((s) => s.view.heel_place);
  const next = useKnitting((s) => rowsOf(s.view, sock)[row]);
  const where = placeOf(next);
  const record = useKnitting((s) => s.record);
  const [tape, setTape] = useState<Tape>({});
  const settled = useDeferredValue(tape.length ?? "");
  useCarried((from) => setTape(carriedTape(tape, from)));
  const [typed, setTyped] = useState<Typed>({});
  const all = useKnitting((s) => s.view.tellable?.[sock - 1]);
  const tellable = (all ?? []).filter((told) => told.from <= row && row <= told.to);
  const [sits, setSits] = useState<Sits>({});
  const said: Said | undefined = tried ? triedOf(tape, sits) : saidOf(typed);
  const ask = useReplan(sock, row, close);
  const goOn = (told: Said, other: Said["other"]) => {
    if (tried && ask.data) {
      record("note", sock, row, {
        text: ["Tried on", ...inWords(tape, sits, unit), ask.data.text].join(". "),
      });
    }
    ask.mutate({ said: other ? { ...told, other } : told, accept: true });
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (said) {
          ask.mutate({ said, accept: false });
        }
      }}
    >
      <h2>{tried ? "I tried it on" : "It went otherwise"}</h2>
      {tried ? (
        <>
          <TriedOn sock={sock} row={row} length={where.foot ? settled : ""} taped={where.foot || where.leg} />
          <OnTheFoot
            where={where}
            heelPlace={heelPlace}
            tape={tape}
            setTape={setTape}
            sits={sits}
            setSits={setSits}
          />
        </>
      ) : (
        <Otherwise typed={typed} setTyped={setTyped} tellable={tellable} />
      )}
      <Button type="primary" htmlType="submit" loading={ask.isPending} disabled={!said}>
        What does it change?
      </Button>
      <p className="fault" role="alert">
        {faultText(ask.error)}
      </p>
      {ask.data && (
        <div className={css.proposal}>
          <p>
            <strong>{ask.data.text}</strong>
          </p>
          {ask.data.repair && <p>{ask.data.repair}</p>}
          {ask.data.advice.map((advice) => (
            <section key={advice.place}>
              <h3 className={css.sitHead}>
                {advice.place}: {advice.how}
              </h3>
              <ol>
                {advice.ways.map((way) => (
                  <li key={way}>{way}</li>
                ))}
              </ol>
            </section>
          ))}
          {ask.data.advice.some((advice) => advice.care) && (
            <p className="stale-note">{ask.data.advice.find((advice) => advice.care)?.care}</p>
          )}
          {ask.data.pair && !ask.data.other && <p>{ask.data.pair}</p>}
          <ul>
            {ask.data.changes.map((change) => (
              <li key={change.label}>
                {change.label}: {change.was} → <strong>{change.now}</strong>
              </li>
            ))}
          </ul>
          {ask.data.plans && ask.data.coming.length > 0 && (
            <>
              <p>Then come:</p>
              <ol className="coming">
                {ask.data.coming.map((row) => (
                  <li key={row}>{row}</li>
                ))}
              </ol>
            </>
          )}
          {said && ask.data.plans && <GoOn other={ask.data.other} goOn={(other) => goOn(said, other)} />}
        </div>
      )}
    </form>
  );
}

/** GoOn takes what was looked at; where the other sock could still be knitted alike, it asks for that one too. */
function GoOn({
  other,
  goOn,
}: {
  other: Schemas["ReplanOther"] | undefined;
  goOn(other: Said["other"]): void;
}) {
  if (!other) {
    return (
      <Button type="primary" onClick={() => goOn(undefined)}>
        Go on like that
      </Button>
    );
  }
  return (
    <fieldset className={css.other}>
      <legend>{other.question}</legend>
      {other.ways.map((way, i) => (
        <p key={way.answer}>
          <Button type={i === 0 ? "primary" : "default"} onClick={() => goOn(way.answer)}>
            {way.label}
          </Button>
          <span>{way.text}</span>
        </p>
      ))}
    </fieldset>
  );
}
