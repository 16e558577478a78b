import { defineConfig } from "@playwright/test";

/** chromium is Debian's browser, kept from calling anybody. */
const quiet = [
  "--no-sandbox",
  "--disable-gpu",
  "--disable-quic",
  "--no-first-run",
  "--disable-background-networking",
  "--disable-component-update",
  "--disable-sync",
];

/** browser is how it is started. */
export const browser = { executablePath: "/usr/bin/chromium", args: quiet };

/** passphrase opens the locked server, which listens this far above the open one. */
export const passphrase = "first light over the hill";
export const lockedBy = 100;

/** The program with two techniques more than it has listens this far above the open one. */
export const trialBy = 200;

const serverOn = (port: number, secret: string, program = "acornstep") => ({
  command: `../bin/${program} demo --listen 127.0.0.1:${port}`,
  url: `http://127.0.0.1:${port}/api/health`,
  env: { ACORNSTEP_PASSPHRASE: secret },
  reuseExistingServer: false,
});

/** configOf serves the real program with its demo socks on a port of its own. */
export function configOf(port: number, match: string) {
  return defineConfig({
    testDir: ".",
    testMatch: match,
    outputDir: "results",
    workers: 2,
    // Generous, since nothing here measures speed: a busy machine is slow, not wrong.
    timeout: 120_000,
    expect: { timeout: 20_000 },
    reporter: "list",
    use: {
      baseURL: `http://127.0.0.1:${port}`,
      viewport: { width: 1280, height: 800 },
      // What keeps the pages for a train fetches all of them: stories that need it say so, and only they wait for it.
      serviceWorkers: "block",
      launchOptions: browser,
    },
    webServer: [
      serverOn(port, ""),
      // The same program, as it would be opened to the house.
      serverOn(port + lockedBy, passphrase),
      serverOn(port + trialBy, "", "acornstep-trial"),
    ],
  });
}
