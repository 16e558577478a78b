import { mkdirSync, mkdtempSync, writeFileSync } from "node:fs";
import { request as ask, createServer } from "node:http";
import type { AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium, expect, type Page, test } from "@playwright/test";
import { browser, lockedBy, passphrase } from "./base.config";
import {
  board,
  cast,
  choose,
  heard,
  newSock,
  onDevice,
  overheard,
  putAt,
  said,
  saved,
  sockID,
  typeFoot,
  where,
  written,
} from "./steps";

test.use({ serviceWorkers: "allow" });

// What a household does to a browser: its storage is full, forbidden or cleared,
// its tabs are closed and doubled, the program is away, upgraded, or asks again who is there.

/** tap counts rows with the keyboard, so many, each a moment after the last. */
const tap = (page: Page, times: number, each: number) =>
  page.evaluate(
    ([times, each]) =>
      new Promise<void>((resolve) => {
        let left = times ?? 0;
        const timer = setInterval(() => {
          document.body.dispatchEvent(new KeyboardEvent("keydown", { key: " ", bubbles: true }));
          if (--left <= 0) {
            clearInterval(timer);
            resolve();
          }
        }, each);
      }),
    [times, each],
  );

const rowsHeard = async (page: Page) => (await heard(page)).filter((e) => e.kind === "row").length;

test("where storage is forbidden every page opens, and every tick reaches the program", async ({
  baseURL,
}) => {
  const folder = mkdtempSync(join(tmpdir(), "acorn-step-browser-"));
  mkdirSync(join(folder, "Default"));
  writeFileSync(
    join(folder, "Default", "Preferences"),
    JSON.stringify({ profile: { default_content_setting_values: { cookies: 2 } } }),
  );
  const context = await chromium.launchPersistentContext(folder, { ...browser, baseURL: baseURL ?? "" });
  const page = await context.newPage();
  await page.goto("/");
  const forbidden = await page.evaluate(() => {
    try {
      return localStorage.length < 0;
    } catch {
      return true;
    }
  });
  expect(forbidden, "the browser forbids it").toBe(true);
  await cast(page, "Sock in a browser that keeps nothing");
  await tap(page, 13, 40);
  await written(page);
  await expect(page.getByText("This browser keeps nothing for this page")).toBeVisible();
  expect(await rowsHeard(page)).toBe(13);
  await page.reload();
  await expect(where(page)).toContainText("toe, round 13 of 19");
  await context.close();
});

test("where storage is full, ticks are sent at once and nothing says that they are kept", async ({
  page,
  baseURL,
}) => {
  const protocol = await page.context().newCDPSession(page);
  await protocol.send("Storage.overrideQuotaForOrigin", { origin: baseURL ?? "", quotaSize: 1 });
  await cast(page, "Sock in a full browser");
  await tap(page, 13, 40);
  await written(page);
  await expect(page.getByText("This browser has no room left")).toBeVisible();
  expect(await rowsHeard(page)).toBe(13);
  // Without a connection the page holds them, and says so.
  await page.context().setOffline(true);
  await tap(page, 3, 40);
  await expect(page.getByText("Leave this page open")).toBeVisible();
  await page.context().setOffline(false);
  await written(page);
  expect(await rowsHeard(page)).toBe(16);
  await protocol.send("Storage.overrideQuotaForOrigin", { origin: baseURL ?? "" });
  await tap(page, 1, 40);
  await expect(page.getByText("This browser has no room left")).toHaveCount(0);
});

test("what is cleared from the browser while a page is open is still sent", async ({
  page,
  context,
  baseURL,
}) => {
  await cast(page, "Sock in a cleared browser");
  await context.setOffline(true);
  await tap(page, 7, 40);
  await expect(page.locator(".knit__knit-state")).toContainText("no connection: 7 kept here");
  const protocol = await context.newCDPSession(page);
  await protocol.send("Storage.clearDataForOrigin", { origin: baseURL ?? "", storageTypes: "all" });
  await tap(page, 2, 40);
  await context.setOffline(false);
  await written(page);
  expect(await rowsHeard(page)).toBe(9);
});

