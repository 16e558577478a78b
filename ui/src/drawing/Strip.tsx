import type { Plan, Words } from "../api/client";

const names: Record<string, string> = {
  toe: "toe",
  foot: "foot",
  heel: "heel",
  gusset: "gusset",
  leg: "leg",
  cuff: "cuff",
};

/** Strip is the whole sock in one line: each row as high as there are stitches worked in it. */
export function Strip({ plan, words, titled = true }: { plan: Plan; words: Words[]; titled?: boolean }) {
  const rows = plan.rows
    .map((row, i) => ({ row, worked: words[i]?.worked ?? 0 }))
    .filter((r) => r.worked > 0);
  const tallest = Math.max(...rows.map((r) => r.worked), 1);
  const height = 60;
  const sections = Object.keys(names)
    .map((section) => ({
      section,
      first: rows.findIndex((r) => r.row.section === section),
      count: rows.filter((r) => r.row.section === section).length,
    }))
    .filter((s) => s.count > 0);
  return (
    <div className="strip">
      {titled && (
        <div className="strip-names">
          {sections.map((s) => (
            <span key={s.section} style={{ flexGrow: s.count }}>
              {names[s.section]} <span className="strip-count">{s.count}</span>
            </span>
          ))}
        </div>
      )}
      <svg
        viewBox={`0 0 ${rows.length} ${height}`}
        preserveAspectRatio="none"
        role="img"
        aria-label={`All rows: ${sections.map((s) => `${names[s.section]} ${s.count}`).join(", ")}`}
      >
        {rows.map((r, i) => {
          const h = (r.worked / tallest) * height;
          return (
            <rect
              key={r.row.id}
              className={`strip-row ${r.row.section}`}
              x={i + 0.1}
              width={0.8}
              y={(height - h) / 2}
              height={h}
            />
          );
        })}
      </svg>
    </div>
  );
}
