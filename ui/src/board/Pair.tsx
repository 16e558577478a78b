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
import { useBoard } from "./store";

const Turned = lazy(() => import("../turn/Turned"));

/** Pair is the socks of both feet: side by side, also in space, or one over the other. */
export function Pair({ view, turned }: { view: "side" | "over"; turned: boolean }) {
  const { scheme } = useSettings();
  const unit = useUnit();
  const wearer = useBoard((b) => b.content.foot?.wearer_id ?? "");
  const draft = useBoard((b) => b.calm.good?.draft);
  const pair = useQuery({
    ...pairOf(draft ?? { design: {}, entries: {} }, unit, wearer),
    enabled: draft !== undefined && wearer !== "",
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
        <div className="two-socks">
          <OneSock answer={left} name="Left" />
          <OneSock answer={right} name="Right" />
        </div>
      ) : (
        <Over left={left} right={right} />
      )}
      <p className="pair-words">
        {differences.length === 0
          ? "Both socks have the same counts; only the start of the round is mirrored."
          : differences.map((d) => `${d.label}: ${d.left} left, ${d.right} right`).join(" · ")}
        {left.plan.summary.finished_length_mm !== right.plan.summary.finished_length_mm &&
          ` · ${lengthWithUnit(left.plan.summary.finished_length_mm, unit)} and ${lengthWithUnit(right.plan.summary.finished_length_mm, unit)} long`}
      </p>
    </div>
  );
}

function OneSock({ answer, name }: { answer: PlanAnswer; name: string }) {
  const drawing = useQuery(drawingOf(answer.draft, useUnit())).data;
  const { plan } = answer;
  if (!drawing?.shape || !plan) {
    return <Skeleton active />;
  }
  return (
    <figure>
      <StillSock drawing={drawing} plan={plan} label={`${name} sock`} />
      <figcaption>
        {name} <strong>{plan.summary.foot_rounds}</strong> rounds to the heel
      </figcaption>
    </figure>
  );
}

/** Over lays the right sock over the left, its toe tip on the same place. */
function Over({ left, right }: { left: PlanAnswer; right: PlanAnswer }) {
  const unit = useUnit();
  const shapes = [useQuery(drawingOf(left.draft, unit)), useQuery(drawingOf(right.draft, unit))].map(
    (drawing) => drawing.data?.shape,
  );
  const [one, other] = shapes;
  if (!one || !left.plan || !other || !right.plan) {
    return <Skeleton active />;
  }
  const wide = Math.max(one.width_mm, other.width_mm);
  const tall = Math.max(one.height_mm, other.height_mm);
  const on = (shape: Shape) => `translate(0 ${tall - shape.height_mm})`;
  return (
    <svg
      className="over"
      viewBox={`-12 -12 ${wide + 24} ${tall + 24}`}
      role="img"
      aria-label="The right sock drawn over the left"
    >
      <g transform={on(one)} className="left-sock">
        <Rows shape={one} plan={left.plan} />
      </g>
      <g transform={on(other)} className="right-sock">
        <Rows shape={other} plan={right.plan} />
      </g>
    </svg>
  );
}
