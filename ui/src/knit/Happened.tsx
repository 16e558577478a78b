import { Button, Input, Select } from "antd";
import { useState } from "react";
import type { Schemas } from "../api/client";
import { useUnit } from "../units/units";
import { useKnitting } from "./KnitPage";
import { faultText } from "./KnitPanel";
import { type Said, useReplan } from "./useReplan";

const number = (text: string) => (/^-?\d{1,4}$/.test(text.trim()) ? Number(text) : undefined);

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
  const onFoot = useKnitting((s) => s.view.rows[row]?.section === "foot");
  const say = useKnitting((s) => s.say);
  const [length, setLength] = useState("");
  const [toHeel, setToHeel] = useState("");
  const [typed, setTyped] = useState<Record<string, string>>({});
  const [feels, setFeels] = useState<Schemas["ReplanHappened"]["feels"]>();
  const castOn = number(typed.castOn ?? "");
  const late = number(typed.late ?? "");
  const leg = number(typed.leg ?? "");
  const picked = (typed.picked ?? "").split(/[ ,/]+/).map(number);
  const said: Said = tried
    ? { length, ...(onFoot && { toHeel }), ...(feels && { feels }) }
    : {
        ...(castOn !== undefined && { cast_on: castOn }),
        ...(late !== undefined && { heel_late: late }),
        ...(leg !== undefined && { leg_rounds: leg }),
        ...(picked[0] !== undefined && picked[1] !== undefined && { picked_up: [picked[0], picked[1]] }),
      };
  const ask = useReplan(sock, row, close);
  const line = (name: string, label: string, hint: string) => (
    <div className="look-line">
      <label htmlFor={`happened-${name}`}>{label}</label>
      <Input
        id={`happened-${name}`}
        value={typed[name] ?? ""}
        placeholder={hint}
        onChange={(event) => setTyped({ ...typed, [name]: event.target.value })}
      />
    </div>
  );
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        ask.mutate({ said, accept: false });
      }}
    >
      <h2>{tried ? "I tried it on" : "It went otherwise"}</h2>
      {tried ? (
        <>
          <div className="look-line">
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
              <div className="look-line">
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
        <>
          {line("castOn", "Really cast on", "34")}
          {line("picked", "Really picked up, left and right", "21, 19")}
          {line("late", "The heel begins later by, in rounds", "3")}
          {line("leg", "Leg rounds, below the cuff", "64")}
        </>
      )}
      <Button
        type="primary"
        htmlType="submit"
        loading={ask.isPending}
        disabled={tried && length.trim() === "" && toHeel.trim() === "" && !feels}
      >
        What does it change?
      </Button>
      <p className="fault" role="alert">
        {faultText(ask.error)}
      </p>
      {ask.data && (
        <div className="proposal">
          <p>
            <strong>{ask.data.text}</strong>
          </p>
          {ask.data.repair && <p>{ask.data.repair}</p>}
          <ul>
            {ask.data.changes.map((change) => (
              <li key={change.label}>
                {change.label}: {change.was} → <strong>{change.now}</strong>
              </li>
            ))}
          </ul>
          {ask.data.design && ask.data.changes.length > 0 && (
            <Button
              type="primary"
              onClick={() => {
                if (tried && ask.data?.design) {
                  say("note", sock, row, {
                    text: [
                      `Tried on${length && `: ${length} ${unit} from the tip`}`,
                      ...(toHeel ? [`${toHeel} ${unit} to the heel's place`] : []),
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
