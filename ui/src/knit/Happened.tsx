import { Button, Input, Select } from "antd";
import { useDeferredValue, useState } from "react";
import type { Schemas } from "../api/client";
import { faultText } from "../api/client";
import { carried, useCarried } from "../units/carry";
import { useUnit } from "../units/units";
import { useKnitting } from "./context";
import css from "./knit-panel.module.css";
import { Otherwise, saidOf, type Typed } from "./Otherwise";
import { rowsOf } from "./rows";
import { TriedOn } from "./TriedOn";
import { type Said, useReplan } from "./useReplan";

const sits: { value: NonNullable<Schemas["ReplanHappened"]["feels"]>; label: string }[] = [
  { value: "tight_foot", label: "too tight on the foot" },
  { value: "loose_foot", label: "too loose on the foot" },
  { value: "tight_leg", label: "too tight at the ankle or leg" },
  { value: "loose_leg", label: "too loose at the ankle or leg" },
];

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
  const onFoot = useKnitting((s) => rowsOf(s.view, sock)[row]?.section === "foot");
  const record = useKnitting((s) => s.record);
  const [length, setLength] = useState("");
  const settled = useDeferredValue(length);
  const [toHeel, setToHeel] = useState("");
  useCarried((from) => {
    setLength(carried(length, from));
    setToHeel(carried(toHeel, from));
  });
  const [typed, setTyped] = useState<Typed>({});
  const flap = useKnitting((s) => rowsOf(s.view, sock).some((r) => r.section === "gusset"));
  const wedge = useKnitting(
    (s) =>
      row > 2 && rowsOf(s.view, sock).some((r) => r.section === "toe" && r.kind === "round" && r.n === 2),
  );
  const [feels, setFeels] = useState<Schemas["ReplanHappened"]["feels"]>();
  const triedOn = length.trim() !== "" || toHeel.trim() !== "" || feels !== undefined;
  const onTheFoot = triedOn ? { length, ...(onFoot && { toHeel }), ...(feels && { feels }) } : undefined;
  const said: Said | undefined = tried ? onTheFoot : saidOf(typed);
  const ask = useReplan(sock, row, close);
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
          <TriedOn sock={sock} row={row} length={onFoot ? settled : ""} />
          <div className={css.lookLine}>
            <label htmlFor="tried-length">From the tip of the toe to the needle</label>
            <Input
              id="tried-length"
              autoFocus
              value={length}
              suffix={<span className="unit">{unit}</span>}
              onChange={(event) => setLength(event.target.value)}
            />
          </div>
          {onFoot && (
            <>
              <div className={css.lookLine}>
                <label htmlFor="to-heel">From the needle to the heel's place</label>
                <Input
                  id="to-heel"
                  aria-describedby="to-heel-place"
                  value={toHeel}
                  suffix={<span className="unit">{unit}</span>}
                  onChange={(event) => setToHeel(event.target.value)}
                />
              </div>
              <p id="to-heel-place" className="hint">
                On the foot the heel begins {heelPlace}. Past it already: with a minus.
              </p>
            </>
          )}
          <div className="field">
            <label htmlFor="feels">It sits</label>
            <Select
              id="feels"
              aria-label="It sits"
              allowClear
              placeholder="well"
              value={feels}
              onChange={setFeels}
              options={sits}
            />
          </div>
        </>
      ) : (
        <Otherwise typed={typed} setTyped={setTyped} flap={flap} wedge={wedge} />
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
          {ask.data.pair && <p>{ask.data.pair}</p>}
          <ul>
            {ask.data.changes.map((change) => (
              <li key={change.label}>
                {change.label}: {change.was} → <strong>{change.now}</strong>
              </li>
            ))}
          </ul>
          {ask.data.plans && ask.data.changes.length > 0 && ask.data.coming.length > 0 && (
            <>
              <p>Then come:</p>
              <ol className="coming">
                {ask.data.coming.map((row) => (
                  <li key={row}>{row}</li>
                ))}
              </ol>
            </>
          )}
          {said && ask.data.plans && ask.data.changes.length > 0 && (
            <Button
              type="primary"
              onClick={() => {
                if (tried && ask.data?.plans) {
                  record("note", sock, row, {
                    text: [
                      `Tried on${length && `: ${carried(length, unit)} from the tip`}`,
                      ...(toHeel ? [`${carried(toHeel, unit)} to the heel's place`] : []),
                      ask.data.text,
                    ].join(". "),
                  });
                }
                ask.mutate({ said, accept: true });
              }}
            >
              Go on like that
            </Button>
          )}
        </div>
      )}
    </form>
  );
}
