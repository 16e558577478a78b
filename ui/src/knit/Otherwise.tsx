import { Input, Select } from "antd";
import css from "./knit-panel.module.css";
import type { Said } from "./useReplan";

/** A line says one thing that went otherwise, in so many whole numbers. */
type Line = {
  name: "cast_on" | "picked_up" | "heel_late" | "heel_turns" | "leg_rounds";
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
  { name: "leg_rounds", label: "Leg rounds, below the cuff", example: "64", numbers: 1 },
];

export type Typed = Partial<Record<Line["name"], string>> & { missed?: string | undefined };

/** Where an increase of a wedge toe can be forgotten. */
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

/** Otherwise are the lines in which a knitter says what really happened. */
export function Otherwise({
  typed,
  setTyped,
  flap,
  turns,
  wedge,
}: {
  typed: Typed;
  setTyped: (typed: Typed) => void;
  /** The heel has a flap to pick up along. */
  flap: boolean;
  /** The heel is worked in short rows, and not done. */
  turns: boolean;
  /** The toe is a wedge, and begun. */
  wedge: boolean;
}) {
  return (
    <>
      <p className="hint">
        What is knitted stays, and is written down as it was; the rest is planned for it.
      </p>
      {lines
        .filter((line) => (flap || line.name !== "picked_up") && (turns || line.name !== "heel_turns"))
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
                  placeholder={line.example}
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
      {wedge && (
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
