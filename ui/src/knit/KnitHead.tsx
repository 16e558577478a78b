import { Segmented } from "antd";
import { Link } from "react-router";
import { AcornMark } from "../shell/AcornMark";
import { useKnitting } from "./context";
import css from "./knit.module.css";
import { socksNow, type Which } from "./rows";
import type { Knitting } from "./store";

/** KnitHead names the sock, and says whether its ticks are written down. */
export function KnitHead({ sock }: { sock: number }) {
  const k = useKnitting((s) => s);
  return (
    <header className={css.knitHead}>
      <Link to="/" className="brand" aria-label="To the basket">
        <AcornMark />
      </Link>
      <h1>
        {k.view.name}{" "}
        <small>{socksNow(k).length > 1 ? "both socks" : sock === 1 ? "first sock" : "second sock"}</small>
      </h1>
      <Segmented<Which>
        aria-label="Which sock"
        size="small"
        value={k.which}
        onChange={k.choose}
        options={[
          { label: "First", value: "first" },
          { label: "Second", value: "second" },
          { label: "Both", value: "both" },
        ]}
      />
      <span
        className={k.offline || isHindered(k) ? `${css.knitState} ${css.offline}` : css.knitState}
        role="status"
      >
        {stateOf(k)}
      </span>
    </header>
  );
}

const isHindered = (k: Knitting) => k.refusal !== "" && k.waiting > 0;

/** stateOf says where the last ticks are: only what the program acknowledged is written down. */
function stateOf(k: Knitting): string {
  if (k.offline) {
    return `no connection: ${k.waiting} kept here`;
  }
  if (isHindered(k)) {
    return `not written down: ${k.waiting} kept here`;
  }
  return k.waiting > 0 ? "writing…" : "written down";
}
