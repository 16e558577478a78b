import "./styles/order";
import "@fontsource/atkinson-hyperlegible/latin-400.css";
import "@fontsource/atkinson-hyperlegible/latin-700.css";
import "@fontsource/bricolage-grotesque/latin-500.css";
import "@fontsource/bricolage-grotesque/latin-700.css";
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
