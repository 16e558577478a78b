import { Select } from "antd";
import css from "./board-choices.module.css";
import { valueAt } from "./content";
import { useBoard } from "./store";
import { useChoice } from "./useOptions";

const sections = ["toe", "foot", "heel", "gusset", "leg", "cuff"] as const;

/** NeedlesBySection lets the needles change at any section. */
export function NeedlesBySection() {
  const own = useBoard(
    (b) => valueAt(b.content.draft.design, "needles_by_section") as Record<string, string> | undefined,
  );
  const choose = useBoard((b) => b.choose);
  const needles = useChoice("needles")?.options ?? [];
  const change = (section: string, name: string | undefined) => {
    const { [section]: _, ...others } = own ?? {};
    const now = name ? { ...others, [section]: name } : others;
    choose("needles_by_section", Object.keys(now).length > 0 ? now : null);
  };
  // From the heel on the sock is smaller round, and many change there: one choice instead of one for each section.
  const fromTheHeel = (name: string | undefined) => {
    const { heel: _h, gusset: _g, leg: _l, cuff: _c, ...before } = own ?? {};
    const now = name ? { ...before, heel: name, gusset: name, leg: name, cuff: name } : before;
    choose("needles_by_section", Object.keys(now).length > 0 ? now : null);
  };
  const upward = ["heel", "gusset", "leg", "cuff"].every((s) => own?.[s] === own?.heel)
    ? own?.heel
    : undefined;
  const options = needles.map((n) => ({ value: n.value as string, label: n.label }));
  return (
    <details className="more" open={own !== undefined && Object.keys(own).length > 0}>
      <summary>Other needles for a section</summary>
      <div className="field">
        <span>From the heel on, all of it</span>
        <Select
          aria-label="Needles from the heel on"
          allowClear
          placeholder="the same"
          value={upward}
          onChange={fromTheHeel}
          options={options}
        />
      </div>
      <div className={css.bySection}>
        {sections.map((section) => (
          <div key={section} className="field">
            <span>{section}</span>
            <Select
              aria-label={`Needles of the ${section}`}
              allowClear
              placeholder="the same"
              value={own?.[section]}
              onChange={(name) => change(section, name)}
              options={options.filter((n) => section !== "toe" || n.value !== "short_circular")}
            />
          </div>
        ))}
      </div>
    </details>
  );
}