test("two thousand ticks and fifty pictures that waited are sent in portions", async ({ page }) => {
  await cast(page, "Sock after a year in a hut");
  await page.evaluate(async (sock) => {
    const canvas = new OffscreenCanvas(320, 240);
    const pen = canvas.getContext("2d");
    for (let i = 0; i < 4000; i++) {
      (pen as OffscreenCanvasRenderingContext2D).fillStyle = `hsl(${(i * 47) % 360} 60% ${(i * 13) % 100}%)`;
      pen?.fillRect((i * 37) % 320, (i * 91) % 240, 9, 9);
    }
    const bytes = new Uint8Array(
      await (await canvas.convertToBlob({ type: "image/jpeg", quality: 0.8 })).arrayBuffer(),
    );
    const picture = `data:image/jpeg;base64,${btoa([...bytes].map((b) => String.fromCharCode(b)).join(""))}`;
    const db = await new Promise<IDBDatabase>((resolve) => {
      const opening = indexedDB.open("acorn-step");
      opening.onsuccess = () => resolve(opening.result);
    });
    const all = db.transaction("events", "readwrite");
    for (let i = 0; i < 2051; i++) {
      const event = {
        id: `hut-${sock}-${i}`,
        device: "hut",
        clock: i + 1,
        at_ms: 1e12 + i,
        version: 1,
        sock: 1,
        row: i % 20,
      };
      const kind = i < 2001 ? "row" : "note";
      all.objectStore("events").put({
        id: event.id,
        sock,
        waiting: 1,
        event: { ...event, kind, ...(kind === "note" && { text: "clouds", picture }) },
      });
    }
    await new Promise((resolve) => {
      all.oncomplete = resolve;
    });
    db.close();
  }, sockID(page));
  await page.reload();
  await written(page);
  const events = await heard(page);
  expect(events.filter((e) => e.kind === "row")).toHaveLength(2001);
  expect(events.filter((e) => e.kind === "note")).toHaveLength(50);
  await expect(page.locator(".aside-note")).toHaveCount(0);
});

test("two tabs that tick as fast as they can lose nothing", async ({ page, context }) => {
  await cast(page, "Sock in two tabs");
  const second = await context.newPage();
  await second.goto(page.url());
  await expect(where(second)).toContainText("cast on");
  await Promise.all([tap(page, 40, 25), tap(second, 40, 25)]);
  await Promise.all([written(page), written(second)]);
  await expect.poll(() => rowsHeard(page)).toBe(80);
  await expect(where(second)).toHaveText((await where(page).textContent()) ?? "");
  expect((await onDevice(page, "events")).filter((e) => "waiting" in e && e.waiting === 1)).toEqual([]);
});

test("what is typed on the board outlives a tab that is closed at once", async ({ page, context }) => {
  await overheard(page);
  await newSock(page, "Sock of a hurried hand");
  const url = page.url();
  await page.route("**/api/socks/*", (route) =>
    route.request().method() === "PUT" ? route.abort() : route.continue(),
  );
  await page.getByLabel("Length", { exact: true }).fill("25.1");
  await page.close({ runBeforeUnload: false });
  const again = await context.newPage();
  await again.goto(url);
  await expect(again.getByLabel("Length", { exact: true })).toHaveValue("25.1");
  await saved(again);
  await again.reload();
  await expect(again.getByLabel("Length", { exact: true })).toHaveValue("25.1");
  await expect.poll(() => onDevice(again, "drafts")).toEqual([]);
});

test("a save that fails is tried again by itself, and leaving asks meanwhile", async ({ page }) => {
  await overheard(page);
  await newSock(page, "Sock on a bad line");
  await page.route("**/api/socks/*", (route) =>
    route.request().method() === "PUT" ? route.abort() : route.continue(),
  );
  await page.getByLabel("Length", { exact: true }).fill("25.1");
  await expect(page.getByRole("status").getByText("kept", { exact: true })).toHaveCount(0);
  const asked = page.waitForEvent("dialog");
  const leaving = page.evaluate(() => location.reload());
  const dialog = await asked;
  expect(dialog.type()).toBe("beforeunload");
  await dialog.dismiss();
  await leaving.catch(() => undefined);
  await page.unroute("**/api/socks/*");
  await saved(page);
});

