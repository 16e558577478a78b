/** registerOffline starts the script that keeps the screens, so that knitting mode opens without a connection. */
export function registerOffline(): void {
  if ("serviceWorker" in navigator) {
    navigator.serviceWorker.register("/offline.js").catch(() => {
      // Without it everything works while there is a connection.
    });
  }
}

/** keepScreen has everything kept that this screen was made of. */
export async function keepScreen(): Promise<void> {
  if (!("serviceWorker" in navigator)) {
    return;
  }
  const { active } = await navigator.serviceWorker.ready;
  const parts = performance
    .getEntriesByType("resource")
    .map((entry) => entry.name)
    .filter((name) => /\/assets\/|\.svg$/.test(name));
  active?.postMessage({ keep: ["/", "/api/session", "/api/reference", ...parts] });
}
