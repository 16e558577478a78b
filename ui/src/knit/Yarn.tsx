import { useMutation } from "@tanstack/react-query";
import { Button, Input, Select } from "antd";
import { useState } from "react";
import { answered, client, faultText } from "../api/client";
import { useCarried } from "../units/carry";
import {
  countText,
  lengthWithUnit,
  metresOf,
  useUnit,
  yarnText,
  yarnUnit,
  yarnWithUnit,
} from "../units/units";
import { useKnitting } from "./context";
import css from "./knit-panel.module.css";
import type { Knitting } from "./store";
import { type Said, useReplan } from "./useReplan";

/** Yarn takes a weighing of the ball, typed or from a scale on this machine. */
export function Yarn({ sock, row, close }: { sock: number; row: number; close: () => void }) {
  const record = useKnitting((s) => s.record);
  const [grams, setGrams] = useState("");
  const scraps = useKnitting((s) => s.tally.scraps);
  const [yarn, setYarn] = useState("");
  const scale = useMutation({
    mutationFn: async () => answered(await client.GET("/api/scale")),
    onSuccess: (reading) => setGrams(`${reading.grams}`),
  });
  const value = Number(grams.replace(",", "."));
  const good = grams.trim() !== "" && Number.isFinite(value) && value >= 0 && value <= 5000;
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        record("weigh", sock, row, { grams: value, ...(yarn && { text: yarn }) });
        close();
      }}
    >
      <h2>
        <label htmlFor="grams">The ball weighs</label>
      </h2>
      <div className="add-line">
        <Input
          id="grams"
          autoFocus
          value={grams}
          suffix={<span className="unit">g</span>}
          status={grams !== "" && !good ? "error" : ""}
          onChange={(event) => setGrams(event.target.value)}
        />
        <Button onClick={() => scale.mutate()} loading={scale.isPending}>
          Read the scale
        </Button>
      </div>
      {scraps.length > 0 && (
        <p>
          <Select
            aria-label="Which yarn"
            className="whole"
            value={yarn}
            onChange={setYarn}
            options={["", ...scraps.map((scrap) => scrap.yarn)].map((value) => ({
              value,
              label: yarnName(value),
            }))}
          />
        </p>
      )}
      <p className="fault" role="alert">
        {grams !== "" && !good ? "A ball weighs 0 to 5000 g." : faultText(scale.error)}
      </p>
      <Button type="primary" htmlType="submit" disabled={!good}>
        Keep
      </Button>
      <p className="hint">Two weighings some rows apart tell what a stitch weighs in your hands.</p>
      <Left sock={sock} row={row} close={close} />
      <Scraps />
      <Stripes sock={sock} row={row} />
    </form>
  );
}

const yarnName = (yarn: string) =>
  yarn === ""
    ? "the yarn of the sock"
    : yarn === "contrast"
      ? "the contrast yarn, all of it"
      : `a scrap for the ${yarn} alone`;

/** Scraps says of each other yarn what it weighs and whether that will do. */
function Scraps() {
  const scraps = useKnitting((s) => s.tally.scraps);
  if (scraps.length === 0) {
    return null;
  }
  return (
    <>
      <h2>The other yarns</h2>
      <ul className={css.scraps}>
        {scraps.map((scrap) => (
          <li key={scrap.yarn}>
            <strong>{scrap.yarn}</strong>{" "}
            {scrap.pair_g > 0
              ? `takes ${scrap.needs_g.toFixed(1)} g more for this sock, ${scrap.pair_g.toFixed(1)} g for the pair`
              : "is knitted on both socks"}
            {scrap.weighed && `; ${scrap.left_g} g are there: `}
            {scrap.weighed && (
              <em>
                {scrap.left_g >= scrap.pair_g
                  ? "enough for both"
                  : scrap.left_g >= scrap.needs_g
                    ? "enough for this sock only"
                    : "not enough"}
              </em>
            )}
            {scrap.doubt && <span className="fault"> {scrap.doubt}</span>}
          </li>
        ))}
      </ul>
    </>
  );
}