test("mine can be had after a conflict was left open", async ({ page, context }) => {
  await newSock(page, "Sock of two minds");
  const url = page.url();
  const other = await context.newPage();
  await other.goto(url);
  await other.getByLabel("Length", { exact: true }).fill("24");
  await saved(other);
  await page.getByLabel("Length", { exact: true }).fill("26");
  await expect(page.getByText("This sock was changed elsewhere.")).toBeVisible();
  await page.getByRole("link", { name: "Basket", exact: true }).click();
  await page.goto(url);
  await expect(page.getByText("This sock was changed elsewhere.")).toBeVisible();
  await expect(page.getByLabel("Length", { exact: true })).toHaveValue("26");
  await page.getByRole("button", { name: "Keep mine" }).click();
  await saved(page);
  await other.reload();
  await expect(other.getByLabel("Length", { exact: true })).toHaveValue("26");
});

test("a form that was never sent has its words when it is opened again", async ({ page }) => {
  await board(page, "Observatory roof socks");
  const variants = `${page.url()}/variants`;
  await page.goto(variants);
  await page.getByLabel("Name of the variant").fill("Half a thought");
  await expect.poll(async () => (await onDevice(page, "drafts")).length).toBe(1);
  await page.goto("/feet");
  await page.goto(variants);
  await expect(page.getByLabel("Name of the variant")).toHaveValue("Half a thought");
  await page.getByLabel("Name of the variant").fill("");
});

test("what was done can be undone after leaving and after a reload", async ({ page }) => {
  await newSock(page, "Sock with second thoughts");
  await typeFoot(page);
  await choose(page, "Heel", "Gusset first");
  await choose(page, "Cuff", "k2, p2");
  await saved(page);
  await page.getByRole("link", { name: "Basket", exact: true }).click();
  await board(page, "Sock with second thoughts");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(said(page, "Cuff")).toContainText("k1, p1");
  await saved(page);
  await page.reload();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(said(page, "Heel")).toContainText("short rows");
  await page.getByRole("button", { name: "Redo" }).click();
  await expect(said(page, "Heel")).toContainText("gusset first");
});

test("without a connection basket, rows and knitting open and say how old they are", async ({
  page,
  context,
}) => {
  await cast(page, "Sock for the roof without a network");
  const id = sockID(page);
  await page.goto(`/socks/${id}/rows`);
  await expect(page.getByText("Every row checked.")).toBeVisible();
  await page.goto("/");
  await expect(
    page.getByRole("link", { name: "Sock for the roof without a network", exact: true }),
  ).toBeVisible();
  await expect
    .poll(() => page.evaluate(async () => (await navigator.serviceWorker.ready).active?.state))
    .toBe("activated");
  await context.setOffline(true);
  const old = page.getByText("No connection to the program. This is as it was on");
  await page.goto("/");
  await expect(
    page.getByRole("link", { name: "Sock for the roof without a network", exact: true }),
  ).toBeVisible();
  await expect(old).toBeVisible();
  await page.goto(`/socks/${id}/rows`);
  await expect(page.getByText("Every row checked.")).toBeVisible();
  await expect(old).toBeVisible();
  await page.goto(`/socks/${id}/knit`);
  await expect(where(page)).toContainText("cast on");
  await page.keyboard.press(" ");
  await expect(where(page)).toContainText("toe, round 1 of 19");
  await expect(page.locator(".knit__knit-state")).toContainText("no connection: 1 kept here");
  await page.goto("/swatches");
  await expect(page.getByRole("button", { name: "Try again" }).first()).toBeVisible();
  await context.setOffline(false);
  await page.goto(`/socks/${id}/knit`);
  await written(page);
  await expect(old).toHaveCount(0);
});

