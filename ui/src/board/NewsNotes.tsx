import { Button } from "antd";
import type { News } from "../api/client";
import { useKinds } from "../api/reference";
import { gaugeText, gaugeWidth, lengthWithUnit, useUnit } from "../units/units";
import { useBoard } from "./store";
import css from "./working.module.css";

/** NewsNotes says what has changed since the sock took its foot and swatch, and offers to take it. */
export function NewsNotes({ news }: { news: News[] }) {
  const foot = useBoard((b) => b.content.foot);
  const swatch = useBoard((b) => b.content.swatch);
  const current = news.filter((n) => {
    const taken = n.of === "foot" ? foot : swatch;
    const now = n.of === "foot" ? n.foot : n.swatch;
    return taken !== undefined && JSON.stringify(taken) !== JSON.stringify(now);
  });
  return current.map((n) => <NewsNote key={n.of} news={n} />);
}

function NewsNote({ news }: { news: News }) {
  const unit = useUnit();
  const kinds = useKinds();
  const takeFoot = useBoard((b) => b.takeFoot);
  const takeSwatch = useBoard((b) => b.takeSwatch);
  const letGo = useBoard((b) => b.letGo);
  const side = useBoard((b) => b.content.foot?.side);
  const taken = useBoard((b) => b.content.swatch);
  if (news.gone) {
    return (
      <p className={css.news}>
        The {news.of} this sock was designed with is deleted. The sock keeps its figures.{" "}
        <Button size="small" onClick={() => letGo(news.of as "foot" | "swatch")}>
          Let it go
        </Button>
      </p>
    );
  }
  const { foot, swatch } = news;
  const label = (what: string) => kinds.find((k) => k.name === what)?.label.toLowerCase() ?? what;
  return (
    <div className={css.news} role="status">
      {foot && (
        <p>
          {news.feet.length > 0 && (
            <>
              <strong>
                {news.name}'s {side} foot
              </strong>{" "}
              {news.feet.map((c, i) => (
                <span key={c.what}>
                  {i > 0 && "; "}
                  {label(c.what)}: {difference(c.then_mm, c.now_mm, unit)}
                </span>
              ))}
              .{" "}
            </>
          )}
          {news.cautions && `What to be careful of has changed for ${news.name}.`}
        </p>
      )}
      {swatch && taken && (
        <p>
          <strong>The swatch of {news.name}</strong> now counts {gaugeText(swatch.stitches_per_100mm, unit)} ×{" "}
          {gaugeText(swatch.rounds_per_100mm, unit)} in {gaugeWidth(unit)}; this sock has{" "}
          {gaugeText(taken.stitches_per_100mm, unit)} × {gaugeText(taken.rounds_per_100mm, unit)}.
        </p>
      )}
      <Button
        type="primary"
        onClick={() => {
          if (foot) {
            takeFoot(foot, news.name);
          }
          if (swatch) {
            takeSwatch(swatch);
          }
        }}
      >
        Update the sock
      </Button>
    </div>
  );
}

function difference(then: number, now: number, unit: "cm" | "in"): string {
  if (then === 0) {
    return `now measured, ${lengthWithUnit(now, unit)}`;
  }
  if (now === 0) {
    return "no longer measured";
  }
  return `${lengthWithUnit(Math.abs(now - then), unit)} ${now > then ? "more" : "less"} now, ${lengthWithUnit(now, unit)}`;
}
