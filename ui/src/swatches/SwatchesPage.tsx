import { Button, Skeleton } from "antd";
import { useState } from "react";
import { Link } from "react-router";
import {
  type Book,
  type SwatchView,
  useBook,
  useDeleteNeedle,
  useDeleteYarn,
  useRestoreNeedle,
  useRestoreYarn,
} from "../api/book";
import { among } from "../shell/among";
import { Failure } from "../shell/Failure";
import { dayText } from "../shell/moment";
import { usePageTitle } from "../shell/usePageTitle";
import { useTakeOut } from "../shell/useTakeOut";
import { gaugeText, gaugeWidth, useUnit, yarnWithUnit } from "../units/units";
import { NewSwatch } from "./NewSwatch";
import { forms } from "./names";
import { SpreadPlot } from "./SpreadPlot";
import css from "./swatches.module.css";

/** SwatchesPage is the swatch book, with its yarns and needles. */
export function SwatchesPage() {
  usePageTitle("Swatches");
  const book = useBook();
  const [adding, setAdding] = useState(false);
  if (book.isPending) {
    return <Skeleton active className="page" />;
  }
  if (book.isError) {
    return (
      <div className="page">
        <Failure error={book.error} retry={() => book.refetch()} />
      </div>
    );
  }
  const open = adding || book.data.swatches.length === 0;
  return (
    <div className="page">
      <header className="page-heading">
        <h1>Swatches</h1>
        {!open && (
          <Button type="primary" size="large" onClick={() => setAdding(true)}>
            New swatch
          </Button>
        )}
      </header>
      {book.data.swatches.length === 0 && (
        <p className="lead">
          The book is empty. Every swatch teaches the next one: which needle gives which gauge in your hands.
        </p>
      )}
      {open && <NewSwatch book={book.data} />}
      <ul className={css.swatchList}>
        {book.data.swatches.map((view) => (
          <Entry key={view.swatch.id} view={view} />
        ))}
      </ul>
      <Stash book={book.data} />
    </div>
  );
}

function Entry({ view }: { view: SwatchView }) {
  const { swatch, judged, yarn, needle } = view;
  const worst = judged.checks.find((c) => c.level === "caution") ?? judged.checks[0];
  return (
    <li>
      <div>
        <h2>
          <Link to={`/swatches/${swatch.id}`}>
            {yarn?.name ?? "A yarn that is gone"} on {needle ? `${needle.size_mm} mm` : "a needle"}
          </Link>
        </h2>
        <p className="muted">
          {forms[swatch.form]}, {swatch.washed ? "washed" : "not washed"} · {dayText(swatch.created)}
        </p>
        {worst && <p className={among(css, worst.level)}>{worst.text}</p>}
      </div>
      <div className={css.plots}>
        {judged.stitches && (
          <SpreadPlot what="stitches" counted={judged.stitches} readings={swatch.readings} />
        )}
        {judged.rounds && <SpreadPlot what="rounds" counted={judged.rounds} readings={swatch.readings} />}
      </div>
    </li>
  );
}

/** Stash lists yarns and needles; what a swatch still names is not offered for deletion. */
function Stash({ book }: { book: Book }) {
  const unit = useUnit();
  const takeOut = useTakeOut();
  const removeYarn = useDeleteYarn();
  const restoreYarn = useRestoreYarn();
  const removeNeedle = useDeleteNeedle();
  const restoreNeedle = useRestoreNeedle();
  if (book.yarns.length + book.needles.length === 0) {
    return null;
  }
  const swatchesOf = (id: string) =>
    book.swatches.filter((s) => s.swatch.yarn_id === id || s.swatch.needle_id === id);
  return (
    <section className={css.stash}>
      <h2>Yarns and needles</h2>
      <ul>
        {book.yarns.map((yarn) => {
          const own = swatchesOf(yarn.id);
          const gauge = own.find((s) => s.judged.stitches)?.judged.stitches?.mean;
          return (
            <li key={yarn.id}>
              <strong>{yarn.name}</strong>
              <span className="muted">
                {yarn.ball_g} g, {yarnWithUnit(yarn.ball_m, unit)}
                {yarn.fibre && ` · ${yarn.fibre}`}
                {gauge !== undefined && ` · ${gaugeText(gauge, unit)} stitches in ${gaugeWidth(unit)}`}
              </span>
              {own.length === 0 && (
                <Button
                  size="small"
                  aria-label={`Delete ${yarn.name}`}
                  onClick={() =>
                    takeOut(`${yarn.name} is deleted.`, removeYarn.mutateAsync(yarn.id), () =>
                      restoreYarn.mutateAsync(yarn.id),
                    )
                  }
                >
                  Delete
                </Button>
              )}
            </li>
          );
        })}
        {book.needles.map((needle) => (
          <li key={needle.id}>
            <strong>{needle.size_mm} mm</strong>
            <span className="muted">{needle.name}</span>
            {swatchesOf(needle.id).length === 0 && (
              <Button
                size="small"
                aria-label={`Delete the needle of ${needle.size_mm} mm`}
                onClick={() =>
                  takeOut(
                    `The needle of ${needle.size_mm} mm is deleted.`,
                    removeNeedle.mutateAsync(needle.id),
                    () => restoreNeedle.mutateAsync(needle.id),
                  )
                }
              >
                Delete
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
