import { useMutation } from "@tanstack/react-query";
import { Button, Input, Select } from "antd";
import { useState } from "react";
import { answered, client, type Schemas } from "../api/client";
import { useUnit } from "../units/units";
import { useKnitting } from "./KnitPage";
import { faultText } from "./KnitPanel";

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
  const { id, version } = useKnitting((s) => s.view);
  const say = useKnitting((s) => s.say);
  const take = useKnitting((s) => s.take);
  const send = useKnitting((s) => s.send);
  const [length, setLength] = useState("");
  const [typed, setTyped] = useState<Record<string, string>>({});
  const [feels, setFeels] = useState<Schemas["ReplanHappened"]["feels"]>();
  const happened: Schemas["ReplanHappened"] = { row };
  const castOn = number(typed.castOn ?? "");
  const late = number(typed.late ?? "");
  const leg = number(typed.leg ?? "");
  const picked = (typed.picked ?? "").split(/[ ,/]+/).map(number);
  if (tried && feels) {
    happened.feels = feels;
  }
  if (castOn !== undefined) {
    happened.cast_on = castOn;
  }
  if (late !== undefined) {
    happened.heel_late = late;
  }
  if (leg !== undefined) {
    happened.leg_rounds = leg;
  }
  if (picked[0] !== undefined && picked[1] !== undefined) {
    happened.picked_up = [picked[0], picked[1]];
  }
  const ask = useMutation({
    mutationFn: async (accept: boolean) => {
      await send();
      const proposal = answered(
        await client.POST("/api/socks/{id}/replan", {
          params: { path: { id } },
          body: { version, happened, length: tried ? length : "", unit, accept },
        }),
      );
      if (accept) {
        take(answered(await client.GET("/api/socks/{id}/knit", { params: { path: { id } } })));
        if (proposal.row !== row) {
          say("place", sock, proposal.row);
        }
      }
      return proposal;
    },
    onSuccess: (_proposal, accept) => {
      if (accept) {
        close();
      }
    },
  });
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
        ask.mutate(false);
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
        disabled={tried && length.trim() === "" && !feels}
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
                    text: `Tried on${length && `: ${length} ${unit} from the tip`}. ${ask.data.text}`,
                  });
                }
                ask.mutate(true);
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
