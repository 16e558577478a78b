/** registerOffline starts the script that keeps the interface. Browsers run it on https, and on the machine itself. */
export function registerOffline(): void {
  if ("serviceWorker" in navigator) {
    navigator.serviceWorker.register("/offline.js", { updateViaCache: "none" }).catch(() => {
      // Without it everything works while there is a connection.
    });
  }
}