test("the plan bends on one device, and the other goes on where it is", async ({ page, browser: second }) => {
  await cast(page, "Sock with two devices");
  await putAt(page, "heel-11", 2);
  await putAt(page, "foot-31");
  const context = await second.newContext();
  const phone = await context.newPage();
  await phone.goto(page.url());
  await phone.getByLabel("Which sock").getByText("Second").click();
  await expect(where(phone)).toContainText("heel, row 10");
  await context.setOffline(true);
  await phone.keyboard.press(" ");
  await expect(where(phone)).toContainText("heel, row 11");
  await page.keyboard.press("t");
  await page.getByLabel("From the needle to the heel's place").fill("6.6");
  await page.getByRole("button", { name: "What does it change?" }).click();
  await page.getByRole("button", { name: "Go on like that" }).click();
  await expect(where(page)).toContainText("foot, round 31 of 59");
  await context.setOffline(false);
  await expect(where(phone)).toContainText("heel, row 11");
  await written(phone);
  await phone.getByLabel("Which sock").getByText("First").click();
  await expect(where(phone), "the new plan came by itself").toContainText("foot, round 31 of 59");
  await page.getByLabel("Which sock").getByText("Second").click();
  await expect(where(page)).toContainText("heel, row 11");
  await context.close();
});

test("rows that became others are kept, shown and asked about", async ({ page, browser: second }) => {
  await cast(page, "Sock with two minds");
  await putAt(page, "foot-60");
  const context = await second.newContext();
  const phone = await context.newPage();
  await phone.goto(page.url());
  await expect(where(phone)).toContainText("foot, round 60 of 65");
  // On the phone, without a connection, the foot is knitted to its end by the plan of before, and two rows of the heel.
  await context.setOffline(true);
  for (let row = 60; row <= 66; row++) {
    await phone.keyboard.press(" ");
  }
  await expect(where(phone)).toContainText("heel, row 2");
  // Meanwhile three rounds more are planned.
  await page.getByRole("button", { name: "It went otherwise" }).click();
  await page.getByLabel("The heel begins later by, in rounds").fill("3");
  await page.getByRole("button", { name: "What does it change?" }).click();
  await expect(page.locator(".knit-panel__proposal")).toContainText(
    "The second sock: 3 more rounds before the heel.",
  );
  await page.getByRole("button", { name: "Alike", exact: true }).click();
  await expect(where(page)).toContainText("foot, round 60 of 68");
  await context.setOffline(false);
  await written(phone);
  const asks = "1 row of the first sock, heel 1, was ticked on a device that did not know";
  await expect(phone.getByText(asks)).toBeVisible();
  await expect(where(phone), "counted as far as both plans are the same").toContainText(
    "foot, round 66 of 68",
  );
  await page.reload();
  await expect(page.getByText(asks), "the other device asks too").toBeVisible();
  await expect(phone.getByRole("button", { name: "Not those: foot 66 comes next" })).toBeVisible();
  await expect(phone.getByRole("button", { name: "Rows of the new plan: heel 2 comes next" })).toBeVisible();
  await phone.getByRole("button", { name: "Those rows: go on behind them" }).click();
  await expect(where(phone)).toContainText("heel, row 2");
  await expect(phone.getByText(asks)).toHaveCount(0);
  await expect(phone.locator(".knit__knit-main")).not.toContainText("foot, round 66");
  await page.reload();
  await expect(where(page)).toContainText("heel, row 2");
  await expect(page.getByText(asks)).toHaveCount(0);
  await context.close();
});

/** upgradable passes on to the program; after its upgrade it says that it serves another build. */
async function upgradable(to: string) {
  let build = "";
  const server = createServer((incoming, outgoing) => {
    const target = new URL(incoming.url ?? "/", to);
    const { "accept-encoding": _packed, ...headers } = incoming.headers;
    const passed = ask(
      target,
      { method: incoming.method, headers: { ...headers, host: target.host } },
      (answer) => {
        const parts: Buffer[] = [];
        answer.on("data", (part) => parts.push(part));
        answer.on("end", () => {
          const { "content-length": _old, ...sent } = answer.headers;
          const text =
            /html|javascript/.test(sent["content-type"] ?? "") && !target.pathname.startsWith("/assets/");
          const body = Buffer.concat(parts);
          if (build) {
            sent["acorn-step-build"] = build;
          }
          outgoing.writeHead(answer.statusCode ?? 500, sent);
          outgoing.end(
            text && build
              ? body
                  .toString()
                  .replace(/(content|build =) ?"[0-9a-f]{12}"/, (m) => m.replace(/[0-9a-f]{12}/, build))
                  .replace(/content="[0-9a-f]{12}"/, `content="${build}"`)
              : body,
          );
        });
      },
    );
    passed.on("error", () => outgoing.destroy());
    incoming.pipe(passed);
  });
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    upgrade: () => {
      build = "ffffffffffff";
    },
    close: () => server.close(),
  };
}

