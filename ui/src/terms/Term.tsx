import { Popover } from "antd";
import type { ReactNode } from "react";
import { Link } from "react-router";
import { useTerms } from "../api/reference";
import { TermPicture } from "./TermPicture";
import css from "./terms.module.css";

/** Term is a word of the craft that opens its explanation, with a small drawing. */
export function Term({ name, children }: { name: string; children: ReactNode }) {
  const term = useTerms().find((t) => t.name === name);
  if (!term) {
    return children;
  }
  const text = (
    <div className={css.termText}>
      <TermPicture name={name} />
      <p>{term.text}</p>
      {term.uk && (
        <p className="muted">
          In the UK: <strong>{term.uk}</strong>
        </p>
      )}
      <Link to={`/terms#${name}`}>All terms</Link> · <Link to={`/moves?of=term:${name}`}>Show me</Link>
    </div>
  );
  return (
    <Popover title={term.label} content={text} trigger="click" placement="bottom">
      <button type="button" className={css.term} aria-haspopup="dialog">
        {children}
      </button>
    </Popover>
  );
}
