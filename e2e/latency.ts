import { expect, type Page, test } from "@playwright/test";

// Measures, in the page itself, the time from a key or a pointer's move to the
// frame in which the drawing has followed. It prints the distribution and
// fails on nothing: a busy machine is slow, not wrong.

type Watched = Window & { times: number[]; began: number };

/** watch notes when an input begins, and when the frame after the drawing's change is on the screen. */
async function watch(page: Page, input: "keydown" | "pointermove") {
  await page.evaluate((kind) => {
    const w = window as unknown as Watched;
    w.times = [];
    w.began = 0;
    window.addEventListener(
      kind,
      (event) => {
        // The first input that the drawing has not followed yet counts.
        w.began ||= event.timeStamp;
      },
      true,
    );
    const follow = () => {
      const began = w.began;
      if (began === 0) {
        return;
      }
      w.began = 0;
      requestAnimationFrame(() => {
        const frame = new MessageChannel();
        frame.port1.onmessage = () => w.times.push(performance.now() - began);
        frame.port2.postMessage(null);
      });
    };
    const sock = document.querySelector("svg.drawing__sock");
    if (sock) {
      new MutationObserver((changes) => {
        if (changes.some((c) => c.attributeName === "d")) {
          follow();
        }
      }).observe(sock, { subtree: true, attributes: true, attributeFilter: ["d"] });
    }
  }, input);
}

/** forget drops an input that the drawing had nothing to follow for. */
const forget = (page: Page) =>
  page.evaluate(() => {
    (window as unknown as Watched).began = 0;
  });

async function report(page: Page, name: string, least: number) {
  const times = await page.evaluate(() => (window as unknown as Watched).times);
  expect(times.length, `${name}: the drawing followed`).toBeGreaterThan(least);
  times.sort((a, b) => a - b);
  const at = (share: number) =>
    (times[Math.min(times.length - 1, Math.floor(times.length * share))] ?? 0).toFixed(0);
  console.log(
    `${name}: ${times.length} times; median ${at(0.5)} ms, 90 % ${at(0.9)} ms, 95 % ${at(0.95)} ms, most ${at(1)} ms`,
  );
}

async function board(page: Page) {
  await page.goto("/");
  await page.getByRole("link", { name: "Observatory roof socks", exact: true }).click();
  await expect(page.locator("svg.drawing__sock")).toBeVisible();
  await page.waitForLoadState("networkidle");
}

test("from a key to the drawing", async ({ page }) => {
  await board(page);
  await page.locator("#decision-foot-head").click();
  const length = page.getByLabel("Length", { exact: true });
  await length.fill("24");
  await length.press("End");
  await page.waitForTimeout(1000);
  await watch(page, "keydown");
  for (let i = 0; i < 40; i++) {
    await page.keyboard.press("."); // the same length: nothing to draw
    await page.waitForTimeout(120);
    await forget(page);
    await page.keyboard.press(`${(i % 8) + 1}`);
    await page.waitForTimeout(180);
    await page.keyboard.press("Backspace");
    await page.waitForTimeout(180);
    await page.keyboard.press("Backspace");
    await page.waitForTimeout(120);
    await forget(page);
  }
  await report(page, "a key", 40);
});

test("from a drag to the drawing", async ({ page }) => {
  await board(page);
  const handle = page.getByRole("slider", { name: "Height of the leg" });
  const box = await handle.locator(".drawing__grip").boundingBox();
  if (!box) {
    throw new Error("the handle has no place");
  }
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await watch(page, "pointermove");
  // Up and down by even steps of several rounds: each move changes the sock.
  for (let i = 0; i < 120; i++) {
    await page.mouse.move(x, y + 6 * (10 - Math.abs((i % 40) - 20)));
    await page.waitForTimeout(60);
  }
  await page.mouse.up();
  await report(page, "a drag", 40);
});

test("from a tap to the next row", async ({ page }) => {
  await board(page);
  await page.getByRole("link", { name: "Knit", exact: true }).click();
  await page.getByRole("button", { name: /^Cast on/ }).click();
  await expect(page.getByRole("button", { name: "Row done" })).toBeVisible();
  await expect(page.locator(".knit-row__knit-where")).toBeVisible();
  await page.evaluate(() => {
    const w = window as unknown as Watched;
    w.times = [];
    w.began = 0;
    window.addEventListener("keydown", (event) => (w.began ||= event.timeStamp), true);
    const where = document.querySelector(".knit-row__knit-where");
    if (where) {
      new MutationObserver(() => {
        const began = w.began;
        w.began = 0;
        if (began > 0) {
          requestAnimationFrame(() => {
            const frame = new MessageChannel();
            frame.port1.onmessage = () => w.times.push(performance.now() - began);
            frame.port2.postMessage(null);
          });
        }
      }).observe(where, { subtree: true, characterData: true, childList: true });
    }
  });
  for (let i = 0; i < 80; i++) {
    await page.keyboard.press(" ");
    await page.waitForTimeout(150);
  }
  await report(page, "a tap", 60);
});