/** Stripes keeps how a self-striping yarn repeats and where the first sock began, so that the second begins there too. */
function Stripes({ sock, row }: { sock: number; row: number }) {
  const record = useKnitting((s) => s.record);
  const stripes = useKnitting((s) => s.tally.stripes);
  const [repeat, setRepeat] = useState("");
  const [began, setBegan] = useState("");
  const unit = useUnit();
  useCarried((from) => {
    const typed = Number(repeat.replace(",", "."));
    if (typed > 0) {
      setRepeat(yarnText(metresOf(typed, from), unit));
    }
  });
  const told = stripes?.of_design ? stripes.repeat_mm / 1000 : 0;
  const metres = told || metresOf(Number(repeat.replace(",", ".")), unit);
  const good = metres > 0 && metres <= 100;
  return (
    <>
      <h2>Stripes</h2>
      {stripes && (
        <p>
          A repeat of {yarnWithUnit(stripes.repeat_mm / 1000, unit)} is{" "}
          <strong>{stripes.foot_rounds.toFixed(1)}</strong> rounds of the foot and{" "}
          <strong>{stripes.leg_rounds.toFixed(1)}</strong> of the leg.
          {stripes.began && ` The first sock began ${stripes.began}: begin the second there too.`}
        </p>
      )}
      {!told && (
        <div className={css.lookLine}>
          <label htmlFor="repeat">One repeat of the stripes is</label>
          <Input
            id="repeat"
            value={repeat}
            suffix={<span className="unit">{yarnUnit(unit)}</span>}
            status={repeat !== "" && !good ? "error" : ""}
            onChange={(event) => setRepeat(event.target.value)}
          />
        </div>
      )}
      <div className="field">
        <label htmlFor="began">The first sock began</label>
        <Input
          id="began"
          value={began}
          placeholder="at the end of the grey"
          onChange={(event) => setBegan(event.target.value)}
        />
      </div>
      <p className="fault" role="alert">
        {repeat !== "" && !good && `A repeat takes more than 0 and up to ${yarnWithUnit(100, unit)} of yarn.`}
      </p>
      <Button
        disabled={!good || (told > 0 && began.trim() === "")}
        onClick={() => {
          record("stripes", sock, row, { length_mm: metres * 1000, text: began });
          setRepeat("");
          setBegan("");
        }}
      >
        Keep the stripes
      </Button>
    </>
  );
}

/** Left is what the ball is still good for, for the pair, and legs that follow the yarn. */
function Left({ sock, row, close }: { sock: number; row: number; close: () => void }) {
  const { ball } = useKnitting((s) => s.tally);
  const reach = ball?.each?.[sock - 1];
  if (!reach || !ball) {
    return null;
  }
  const follows = ball.follow.filter((f) => f.socks.includes(sock));
  return (
    <>
      <h2>What it is good for</h2>
      <p>
        The pair still takes <strong>{ball.pair_g.toFixed(0)} g</strong> as it is planned, this sock{" "}
        <strong>{reach.needs_g.toFixed(0)} g</strong>:{" "}
        {ball.enough ? "enough" : reach.enough ? "enough for this sock only" : "not enough"}, with 8 % kept
        back.
      </p>
      <p className="muted working-line">{reach.working}</p>
      {follows.length === 0 && (
        <p>It does not reach for a leg as tall as it is now: knit the cuff, or find another ball.</p>
      )}
      {follows.map((f) => (
        <Follows key={f.socks.length} follow={f} sock={sock} row={row} close={close} />
      ))}
    </>
  );
}

type Follow = NonNullable<Knitting["tally"]["ball"]>["follow"][number];

/** Follows offers a leg that is knitted until the yarn runs out: what it comes to is seen before it is taken. */
function Follows({
  follow,
  sock,
  row,
  close,
}: {
  follow: Follow;
  sock: number;
  row: number;
  close: () => void;
}) {
  const unit = useUnit();
  const ask = useReplan(sock, row, close);
  const both = follow.socks.length > 1;
  const said: Said = { leg_rounds: follow.rounds, ...(both && { other: "alike" }) };
  const looked = ask.data && !ask.variables?.accept;
  const takes = (sock: number) => `${(follow.takes_g?.[sock - 1] ?? 0).toFixed(0)} g`;
  return (
    <>
      <p>
        {both ? "Both legs from this ball" : "A ball for this sock alone"}:{" "}
        <strong>{countText(follow.rounds, "round")}</strong>
        {follow.repeat > 1 && `, in whole repeats of ${follow.repeat}`}, then the cuff,{" "}
        {lengthWithUnit(follow.height_mm, unit)} from the heel and {lengthWithUnit(follow.edge_mm, unit)}{" "}
        above the floor
        {follow.calf_mm > 0 && `; the calf is widest at ${lengthWithUnit(follow.calf_mm, unit)}`}.{" "}
        {both
          ? `The first sock takes ${takes(1)}, the second ${takes(2)}: put the second's aside before you knit on.`
          : `It takes ${takes(sock)}.`}
      </p>
      {looked && (
        <p>
          <strong>{ask.data.text}</strong> {ask.data.pair}
        </p>
      )}
      <Button
        type={looked ? "primary" : "default"}
        onClick={() => ask.mutate({ said, accept: looked === true })}
        loading={ask.isPending}
      >
        {looked ? "Knit it like that" : `Let ${both ? "both legs" : "this leg"} follow the yarn`}
      </Button>
      <p className="fault" role="alert">
        {faultText(ask.error)}
      </p>
    </>
  );
}
