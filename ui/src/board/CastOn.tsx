import { Button } from "antd";
import { Link } from "react-router";
import type { PlanAnswer, Sock } from "../api/client";
import css from "./path.module.css";
import { useBoard } from "./store";
import { useWhenSaved } from "./useWhenSaved";

/** CastOn is what comes after the last decision. */
export function CastOn({ sock, answer }: { sock: Sock; answer: PlanAnswer }) {
  const go = useWhenSaved();
  const stopped = useBoard((b) => b.answer?.fit === undefined);
  const grams = (answer.grams?.own ?? 0) + (answer.grams?.contrast ?? 0);
  return (
    <footer className={css.castOn}>
      <Button type="primary" size="large" disabled={stopped} onClick={() => go(`/socks/${sock.id}/knit`)}>
        {sock.on_needles ? "Back to the needles" : `Cast on ${answer.plan?.summary.cast_on_stitches}…`}
      </Button>{" "}
      <span className="muted">
        <Link to="rows">Every row checked</Link>: {answer.effort?.rows} · about {grams.toFixed(0)} g a sock
      </span>
    </footer>
  );
}
