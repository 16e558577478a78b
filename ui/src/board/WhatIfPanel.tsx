import { useQuery } from "@tanstack/react-query";
import { Slider } from "antd";
import { useDeferredValue, useState } from "react";
import { type Doubt, doubtedOf, drawingOf, whatIfOf } from "../api/plan";
import { StillSock } from "../drawing/StillSock";
import { Failure } from "../shell/Failure";
import { lengthWithUnit, useUnit } from "../units/units";
import pairCss from "./pair.module.css";
import panelsCss from "./panels.module.css";
import { useBoard } from "./store";

const certain: Doubt = { stitches_per_100mm: 0, rounds_per_100mm: 0, length_mm: 0, yarn_pct: 0 };

const signed = (n: number, digits = 1) => `${n > 0 ? "+" : n < 0 ? "−" : "±"}${Math.abs(n).toFixed(digits)}`;

/** WhatIfPanel shows what changes when swatch, tape or ball were not quite right. */
export function WhatIfPanel() {
  const unit = useUnit();
  const draft = useBoard((b) => b.good?.draft);
  const [doubt, setDoubt] = useState<Doubt>({ ...certain, stitches_per_100mm: -0.5 });
  const asked = useDeferredValue(doubt);
  const figures = useQuery({
    ...whatIfOf(draft ?? { design: {}, entries: {} }, unit, asked),
    enabled: draft !== undefined,
  });
  const slide = (
    name: keyof Doubt,
    label: string,
    most: number,
    step: number,
    say: (value: number) => string,
  ) => (
    <div className={panelsCss.doubt}>
      <span id={`doubt-${name}`}>{label}</span>
      <strong>{say(doubt[name])}</strong>
      <Slider
        ariaLabelledByForHandle={`doubt-${name}`}
        ariaValueTextFormatterForHandle={(value) => say(value)}
        min={-most}
        max={most}
        step={step}
        value={doubt[name]}
        onChange={(value) => setDoubt({ ...doubt, [name]: value })}
        tooltip={{ open: false }}
      />
    </div>
  );
  return (
    <>
      <h2>What if …</h2>
      {slide("stitches_per_100mm", "the stitches in 10 cm (4 in) are", 2, 0.5, (v) => signed(v))}
      {slide("rounds_per_100mm", "the rounds in 10 cm (4 in) are", 2, 0.5, (v) => signed(v))}
      {slide("length_mm", "the foot is longer by", 15, 1, (v) =>
        v === 0 ? "±0" : `${v < 0 ? "−" : "+"}${lengthWithUnit(Math.abs(v), unit)}`,
      )}
      {slide("yarn_pct", "there is more yarn by", 30, 5, (v) => `${signed(v, 0)} %`)}
      {figures.isError ? (
        <Failure error={figures.error} />
      ) : (
        <table className="figures">
          <thead>
            <tr>
              <th scope="col">
                <span className="hidden">Figure</span>
              </th>
              <th scope="col">now</th>
              <th scope="col">same rows</th>
              <th scope="col">planned anew</th>
            </tr>
          </thead>
          <tbody>
            {figures.data?.map((f) => (
              <tr key={f.name} className={f.changed ? "changed" : ""}>
                <th scope="row">{f.label}</th>
                <td>{f.now}</td>
                <td>{f.same === f.now ? "=" : f.same}</td>
                <td>{f.anew === f.now ? "=" : f.anew}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <Shapes doubt={asked} />
      <p className="hint">
        <em>Same rows</em>: you knit the plan as it stands. <em>Planned anew</em>: you tell the program, and
        it counts again.
      </p>
    </>
  );
}

/** Shapes are the sock as it is planned, and the same rows as they come out, where they pull. */
function Shapes({ doubt }: { doubt: Doubt }) {
  const unit = useUnit();
  const good = useBoard((b) => b.calm.good);
  const draft = good?.draft ?? { design: {}, entries: {} };
  const now = useQuery({ ...drawingOf(draft, unit), enabled: good !== undefined }).data;
  const same = useQuery({ ...doubtedOf(draft, unit, doubt), enabled: good !== undefined }).data;
  const plan = good?.plan;
  const shapes = [now, same].flatMap((d) => d?.shape ?? []);
  const wide = Math.max(0, ...shapes.map((s) => s.width_mm));
  const tall = Math.max(0, ...shapes.map((s) => s.height_mm));
  if (!plan || shapes.length < 2) {
    return null;
  }
  return (
    <div className={`${pairCss.twoSocks} ${pairCss.low}`}>
      {(
        [
          [now, "as it is planned"],
          [same, "the same rows then"],
        ] as const
      ).map(
        ([drawing, name]) =>
          drawing?.shape &&
          drawing.pull && (
            <figure key={name}>
              <StillSock
                drawing={drawing}
                plan={plan}
                label={`Where it pulls, ${name}`}
                room={{ width: wide, height: tall }}
                pull
              />
              <figcaption>{name}</figcaption>
            </figure>
          ),
      )}
    </div>
  );
}
