import { useState } from "react";
import type { Piece } from "../api/client";
import type { DesignField } from "../api/field";
import { Field } from "./Field";
import css from "./path.module.css";
import { Ways } from "./Ways";
import { Yes } from "./Yes";

/**
 * Sentence is what an expert changes about a decision: its words open their
 * ways, one at a time, and its figures are typed where they stand.
 */
export function Sentence({ pieces }: { pieces: Piece[] }) {
  const [opened, open] = useState<DesignField | null>(null);
  const words = pieces.filter((p) => p.kind === "ways");
  const figures = pieces.filter((p) => p.kind === "figure");
  const switches = pieces.filter((p) => p.kind === "switch");
  return (
    <>
      {words.length > 0 && (
        <p className={css.sentence}>
          {words.map((piece) => (
            <Word
              key={piece.field}
              piece={piece}
              opened={piece.field === opened}
              open={() => open(piece.field === opened ? null : piece.field)}
            />
          ))}
        </p>
      )}
      {opened !== null && words.some((p) => p.field === opened) && (
        <div className={css.wordWays} id={`ways-${opened.replaceAll(".", "-")}`}>
          <Ways field={opened} />
        </div>
      )}
      {figures.length > 0 && (
        <div className={css.typedFigures}>
          {figures.map((piece) => (
            <Field
              key={piece.field}
              field={piece.field}
              label={capital(piece.label)}
              guess={piece.value ?? undefined}
              hint={piece.hint}
              plain={piece.value == null}
              {...(piece.suffix && { suffix: piece.suffix })}
            />
          ))}
        </div>
      )}
      {switches.map((piece) => (
        <Yes key={piece.field} field={piece.field} label={piece.label} />
      ))}
    </>
  );
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** Word is one word of the sentence; a touch opens its ways. */
function Word({ piece, opened, open }: { piece: Piece; opened: boolean; open: () => void }) {
  return (
    <span className={css.phrase}>
      {piece.label}{" "}
      <button
        type="button"
        className={css.word}
        aria-expanded={opened}
        aria-label={`${piece.label} ${piece.said}: other ways`}
        onClick={open}
      >
        {piece.said}
      </button>
    </span>
  );
}
