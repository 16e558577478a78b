import { Button, Checkbox, Input } from "antd";
import { useState } from "react";
import { Refusal, type Schemas } from "../api/client";
import {
  type FootView,
  type Measurement,
  type Side,
  useAddMeasurement,
  useDeleteMeasurement,
  useRestoreMeasurement,
} from "../api/feet";
import { useTakeOut } from "../shell/useTakeOut";
import { useTypedLength } from "../shell/useTyped";
import { lengthText, lengthWithUnit, useUnit } from "../units/units";
import { FootPicture } from "./FootPicture";
import css from "./feet.module.css";
import { today } from "./today";

const sources: Record<string, string> = {
  tape: "by tape",
  tracing: "from a tracing",
  shoe: "from a shoe size",
  guess: "guessed",
};

/** Measure is one thing to measure on one foot: its drawing, what it is now, and what it was. */
export function Measure({
  wearer,
  side,
  kind,
  foot,
  history,
}: {
  wearer: string;
  side: Side;
  kind: Schemas["FeetKind"];
  foot: FootView;
  history: Measurement[];
}) {
  const unit = useUnit();
  const newest = foot.newest.find((m) => m.what === kind.name);
  const guess = foot.guesses[kind.name];
  return (
    <li>
      <FootPicture kind={kind.name} />
      <div className={css.measureWhat}>
        <h3>{kind.label}</h3>
        <p className="muted">{kind.how}</p>
      </div>
      <p className={css.measureNow}>
        {newest ? (
          <>
            <strong>{lengthText(newest.length_mm, unit)}</strong> {unit}
            <span className="muted">
              {newest.uncertainty_mm > 0 && `± ${lengthWithUnit(newest.uncertainty_mm, unit)} · `}
              {sources[newest.source]}, {newest.measured_on}
            </span>
          </>
        ) : guess ? (
          <>
            about <strong className={css.guessed}>{lengthText(guess, unit)}</strong> {unit}
            <span className="muted">guessed from what is known: measure it</span>
          </>
        ) : (
          <span className="muted">not measured</span>
        )}
      </p>
      <Add wearer={wearer} side={side} what={kind.name} label={kind.label} />
      {history.length > 0 && <History wearer={wearer} list={history} label={kind.label} />}
    </li>
  );
}

function Add({ wearer, side, what, label }: { wearer: string; side: Side; what: string; label: string }) {
  const unit = useUnit();
  const { typed, setTyped, send } = useTypedLength(`measure ${wearer} ${side} ${what}`);
  const [day, setDay] = useState(today());
  const [guessed, setGuessed] = useState(false);
  const add = useAddMeasurement(wearer);
  const faults = add.error instanceof Refusal ? (add.error.problem.errors ?? []) : [];
  const id = `measure-${what}`;
  return (
    <form
      className={css.measureAdd}
      onSubmit={(event) => {
        event.preventDefault();
        void send((length) => add.mutateAsync({ side, what, length, unit, measured_on: day, guessed }));
      }}
    >
      <Input
        id={id}
        aria-label={`${label}, measured anew`}
        aria-describedby={`${id}-note`}
        value={typed}
        suffix={<span className="unit">{unit}</span>}
        placeholder="measure"
        status={add.isError ? "error" : ""}
        onChange={(event) => setTyped(event.target.value)}
      />
      {typed !== "" && (
        <>
          <Input
            type="date"
            aria-label={`Day on which ${label.toLowerCase()} was measured`}
            value={day}
            max={today()}
            onChange={(event) => setDay(event.target.value)}
          />
          <Checkbox checked={guessed} onChange={(event) => setGuessed(event.target.checked)}>
            a guess
          </Checkbox>
          <Button type="primary" htmlType="submit">
            Keep
          </Button>
        </>
      )}
      <p id={`${id}-note`} className="fault" role="alert">
        {faults.length > 0 ? faults.map((f) => f.message).join(" ") : add.error?.message}
      </p>
    </form>
  );
}

function History({ wearer, list, label }: { wearer: string; list: Measurement[]; label: string }) {
  const unit = useUnit();
  const remove = useDeleteMeasurement(wearer);
  const restore = useRestoreMeasurement(wearer);
  const takeOut = useTakeOut();
  return (
    <details className={`more ${css.measureHistory}`}>
      <summary>{list.length === 1 ? "Measured once" : `Measured ${list.length} times`}</summary>
      <ul>
        {list.map((m) => (
          <li key={m.id}>
            {m.measured_on} <strong>{lengthWithUnit(m.length_mm, unit)}</strong>{" "}
            <span className="muted">{sources[m.source]}</span>{" "}
            <Button
              size="small"
              aria-label={`Take out ${label} of ${m.measured_on}`}
              onClick={() =>
                takeOut(`${label} of ${m.measured_on} is taken out.`, remove.mutateAsync(m.id), () =>
                  restore.mutateAsync(m.id),
                )
              }
            >
              Take out
            </Button>
          </li>
        ))}
      </ul>
    </details>
  );
}