test("an open tab takes a newer interface at the next quiet moment, with nothing lost", async ({
  browser: any,
  baseURL,
}) => {
  const between = await upgradable(baseURL ?? "");
  const context = await any.newContext({ baseURL: between.url });
  const page = await context.newPage();
  await cast(page, "Sock under an upgrade");
  // The moves of the hands are no part of an interface: they stay, and are taken anew at the next look.
  const sets = () =>
    page.evaluate(async () => (await caches.keys()).filter((name) => name !== "acorn-step-pictures"));
  await expect.poll(sets).toHaveLength(1);
  const [before] = await sets();
  await context.setOffline(true);
  await tap(page, 2, 40);
  between.upgrade();
  await context.setOffline(false);
  await written(page);
  await expect.poll(() => page.locator('meta[name="build"]').getAttribute("content")).toBe("ffffffffffff");
  await expect(where(page)).toContainText("toe, round 2 of 19");
  await expect
    .poll(sets, "the old set goes when the new one is complete")
    .toEqual(["acorn-step-ffffffffffff"]);
  expect(before).not.toBe("acorn-step-ffffffffffff");
  await context.close();
  between.close();
});

test.describe("behind the passphrase", () => {
  test.use({
    baseURL: async ({ baseURL }, use) => {
      const url = new URL(baseURL ?? "");
      url.port = `${Number(url.port) + lockedBy}`;
      await use(url.origin);
    },
  });
  const enter = async (page: Page) => {
    await page.getByLabel("Passphrase", { exact: true }).fill(passphrase);
    await page.getByRole("button", { name: "Open the basket" }).click();
    await expect(page.getByLabel("Passphrase", { exact: true })).toHaveCount(0);
  };

  test("a session that ends asks again, and what was typed stands there", async ({ page, context }) => {
    await page.goto("/");
    await enter(page);
    await newSock(page, "Sock over midnight");
    await context.clearCookies({ name: /acornstep_session/ });
    await page.getByLabel("Length", { exact: true }).fill("25.1");
    await expect(page.getByText("Your session ended.")).toBeVisible();
    await enter(page);
    await expect(page.getByLabel("Length", { exact: true })).toHaveValue("25.1");
    await saved(page);
  });

  test("logging out works without a connection and says so; other tabs follow", async ({ page, context }) => {
    await page.goto("/");
    await enter(page);
    await expect(page.getByRole("heading", { name: "Socks in the basket" })).toBeVisible();
    const other = await context.newPage();
    await other.goto("/feet");
    await expect(other.getByRole("heading", { name: "Feet" })).toBeVisible();
    await context.setOffline(true);
    await page.getByRole("button", { name: "Log out" }).click();
    await expect(
      page.getByText("The program could not be reached: the session there is closed"),
    ).toBeVisible();
    await expect(other.getByRole("heading", { name: "Whose basket is this?" })).toBeVisible();
    expect(await onDevice(page, "answers")).toEqual([]);
    await context.setOffline(false);
    await page.reload();
    await expect(page.getByRole("heading", { name: "Whose basket is this?" })).toBeVisible();
    await expect.poll(async () => (await page.request.get("/api/socks")).status()).toBe(401);
  });
});

test("a page whose script does not come says so, with one button", async ({ browser: any, baseURL }) => {
  const context = await any.newContext({ baseURL: baseURL ?? "", serviceWorkers: "block" });
  const page = await context.newPage();
  await overheard(page);
  await page.goto("/");
  await page.route("**/assets/FeetPage*", (route) => route.abort());
  await page.getByRole("link", { name: "Feet", exact: true }).click();
  await expect(page.getByRole("heading", { name: "This page broke" })).toBeVisible();
  await page.unroute("**/assets/FeetPage*");
  await page.getByRole("button", { name: "Open it again" }).click();
  await expect(page.getByRole("heading", { name: "This page broke" })).toHaveCount(0);
  await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
  await context.close();
});
