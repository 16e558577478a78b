import { Input, Select } from "antd";
import type { Schemas } from "../api/client";
import css from "./knit-panel.module.css";
import type { Said } from "./useReplan";

export type Tellable = Schemas["ReplanTellable"];

/** A line says one thing that went otherwise, in so many whole numbers. */
type Line = {
  name: Exclude<Tellable["kind"], "missed">;
  label: string;
  example: string;
  numbers: number;
};

const lines: Line[] = [
  { name: "cast_on", label: "Stitches really cast on", example: "34", numbers: 1 },
  {
    name: "picked_up",
    label: "Links really picked up, left and right, without the corners",
    example: "21, 19",
    numbers: 2,
  },
  { name: "heel_late", label: "The heel begins later by, in rounds", example: "3", numbers: 1 },
  { name: "heel_turns", label: "Turns of the heel, on each side", example: "12", numbers: 1 },
  { name: "toe_turns", label: "Turns of the toe, on each side", example: "11", numbers: 1 },
  { name: "flap_rows", label: "Rows of the flap", example: "36", numbers: 1 },
  { name: "leg_rounds", label: "Leg rounds, below the cuff", example: "64", numbers: 1 },
  { name: "cuff_rounds", label: "Rounds of the cuff", example: "20", numbers: 1 },
];

export type Typed = Partial<Record<Line["name"], string>> & { missed?: string | undefined };

/** Where an increase can be forgotten. */
const ends = [
  { value: "1 start", label: "needle 1, at its start" },
  { value: "1 end", label: "needle 1, at its end" },
  { value: "2 start", label: "needle 2, at its start" },
  { value: "2 end", label: "needle 2, at its end" },
];

/** read gives the numbers of a line; nothing while it is empty or cannot be read. */
function read({ name, numbers }: Line, typed: Typed): number[] | undefined {
  const list = (typed[name] ?? "").trim().split(/[\s,;/]+/);
  return list.length === numbers && list.every((n) => /^-?\d{1,4}$/.test(n)) ? list.map(Number) : undefined;
}

const isWrong = (line: Line, typed: Typed) => (typed[line.name] ?? "").trim() !== "" && !read(line, typed);

/** saidOf is what was typed, as soon as something was and all of it can be read. */
export function saidOf(typed: Typed): Said | undefined {
  if (lines.some((line) => isWrong(line, typed))) {
    return undefined;
  }
  const said: [string, unknown][] = lines.flatMap((line) => {
    const numbers = read(line, typed);
    return numbers ? [[line.name, line.numbers === 1 ? numbers[0] : numbers] as [string, unknown]] : [];
  });
  const [needle, end] = typed.missed?.split(" ") ?? [];
  if (needle && end) {
    said.push(["missed", { needle: Number(needle), end }]);
  }
  return said.length > 0 ? (Object.fromEntries(said) as Said) : undefined;
}

/** Otherwise are the lines in which a knitter says what really happened, as far as it can have. */
export function Otherwise({
  typed,
  setTyped,
  tellable,
}: {
  typed: Typed;
  setTyped: (typed: Typed) => void;
  /** What can have gone otherwise by now. */
  tellable: Tellable[];
}) {
  const can = (kind: Tellable["kind"]) => tellable.find((told) => told.kind === kind);
  if (tellable.length === 0) {
    return (
      <p className="hint">
        Here nothing of the plan can have gone otherwise. If the count is another, tell it in “My count is
        another”; if you have ripped, “Where am I?” finds the row.
      </p>
    );
  }
  return (
    <>
      <p className="hint">
        What is knitted stays, and is written down as it was; the rest is planned for it.
      </p>
      {lines
        .filter((line) => can(line.name))
        .map((line) => {
          const id = `happened-${line.name}`;
          const wrong = isWrong(line, typed);
          return (
            <div key={line.name}>
              <div className={css.lookLine}>
                <label htmlFor={id}>{line.label}</label>
                <Input
                  id={id}
                  aria-describedby={`${id}-fault`}
                  value={typed[line.name] ?? ""}
                  placeholder={String(can(line.name)?.planned || line.example)}
                  status={wrong ? "error" : ""}
                  onChange={(event) => setTyped({ ...typed, [line.name]: event.target.value })}
                />
              </div>
              <p id={`${id}-fault`} className="fault" role="alert">
                {wrong &&
                  (line.numbers === 1
                    ? `A whole number, such as ${line.example}.`
                    : `Two whole numbers, such as ${line.example}.`)}
              </p>
            </div>
          );
        })}
      {can("missed") && (
        <div className="field">
          <label htmlFor="happened-missed">An increase was forgotten, in the last round of them</label>
          <Select
            id="happened-missed"
            aria-label="An increase was forgotten"
            className="whole"
            allowClear
            placeholder="none"
            value={typed.missed}
            onChange={(missed) => setTyped({ ...typed, missed })}
            options={ends}
          />
        </div>
      )}
    </>
  );
}
