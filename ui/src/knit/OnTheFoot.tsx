import { Input, Radio } from "antd";
import type { Schemas } from "../api/client";
import { carried } from "../units/carry";
import { useUnit } from "../units/units";
import css from "./knit-panel.module.css";
import type { Row } from "./rows";
import type { Said } from "./useReplan";

/** Tape is what a tape read on the foot, as it was typed. */
export type Tape = { length?: string; toHeel?: string; height?: string; heelOff?: string };

type Sit = Schemas["ReplanSit"];

/** Sits are the places at which the sock is tight or loose. */
export type Sits = Partial<Record<Sit["place"], Sit["how"]>>;

/** Where the needle is: on the foot, past the turn of the heel, on the leg, and which places the sock has reached. */
type Where = { foot: boolean; turned: boolean; leg: boolean; places: Sit["place"][] };

/** placeOf says what can be measured and felt before a row. */
export function placeOf(next: Row | undefined): Where {
  const section = next?.section ?? "bind_off";
  const early = section === "cast_on" || section === "toe" || (section === "foot" && next?.n === 1);
  const turned = !early && section !== "foot" && section !== "heel";
  const leg = section === "leg" && next?.n !== 1;
  const cuff = section === "bind_off" || (section === "cuff" && next?.n !== 1);
  const places: Sit["place"][] = early ? [] : ["toes", "ball", "instep"];
  if (turned) {
    places.push("ankle");
  }
  if (leg || section === "cuff" || cuff) {
    places.push("leg");
  }
  if (cuff) {
    places.push("cuff");
  }
  return { foot: section === "foot" && !early, turned, leg, places };
}

/** triedOf is what was told, as soon as something was. */
export function triedOf(tape: Tape, sits: Sits): Said | undefined {
  const read = Object.fromEntries(Object.entries(tape).filter(([, text]) => text.trim() !== ""));
  const places = Object.entries(sits).map(([place, how]) => ({ place, how }) as Sit);
  if (Object.keys(read).length + places.length === 0) {
    return undefined;
  }
  return { ...read, ...(places.length > 0 && { sits: places }) };
}

/** carriedTape says in words the unit in which each length was typed. */
export const carriedTape = (tape: Tape, from: Parameters<typeof carried>[1]): Tape =>
  Object.fromEntries(Object.entries(tape).map(([name, text]) => [name, carried(text, from)]));

/** inWords is what was told, for the log. */
export function inWords(tape: Tape, sits: Sits, unit: Parameters<typeof carried>[1]): string[] {
  const said: [keyof Tape, string][] = [
    ["length", "from the tip of the toes"],
    ["toHeel", "to the heel's place"],
    ["height", "above the floor"],
    ["heelOff", "too far back at the heel"],
  ];
  return [
    ...said.flatMap(([name, words]) => (tape[name] ? [`${carried(tape[name], unit)} ${words}`] : [])),
    ...Object.entries(sits).map(([place, how]) => `${how} at the ${place}`),
  ];
}

/** OnTheFoot are the lines in which a knitter says how a sock sits that was tried on. */
export function OnTheFoot({
  where,
  heelPlace,
  tape,
  setTape,
  sits,
  setSits,
}: {
  where: Where;
  heelPlace: string;
  tape: Tape;
  setTape: (tape: Tape) => void;
  sits: Sits;
  setSits: (sits: Sits) => void;
}) {
  const unit = useUnit();
  const line = (name: keyof Tape, label: string, hint?: string, first = false) => (
    <>
      <div className={css.lookLine}>
        <label htmlFor={`tried-${name}`}>{label}</label>
        <Input
          id={`tried-${name}`}
          autoFocus={first}
          aria-describedby={hint && `tried-${name}-hint`}
          value={tape[name] ?? ""}
          suffix={<span className="unit">{unit}</span>}
          onChange={(event) => setTape({ ...tape, [name]: event.target.value })}
        />
      </div>
      {hint && (
        <p id={`tried-${name}-hint`} className="hint">
          {hint}
        </p>
      )}
    </>
  );
  return (
    <>
      {where.foot && line("length", "From the tip of the toes to the needle", undefined, true)}
      {where.foot &&
        line(
          "toHeel",
          "From the needle to the heel's place",
          `On the foot the heel begins ${heelPlace}. Past it already: with a minus.`,
        )}
      {where.leg && line("height", "From the floor to the needle, at the back", undefined, true)}
      {where.turned &&
        line(
          "heelOff",
          "The heel sits too far back by",
          "Its point lies under your heel: leave it empty. Too far forward: with a minus.",
        )}
      {where.places.map((place) => (
        <div className={css.sitLine} key={place}>
          <span id={`sits-${place}`}>{place}</span>
          <Radio.Group
            size="small"
            optionType="button"
            aria-labelledby={`sits-${place}`}
            value={sits[place] ?? "right"}
            onChange={(event) => {
              const { [place]: _, ...others } = sits;
              const how: Sit["how"] | "right" = event.target.value;
              setSits(how === "right" ? others : { ...others, [place]: how });
            }}
            options={[
              { value: "tight", label: "tight" },
              { value: "right", label: "right" },
              { value: "loose", label: "loose" },
            ]}
          />
        </div>
      ))}
      {where.places.length > 0 && (
        <p className="hint">Marks that stay, swelling or numb toes: take it off, and ask your clinician.</p>
      )}
    </>
  );
}
