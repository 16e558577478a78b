import { type ChildProcess, execFileSync, spawn } from "node:child_process";
import { createHash, X509Certificate } from "node:crypto";
import { mkdtempSync, readFileSync } from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Browser, chromium, expect, type Page, test } from "@playwright/test";
import { browser as ours, passphrase } from "./base.config";
import { castByHand, heard, where, written } from "./steps";

test.use({ serviceWorkers: "allow" });

// The program as a household reaches it: by a name, on plain http and on https
// with a certificate of its own, and after it has moved from one to the other.

const program = new URL("../bin/acornstep", import.meta.url).pathname;
const name = "observatory.local";

const freePort = () =>
  new Promise<number>((resolve) => {
    const server = createServer().listen(0, "127.0.0.1", () => {
      const address = server.address();
      server.close(() => resolve(typeof address === "object" && address ? address.port : 0));
    });
  });

/** serve starts the program and waits until it says where it is. */
async function serve(...flags: string[]): Promise<ChildProcess> {
  const child = spawn(program, ["serve", "--names", name, ...flags], {
    env: { ...process.env, ACORNSTEP_PASSPHRASE: passphrase },
  });
  await new Promise<void>((resolve, reject) => {
    child.stdout.on("data", (text) => String(text).includes("Acorn Step is at") && resolve());
    child.stderr.on("data", (text) => reject(new Error(String(text))));
    child.on("exit", () => reject(new Error("it ended")));
  });
  return child;
}

const stop = (child: ChildProcess) =>
  new Promise<void>((resolve) => {
    child.on("exit", () => resolve());
    child.kill("SIGTERM");
  });

/** certified makes a certificate for the name, and a browser that trusts it and finds the name on this machine. */
async function certified(): Promise<{ folder: string; browser: Browser }> {
  const folder = mkdtempSync(join(tmpdir(), "acorn-step-house-"));
  execFileSync(program, ["certificate", "--folder", folder, name]);
  const { publicKey } = new X509Certificate(readFileSync(join(folder, "house.crt")));
  const print = createHash("sha256")
    .update(publicKey.export({ type: "spki", format: "der" }))
    .digest("base64");
  const browser = await chromium.launch({
    ...ours,
    args: [
      ...ours.args,
      `--host-resolver-rules=MAP ${name} 127.0.0.1`,
      `--ignore-certificate-errors-spki-list=${print}`,
    ],
  });
  return { folder, browser };
}

const enter = async (page: Page) => {
  await page.getByLabel("Passphrase", { exact: true }).fill(passphrase);
  await page.getByRole("button", { name: "Open the basket" }).click();
  await expect(page.getByLabel("Passphrase", { exact: true })).toHaveCount(0);
};

test("on plain http in the house counting goes on, and the page says what it cannot do", async () => {
  const { folder, browser } = await certified();
  const [plain, secure] = [await freePort(), await freePort()];
  const db = ["--db", join(folder, "socks.db")];
  let running = await serve("--listen", `127.0.0.1:${plain}`, ...db);
  const context = await browser.newContext({ baseURL: `http://${name}:${plain}` });
  const page = await context.newPage();
  await page.goto("/");
  expect(await page.evaluate(() => [isSecureContext, "serviceWorker" in navigator])).toEqual([false, false]);
  await expect(page.getByText("the passphrase travels unencrypted")).toBeVisible();
  await enter(page);
  await castByHand(page, "Sock on the house network");
  const knitting = page.url();
  await context.setOffline(true);
  for (let i = 0; i < 4; i++) {
    await page.keyboard.press(" ");
  }
  await expect(page.locator(".knit__knit-state")).toContainText("no connection: 4 kept here");
  await expect(page.getByText("Leave this page open: counting goes on")).toBeVisible();
  await context.setOffline(false);
  await written(page);
  expect((await heard(page)).length).toBe(4);

  // The program moves to https while a tick waits in the browser.
  await context.setOffline(true);
  await page.keyboard.press(" ");
  await expect(page.locator(".knit__knit-state")).toContainText("no connection: 1 kept here");
  await stop(running);
  running = await serve(
    "--listen",
    `127.0.0.1:${secure}`,
    "--moved-from",
    `127.0.0.1:${plain}`,
    "--tls-cert",
    join(folder, "house.crt"),
    "--tls-key",
    join(folder, "house.key"),
    ...db,
  );
  await context.setOffline(false);
  page.on("dialog", (dialog) => dialog.accept());
  await page.goto("/");
  await expect(page.getByRole("heading", { name: "Acorn Step has moved" })).toBeVisible();
  await expect(page.getByText("Every tick of this browser is written down.")).toBeVisible();
  await page.getByRole("link", { name: "Go to the new address" }).click();
  await expect(page).toHaveURL(`https://${name}:${secure}/`);
  await enter(page); // a visit that began unencrypted is no visit here
  await page.goto(knitting.replace(`http://${name}:${plain}`, `https://${name}:${secure}`));
  await expect(where(page)).toContainText("toe, round 5 of 19");
  await browser.close();
  await stop(running);
});

