import { useQuery } from "@tanstack/react-query";
import { Skeleton } from "antd";
import { lazy, Suspense } from "react";
import type { PlanAnswer, Shape } from "../api/client";
import { drawingOf, pairOf } from "../api/plan";
import { Rows } from "../drawing/Rows";
import { StillSock } from "../drawing/StillSock";
import { Failure } from "../shell/Failure";
import { useSettings } from "../shell/settings";
import { lengthWithUnit, useUnit } from "../units/units";
import css from "./pair.module.css";
import { useBoard } from "./store";

const Turned = lazy(() => import("../turn/Turned"));

/** Pair is the socks of both feet: side by side, also in space, or one over the other. */
export function Pair({ view, turned }: { view: "side" | "over"; turned: boolean }) {
  const { scheme } = useSettings();
  const unit = useUnit();
  const draft = useBoard((b) => b.calm.good?.draft);
  const pair = useQuery({
    ...pairOf(draft ?? { design: {}, entries: {} }, unit),
    enabled: draft !== undefined,
  });
  if (pair.isError) {
    return <Failure error={pair.error} retry={() => pair.refetch()} />;
  }
  if (!pair.data) {
    return <Skeleton active />;
  }
  const { left, right, differences } = pair.data;
  const stop = [left, right].flatMap((a) => a.plan?.checks ?? []).find((c) => c.level === "stop");
  if (!left.fit || !right.fit || !left.plan || !right.plan) {
    return (
      <p className="stale-note">
        {stop?.text ?? left.faults[0]?.message ?? "One of the feet gives no sock."}
      </p>
    );
  }
  return (
    <div className="pair-view">
      {turned ? (
        <Suspense fallback={<Skeleton active />}>
          <Turned key={scheme} drafts={[left.draft, right.draft]} pull={false} />
        </Suspense>
      ) : view === "side" ? (
        <Beside left={left} right={right} />
      ) : (
        <Over left={left} right={right} />
      )}
      <p className={css.pairWords}>
        {differences.length === 0
          ? "Both socks have the same counts; only the start of the round is mirrored."
          : differences.map((d) => `${d.label}: ${d.left} left, ${d.right} right`).join(" · ")}
        {left.plan.summary.finished_length_mm !== right.plan.summary.finished_length_mm &&
          ` · ${lengthWithUnit(left.plan.summary.finished_length_mm, unit)} and ${lengthWithUnit(right.plan.summary.finished_length_mm, unit)} long`}
      </p>
    </div>
  );
}

/** useBoth are the drawings of both socks, and the room that the larger one takes. */
function useBoth(left: PlanAnswer, right: PlanAnswer) {
  const unit = useUnit();
  const drawings = [useQuery(drawingOf(left.draft, unit)).data, useQuery(drawingOf(right.draft, unit)).data];
  const most = (of: (shape: Shape) => number) =>
    Math.max(0, ...drawings.flatMap((d) => (d?.shape ? [of(d.shape)] : [])));
  return { drawings, room: { width: most((s) => s.width_mm), height: most((s) => s.height_mm) } };
}

/** Beside has both socks stand on one floor, at one scale. */
function Beside({ left, right }: { left: PlanAnswer; right: PlanAnswer }) {
  const { drawings, room } = useBoth(left, right);
  return (
    <div className={css.twoSocks}>
      {[left, right].map(({ plan }, i) => {
        const [drawing, name] = [drawings[i], i === 0 ? "Left" : "Right"];
        return drawing?.shape && plan ? (
          <figure key={name}>
            <StillSock drawing={drawing} plan={plan} label={`${name} sock`} room={room} />
            <figcaption>
              {name} <strong>{plan.summary.foot_rounds}</strong> rounds to the heel
            </figcaption>
          </figure>
        ) : (
          <Skeleton key={name} active />
        );
      })}
    </div>
  );
}

/** Over lays the right sock over the left, its toe tip on the same place. */
function Over({ left, right }: { left: PlanAnswer; right: PlanAnswer }) {
  const { drawings, room } = useBoth(left, right);
  const [one, other] = drawings.map((drawing) => drawing?.shape);
  if (!one || !left.plan || !other || !right.plan) {
    return <Skeleton active />;
  }
  const on = (shape: Shape) => `translate(0 ${room.height - shape.height_mm})`;
  return (
    <svg
      className={css.over}
      viewBox={`-12 -12 ${room.width + 24} ${room.height + 24}`}
      role="img"
      aria-label="The right sock drawn over the left"
    >
      <g transform={on(one)} className="left-sock">
        <Rows shape={one} plan={left.plan} />
      </g>
      <g transform={on(other)} className={css.rightSock}>
        <Rows shape={other} plan={right.plan} />
      </g>
    </svg>
  );
}
