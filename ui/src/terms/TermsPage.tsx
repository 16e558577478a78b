import { useEffect } from "react";
import { Link, useLocation } from "react-router";
import { useMovesOf, useTerms } from "../api/reference";
import { ShowMe } from "../hands/ShowMe";
import { usePageTitle } from "../shell/usePageTitle";
import { TermPicture } from "./TermPicture";
import css from "./terms.module.css";

/** TermsPage explains every word of the craft that the program uses. */
export function TermsPage() {
  usePageTitle("Terms");
  const terms = useTerms();
  const { hash } = useLocation();
  const of = useMovesOf();
  const ready = terms.length > 0;
  useEffect(() => {
    if (ready && hash) {
      document.getElementById(hash.slice(1))?.scrollIntoView();
    }
  }, [ready, hash]);
  return (
    <div className="page">
      <h1>The words of the craft</h1>
      <p className="lead">
        US terms; where Britain says it another way, that stands beside it.{" "}
        <Link to="/moves">Every move of the hands, step by step</Link>
      </p>
      <dl className={css.terms}>
        {terms.map((term) => (
          <div key={term.name} id={term.name}>
            <TermPicture name={term.name} />
            <dt>
              {term.label} {term.uk && <small>UK: {term.uk}</small>}
            </dt>
            <dd>
              {term.text} <ShowMe names={of[`term:${term.name}`] ?? []}>Show me</ShowMe>
            </dd>
          </div>
        ))}
      </dl>
    </div>
  );
}
