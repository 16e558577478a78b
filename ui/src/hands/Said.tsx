import { Fragment, type ReactNode } from "react";
import { useGlossary } from "../api/reference";
import knitRowCss from "../knit/knit-row.module.css";
import handsBesideCss from "./hands-beside.module.css";
import type { Shown } from "./useHands";

/** Said is what a row says; each word of a move opens the move. */
export function Said({ text, shows, open }: { text: string; shows: Shown[]; open: (move: string) => void }) {
  const glossary = useGlossary();
  const moves = new Map<string, string>();
  for (const { op, move } of shows) {
    for (const word of (op && glossary.get(op)?.words) || []) {
      moves.set(word, move);
    }
  }
  return pieces(text, [...moves.keys()]).map(({ word, rest, at }) => {
    const move = word && moves.get(word);
    return (
      <Fragment key={at}>
        {move ? (
          <button type="button" className={handsBesideCss.said} onClick={() => open(move)}>
            {turned(rest)}
          </button>
        ) : (
          turned(rest)
        )}
      </Fragment>
    );
  });
}

/** turned sets a turn at the end apart. */
function turned(text: string): ReactNode {
  const split = text.match(/^(.*?)(,?) ?turn$/s);
  return split ? (
    <>
      {split[1] && `${split[1]}${split[2]} `}
      <span className={knitRowCss.turn}>turn</span>
    </>
  ) : (
    text
  );
}

/** pieces cuts a text at the words that are known, the longest first; the number that belongs to a word stays with it. */
function pieces(text: string, words: string[]) {
  const list: { word: string; rest: string; at: number }[] = [];
  if (words.length === 0) {
    return [{ word: "", rest: text, at: 0 }];
  }
  const sorted = [...words].sort((a, b) => b.length - a.length).map((w) => w.replace(/[()+*?.]/g, "\\$&"));
  const known = new RegExp(`(?<![a-z])(${sorted.join("|")})( ?\\d+)?(?![a-z])`, "g");
  let from = 0;
  for (const match of text.matchAll(known)) {
    if (match.index > from) {
      list.push({ word: "", rest: text.slice(from, match.index), at: from });
    }
    list.push({ word: match[1] ?? "", rest: match[0], at: match.index });
    from = match.index + match[0].length;
  }
  if (from < text.length) {
    list.push({ word: "", rest: text.slice(from), at: from });
  }
  return list;
}
