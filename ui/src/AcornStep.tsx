import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { App, ConfigProvider } from "antd";
import { type ComponentType, useLayoutEffect, useMemo, useState } from "react";
import { createBrowserRouter, Navigate, RouterProvider } from "react-router";
import { Refusal } from "./api/client";
import { orKept } from "./api/kept";
import { watchSession } from "./api/session";
import { BasketPage } from "./basket/BasketPage";
import { BrokenPage } from "./shell/BrokenPage";
import { NotFoundPage } from "./shell/NotFoundPage";
import { Shell } from "./shell/Shell";
import { SettingsContext } from "./shell/settings";
import { useKept } from "./shell/useKept";
import { antTheme, applyTokens, type Scheme } from "./tokens";
import { type Unit, UnitContext } from "./units/units";

const queries = new QueryClient({
  defaultOptions: {
    // Where the program is, only asking it tells: a house has networks without the world.
    mutations: { networkMode: "always" },
    queries: {
      networkMode: "always",
      persister: orKept,
      refetchOnWindowFocus: false,
      retry: (failures, error) => !(error instanceof Refusal) && failures < 2,
    },
  },
});

watchSession(queries);

const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content ?? "";

/** page loads the script of a screen when it is first opened. */
function page<Name extends string>(load: () => Promise<Record<Name, ComponentType>>, name: Name) {
  return { lazy: async () => ({ Component: (await load())[name] }) };
}

/** Nothing is shown for the blink in which the first screen's script comes. */
const Nothing = () => null;

export function AcornStep() {
  const [unit, setUnit] = useKept<Unit>("unit", "cm", ["cm", "in"]);
  const preferred: Scheme = window.matchMedia("(prefers-color-scheme: dark)").matches ? "dark" : "light";
  const [scheme, setScheme] = useKept<Scheme>("scheme", preferred, ["light", "dark"]);
  useLayoutEffect(() => applyTokens(scheme), [scheme]);
  const [router] = useState(() =>
    createBrowserRouter([
      {
        element: <Shell />,
        HydrateFallback: Nothing,
        errorElement: <BrokenPage />,
        children: [
          { path: "/", element: <BasketPage /> },
          { path: "/socks/new", ...page(() => import("./board/NewSockPage"), "NewSockPage") },
          {
            path: "/socks/:id",
            ...page(() => import("./board/BoardPage"), "BoardPage"),
            children: [
              { index: true, ...page(() => import("./board/Path"), "Path") },
              { path: "what-if", ...page(() => import("./board/WhatIfPanel"), "WhatIfPanel") },
              { path: "ways", ...page(() => import("./board/WaysPanel"), "WaysPanel") },
              { path: "compare", ...page(() => import("./board/ComparePanel"), "ComparePanel") },
              { path: "variants", ...page(() => import("./board/VariantsPanel"), "VariantsPanel") },
              { path: "versions", element: <Navigate to="../variants" replace /> }, // as kept pages call it
            ],
          },
          { path: "/socks/:id/rows", ...page(() => import("./rows/RowsPage"), "RowsPage") },
          { path: "/socks/:id/knit", ...page(() => import("./knit/KnitPage"), "KnitPage") },
          { path: "/socks/:id/log", ...page(() => import("./knit/LogPage"), "LogPage") },
          { path: "/feet", ...page(() => import("./feet/FeetPage"), "FeetPage") },
          { path: "/feet/:id", ...page(() => import("./feet/WearerPage"), "WearerPage") },
          { path: "/feet/:id/tracing", ...page(() => import("./feet/TracingPage"), "TracingPage") },
          { path: "/swatches", ...page(() => import("./swatches/SwatchesPage"), "SwatchesPage") },
          { path: "/swatches/:id", ...page(() => import("./swatches/SwatchPage"), "SwatchPage") },
          { path: "/moves", ...page(() => import("./hands/MovesPage"), "MovesPage") },
          { path: "/practice", ...page(() => import("./practice/PracticePage"), "PracticePage") },
          { path: "/keeping", ...page(() => import("./keeping/KeepingPage"), "KeepingPage") },
          { path: "/pass/:token", ...page(() => import("./shell/PassPage"), "PassPage") },
          { path: "/terms", ...page(() => import("./terms/TermsPage"), "TermsPage") },
          { path: "*", element: <NotFoundPage /> },
        ],
      },
    ]),
  );
  const settings = useMemo(() => ({ unit, setUnit, scheme, setScheme }), [unit, setUnit, scheme, setScheme]);
  return (
    <ConfigProvider theme={antTheme(scheme)} csp={{ nonce }} wave={{ disabled: true }}>
      <App className="app" message={{ maxCount: 3 }}>
        <QueryClientProvider client={queries}>
          <UnitContext value={unit}>
            <SettingsContext value={settings}>
              <RouterProvider router={router} />
            </SettingsContext>
          </UnitContext>
        </QueryClientProvider>
      </App>
    </ConfigProvider>
  );
}
