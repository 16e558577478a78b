import { useQuery } from "@tanstack/react-query";
import { Skeleton } from "antd";
import type { PlanAnswer } from "../api/client";
import { pairOf } from "../api/plan";
import { Outline, Rows } from "../drawing/Rows";
import { Failure } from "../shell/Failure";
import { lengthWithUnit, useUnit } from "../units/units";
import { useBoard } from "./store";

/** Pair is the socks of both feet: side by side, or one over the other. */
export function Pair({ view }: { view: "side" | "over" }) {
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
  if (!left.shape || !right.shape || !left.plan || !right.plan) {
    return (
      <p className="stale-note">
        {stop?.text ?? left.faults[0]?.message ?? "One of the feet gives no sock."}
      </p>
    );
  }
  return (
    <div className="pair-view">
      {view === "side" ? (
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
  const { shape, plan } = answer;
  if (!shape || !plan) {
    return null;
  }
  return (
    <figure>
      <svg
        viewBox={`-12 -12 ${shape.width_mm + 30} ${shape.height_mm + 24}`}
        role="img"
        aria-label={`${name} sock`}
      >
        {answer.ghost && <Outline points={answer.ghost} top={shape.height_mm} />}
        <Rows shape={shape} plan={plan} />
      </svg>
      <figcaption>
        {name} <strong>{plan.summary.foot_rounds}</strong> rounds to the heel
      </figcaption>
    </figure>
  );
}

/** Over lays the right sock over the left, its toe tip on the same place. */
function Over({ left, right }: { left: PlanAnswer; right: PlanAnswer }) {
  if (!left.shape || !left.plan || !right.shape || !right.plan) {
    return null;
  }
  const wide = Math.max(left.shape.width_mm, right.shape.width_mm);
  const tall = Math.max(left.shape.height_mm, right.shape.height_mm);
  const on = (answer: PlanAnswer) => `translate(0 ${tall - (answer.shape?.height_mm ?? 0)})`;
  return (
    <svg
      className="over"
      viewBox={`-12 -12 ${wide + 24} ${tall + 24}`}
      role="img"
      aria-label="The right sock drawn over the left"
    >
      <g transform={on(left)} className="left-sock">
        <Rows shape={left.shape} plan={left.plan} />
      </g>
      <g transform={on(right)} className="right-sock">
        <Rows shape={right.shape} plan={right.plan} />
      </g>
    </svg>
  );
}
