import "@fontsource/atkinson-hyperlegible/latin-400.css";
import "@fontsource/atkinson-hyperlegible/latin-700.css";
import "@fontsource/bricolage-grotesque/latin-500.css";
import "@fontsource/bricolage-grotesque/latin-700.css";
import "./styles/base.css";
import "./styles/frame.css";
import "./styles/basket.css";
import "./styles/board.css";
import "./styles/board-counts.css";
import "./styles/board-choices.css";
import "./styles/working.css";
import "./styles/pair.css";
import "./styles/fit.css";
import "./styles/pull.css";
import "./styles/fabric.css";
import "./styles/chart.css";
import "./styles/hands.css";
import "./styles/hands-beside.css";
import "./styles/path.css";
import "./styles/practice.css";
import "./styles/ways.css";
import "./styles/panels.css";
import "./styles/drawing.css";
import "./styles/rows.css";
import "./styles/feet.css";
import "./styles/feet-marking.css";
import "./styles/swatches.css";
import "./styles/terms.css";
import "./styles/knit.css";
import "./styles/knit-row.css";
import "./styles/knit-panel.css";
import "./styles/knit-narrow.css";
import "./styles/log.css";
import "./styles/keeping.css";
import "./styles/windows.css";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { AcornStep } from "./AcornStep";
import { registerOffline } from "./shell/offline";

registerOffline();

const root = document.getElementById("root");
if (root) {
  createRoot(root).render(
    <StrictMode>
      <AcornStep />
    </StrictMode>,
  );
}
