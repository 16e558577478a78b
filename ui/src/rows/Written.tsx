import type { Schemas } from "../api/client";
import css from "./rows.module.css";

type Section = Schemas["InstructionsSection"];

/** Written is the instructions as knitters write them: repeats said as repeats. */
export function Written({ sections, title }: { sections: Section[]; title?: string }) {
  return (
    <>
      {title && <h2 className={css.writtenSecond}>{title}</h2>}
      {sections.map((section) => (
        <section key={section.section} className={css.rowSection}>
          <h2>
            {section.title} <small>{section.rows > 1 ? `${section.rows} rows` : ""}</small>
          </h2>
          <ol className={css.written}>
            {section.items.map((item) => (
              <li key={item.first}>
                {item.note && (
                  <p className={css.rowNote}>
                    {item.before}: {item.note}
                  </p>
                )}
                <strong>
                  {item.label}
                  {item.text ? ":" : "."}
                </strong>{" "}
                {item.text && `${item.text}.`}
                {item.check && <span className={css.writtenCheck}> {item.check}</span>}
              </li>
            ))}
          </ol>
        </section>
      ))}
    </>
  );
}
