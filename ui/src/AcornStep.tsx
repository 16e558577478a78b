import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { App, ConfigProvider } from "antd";
import { useLayoutEffect, useMemo, useState } from "react";
import { createBrowserRouter, RouterProvider } from "react-router";
import { Refusal } from "./api/client";
import { BasketPage } from "./basket/BasketPage";
import { BoardPage } from "./board/BoardPage";
import { NewSockPage } from "./board/NewSockPage";
import { RowsPage } from "./rows/RowsPage";
import { NotFoundPage } from "./shell/NotFoundPage";
import { Shell } from "./shell/Shell";
import { SettingsContext } from "./shell/settings";
import { useKept } from "./shell/useKept";
import { antTheme, applyTokens, type Scheme } from "./tokens";
import { type Unit, UnitContext } from "./units/units";

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      refetchOnWindowFocus: false,
      retry: (failures, error) => !(error instanceof Refusal) && failures < 2,
    },
  },
});

const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content ?? "";

export function AcornStep() {
  const [unit, setUnit] = useKept<Unit>("unit", "cm", ["cm", "in"]);
  const preferred: Scheme = window.matchMedia("(prefers-color-scheme: dark)").matches ? "dark" : "light";
  const [scheme, setScheme] = useKept<Scheme>("scheme", preferred, ["light", "dark"]);
  useLayoutEffect(() => applyTokens(scheme), [scheme]);
  const [router] = useState(() =>
    createBrowserRouter([
      {
        element: <Shell />,
        children: [
          { path: "/", element: <BasketPage /> },
          { path: "/socks/new", element: <NewSockPage /> },
          { path: "/socks/:id", element: <BoardPage /> },
          { path: "/socks/:id/rows", element: <RowsPage /> },
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
