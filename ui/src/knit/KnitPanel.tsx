import { Button, Checkbox, Input, Select } from "antd";
import { useState } from "react";
import { ChartDrawing } from "../chart/ChartDrawing";
import { Moves } from "../hands/Moves";
import type { Shown } from "../hands/useHands";
import { usePattern } from "../rows/usePattern";
import { readPicture } from "../shell/picture";
import { useDraft } from "../shell/useDraft";
import { Count } from "./Count";
import { useKnitting } from "./context";
import { Happened } from "./Happened";
import knitPanelCss from "./knit-panel.module.css";
import knitRowCss from "./knit-row.module.css";
import { OnThePhone } from "./OnThePhone";
import { type Comfort, comfort, setComfort } from "./useComforts";
import { useHasVoice } from "./useVoice";
import { Where } from "./Where";
import { Yarn } from "./Yarn";

/** KnitPanel is what was asked for beside the row: nothing covers the instruction. */
export function KnitPanel({
  name,
  sock,
  row,
  shows,
  planned,
  close,
}: {
  name: string;
  sock: number;
  row: number;
  /** The moves that the row asks for. */
  shows: Shown[];
  /** Stitches on the needles before the row. */
  planned: number;
  close: () => void;
}) {
  const [kind, about] = name.split(" ");
  const id = useKnitting((s) => s.view.id);
  const panels: Record<string, React.ReactNode> = {
    show: (
      <Moves
        names={[...new Set(shows.map((s) => s.move))]}
        first={about || undefined}
        sock={id}
        close={close}
      />
    ),
    where: <Where sock={sock} row={row} close={close} />,
    tried: <Happened sock={sock} row={row} close={close} tried />,
    happened: <Happened sock={sock} row={row} close={close} />,
    count: <Count sock={sock} row={row} planned={planned} close={close} />,
    yarn: <Yarn sock={sock} row={row} close={close} />,
    note: <Note sock={sock} row={row} close={close} />,
    chart: <Charts row={row} />,
    phone: <Phone />,
    comforts: <Comforts />,
  };
  return (
    <section className={knitPanelCss.knitPanel}>
      <Button size="small" className={knitPanelCss.closePanel} onClick={close}>
        Close
      </Button>
      {panels[kind ?? ""] ?? <p>There is no such page.</p>}
    </section>
  );
}

function Phone() {
  const id = useKnitting((s) => s.view.id);
  return <OnThePhone id={id} />;
}

/** Charts are those in which the present row stands, lit; all of them where it stands in none. */
function Charts({ row }: { row: number }) {
  const { id, version } = useKnitting((s) => s.view);
  const pattern = usePattern(id, `on the needles ${version}`);
  if (!pattern.data) {
    return pattern.isError ? <p className="fault">{pattern.error.message}</p> : <p>…</p>;
  }
  const { charts } = pattern.data;
  const here = charts.filter((c) => c.rows.some((r) => r.row === row));
  return (
    <>
      <h2>The chart</h2>
      {here.length === 0 && <p className="muted">This row stands in no chart.</p>}
      {(here.length > 0 ? here : charts).map((c) => (
        <ChartDrawing key={c.name} chart={c} lit={row} />
      ))}
    </>
  );
}

const sayings = [
  { value: "note", label: "a note" },
  { value: "mistake", label: "a mistake, and how it was mended" },
  { value: "needle", label: "another needle" },
] as const;

function Note({ sock, row, close }: { sock: number; row: number; close: () => void }) {
  const record = useKnitting((s) => s.record);
  const id = useKnitting((s) => s.view.id);
  const { text, type: setText, done } = useDraft(`note ${id} ${sock}`);
  const [kind, setKind] = useState<(typeof sayings)[number]["value"]>("note");
  const [picture, setPicture] = useState("");
  const [fault, setFault] = useState("");
  const take = async (file: File | undefined) => {
    if (file) {
      try {
        const { preview, url } = await readPicture(file);
        URL.revokeObjectURL(url);
        setPicture(preview);
        setFault("");
      } catch (error) {
        setFault((error as Error).message);
      }
    }
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        record(kind, sock, row, { text, ...(picture && { picture }) });
        done();
        close();
      }}
    >
      <h2>
        <label htmlFor="knit-note">A note at this row</label>
      </h2>
      <Input.TextArea
        id="knit-note"
        autoFocus
        maxLength={2000}
        rows={3}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <p>
        <Select
          aria-label="What it is"
          className="whole"
          value={kind}
          onChange={setKind}
          options={[...sayings]}
        />
      </p>
      <p>
        <label className="file-button">
          A photo
          <input
            type="file"
            accept="image/jpeg,image/png"
            onChange={(event) => void take(event.target.files?.[0])}
          />
        </label>
      </p>
      <p className="fault" role="alert">
        {fault}
      </p>
      {picture && <img className={knitRowCss.notePicture} src={picture} alt="As it is kept" />}
      <Button type="primary" htmlType="submit" disabled={text.trim() === "" && !picture}>
        Keep
      </Button>
    </form>
  );
}

const labels: Record<Comfort, string> = {
  sound: "A sound when a row is special",
  vibration: "A buzz when a row is special",
  rest: "Remind me every half hour to rest my hands",
  voice: "Read each row aloud",
};

function Comforts() {
  const [, again] = useState(0);
  const hasVoice = useHasVoice();
  return (
    <>
      <h2>Sound, light and rest</h2>
      {(Object.keys(labels) as Comfort[]).map((name) => (
        <p key={name}>
          <Checkbox
            checked={comfort(name)}
            disabled={name === "voice" && !hasVoice}
            onChange={(event) => {
              setComfort(name, event.target.checked);
              again((n) => n + 1);
            }}
          >
            {labels[name]}
          </Checkbox>
        </p>
      ))}
      <p className="muted">
        {hasVoice
          ? "The key r says a row again. The voice is this device's own: nothing is sent anywhere. "
          : "This browser has no voice of its own, so that rows cannot be read aloud. "}
        {"wakeLock" in navigator
          ? "The screen stays awake while you knit."
          : "At this address, without https, the browser lets the screen go dark: tell the device itself to stay awake."}{" "}
        Aching hands: knit looser and in shorter sittings, and ask your clinician when it does not pass.
      </p>
      <Button onClick={() => void document.documentElement.requestFullscreen?.()}>Full screen</Button>
    </>
  );
}
