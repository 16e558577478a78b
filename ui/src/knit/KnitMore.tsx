import { Button, Segmented } from "antd";
import { Link } from "react-router";
import { Settings } from "../shell/Settings";
import { useKnitting } from "./context";
import type { Wording } from "./Instruction";
import css from "./knit-panel.module.css";

/** KnitMore is what is wanted once in a while. */
export function KnitMore({
  sock,
  wording,
  setWording,
  open,
}: {
  sock: number;
  wording: Wording;
  setWording(wording: Wording): void;
  open(panel: string): void;
}) {
  const k = useKnitting((s) => s);
  return (
    <div className={css.knitMore}>
      <Segmented<Wording>
        aria-label="Wording"
        size="small"
        options={[
          { label: "Abbreviations", value: "short" },
          { label: "Whole words", value: "long" },
        ]}
        value={wording}
        onChange={setWording}
      />
      <Button
        size="small"
        disabled={k.events.at(-1)?.kind === "pause"}
        onClick={() => k.record("pause", sock, k.places[sock - 1]?.row ?? 0)}
      >
        Pause
      </Button>
      <Button size="small" onClick={() => open("chart")}>
        Chart
      </Button>
      <Button size="small" onClick={() => open("phone")}>
        On the phone
      </Button>
      <Button size="small" onClick={() => open("comforts")}>
        Sound, light and rest
      </Button>
      <Link to={`/socks/${k.view.id}`}>Board</Link>
      <Link to={`/socks/${k.view.id}/log`}>Log</Link>
      <Link to={`/practice?sock=${k.view.id}`}>Practise</Link>
      <Settings />
    </div>
  );
}