test("on https with the certificate of the house everything opens without a connection", async () => {
  const { folder, browser } = await certified();
  const port = await freePort();
  const running = await serve(
    "--listen",
    `127.0.0.1:${port}`,
    "--db",
    join(folder, "socks.db"),
    "--tls-cert",
    join(folder, "house.crt"),
    "--tls-key",
    join(folder, "house.key"),
  );
  const context = await browser.newContext({ baseURL: `https://${name}:${port}` });
  const page = await context.newPage();
  await page.goto("/");
  await expect(page.getByRole("heading", { name: "Whose basket is this?" })).toBeVisible();
  await expect(page.getByText("travels unencrypted")).toHaveCount(0);
  await enter(page);
  await castByHand(page, "Sock behind a lock");
  await expect
    .poll(() => page.evaluate(async () => (await navigator.serviceWorker.ready).active?.state))
    .toBe("activated");
  await page.keyboard.press(" ");
  await written(page);
  await context.setOffline(true);
  await page.reload();
  await expect(where(page)).toContainText("toe, round 1 of 19");
  await page.keyboard.press(" ");
  await expect(page.locator(".knit__knit-state")).toContainText("no connection: 1 kept here");
  await context.setOffline(false);
  await written(page);
  await browser.close();
  await stop(running);
});

test("a copy is put back: an open page sends nothing by itself, and its rows are sent, saved or let go", async () => {
  const { folder, browser } = await certified();
  const port = await freePort();
  const running = await serve("--listen", `127.0.0.1:${port}`, "--db", join(folder, "socks.db"));
  const context = await browser.newContext({ baseURL: `http://127.0.0.1:${port}` });
  const page = await context.newPage();
  await page.goto("/");
  await enter(page);
  await castByHand(page, "Sock that goes back");
  const tick = async (rows: number, shows: string) => {
    for (let n = 0; n < rows; n++) {
      await page.keyboard.press(" ");
    }
    await expect(where(page)).toContainText(shows);
    await written(page);
  };
  await tick(3, "toe, round 3");
  const copy = await (await page.request.get("/api/copies/fresh")).body();
  const putBack = async () => {
    expect((await page.request.post("/api/copies/upload", { data: copy })).ok()).toBe(true);
    expect((await page.request.post("/api/copies/uploaded/restore")).ok()).toBe(true);
  };
  const note = page.locator(".put-back-note");
  const since = "This device has 5 ticks and notes since, of Sock that goes back. Nothing is sent by itself.";
  await tick(4, "toe, round 7");
  await putBack();
  await page.keyboard.press(" ");
  await expect(note).toContainText(
    "A copy was put in the place of what this page knows: it knows of nothing after",
  );
  await expect(page.locator(".knit__knit-state")).toContainText("not written down: 1 kept here");
  expect((await heard(page)).length, "nothing was sent").toBe(3);
  const coming = page.waitForEvent("download");
  await note.getByRole("button", { name: "Save as file" }).click();
  const saved = JSON.parse(readFileSync(await (await coming).path(), "utf8"));
  expect(saved.map((e: { event: { row: number } }) => e.event.row)).toEqual([3, 4, 5, 6, 7]);
  await expect(note).toContainText(since);
  await page.reload();
  await expect(note, "a page that is opened anew asks too").toContainText("since, of Sock that goes back");
  await note.getByRole("button", { name: "Send them" }).click();
  await expect(note).toHaveCount(0);
  await expect(where(page)).toContainText("toe, round 8");
  await written(page);
  expect((await heard(page)).length).toBe(8);

  await putBack();
  await expect(note).toContainText("This device has 5 ticks and notes since");
  await note.getByRole("button", { name: "Let go" }).click();
  await expect(note).toHaveCount(0);
  await expect(where(page)).toContainText("toe, round 3");
  await tick(1, "toe, round 4");
  expect((await heard(page)).length).toBe(4);

  // Whoever has nothing since goes on at once.
  const other = await browser.newContext({ baseURL: `http://127.0.0.1:${port}` });
  const quiet = await other.newPage();
  await quiet.goto("/");
  await enter(quiet);
  await expect(quiet.getByRole("link", { name: "Sock that goes back", exact: true })).toBeVisible();
  await putBack();
  await quiet.getByRole("link", { name: "Feet" }).click();
  await expect(quiet.getByText("A copy was put in place: it knows of nothing after")).toBeVisible();
  await expect(quiet.locator(".put-back-note")).toHaveCount(0);
  await browser.close();
  await stop(running);
});
