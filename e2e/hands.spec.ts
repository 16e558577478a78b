import { expect, test } from "@playwright/test";
import { cast, newSock, putAt, saved, typeFoot, where } from "./steps";

// Knitting mode with full hands: rows that are heard, keys that do what they seem to, and what lies ready.

test("rows are read aloud by a voice of this device, and said again by a key", async ({ page }) => {
  await page.addInitScript(() => {
    const said: string[] = [];
    const voice = { localService: true, lang: "en-GB", name: "here" };
    Object.assign(window, {
      said,
      SpeechSynthesisUtterance: class {
        constructor(public text: string) {}
      },
    });
    Object.defineProperty(window, "speechSynthesis", {
      value: {
        getVoices: () => [{ ...voice, localService: false, name: "far away" }, voice],
        speak: (u: { text: string; voice: { name: string } }) => said.push(`${u.voice.name}: ${u.text}`),
        cancel: () => undefined,
        addEventListener: () => undefined,
        removeEventListener: () => undefined,
      },
    });
  });
  const said = () => page.evaluate(() => (window as unknown as { said: string[] }).said);
  await cast(page, "Sock that is heard");
  expect(await said()).toEqual([]);
  await page.getByRole("button", { name: "Sound, light and rest" }).click();
  await page.getByRole("checkbox", { name: "Read each row aloud" }).check();
  await page.keyboard.press("Escape");
  await page.keyboard.press(" ");
  await page.keyboard.press(" ");
  await expect(where(page)).toContainText("toe, round 2 of 19");
  await expect
    .poll(async () => (await said()).at(-1))
    .toMatch(/^here: toe, round 2, right side\. needle 1 \(instep\): knit .*needle 2 \(sole\): knit/);
  const before = (await said()).length;
  await page.keyboard.press("r");
  await expect.poll(async () => (await said()).length).toBe(before + 1);
});

test("a browser without a voice of its own says so", async ({ page }) => {
  await page.addInitScript(() =>
    Object.defineProperty(window, "speechSynthesis", {
      value: {
        getVoices: () => [],
        addEventListener: () => undefined,
        removeEventListener: () => undefined,
        cancel: () => undefined,
      },
    }),
  );
  await cast(page, "Sock that is not heard");
  await page.getByRole("button", { name: "Sound, light and rest" }).click();
  await expect(page.getByRole("checkbox", { name: "Read each row aloud" })).toBeDisabled();
  await expect(page.getByText("This browser has no voice of its own")).toBeVisible();
});

test("space presses the button that has the focus, and counts a row everywhere else; each row is announced", async ({
  page,
}) => {
  await cast(page, "Sock of careful keys");
  await putAt(page, "toe-2");
  await page.getByRole("button", { name: "Half" }).focus();
  await page.keyboard.press(" ");
  await expect(where(page)).toContainText("needle 2");
  await expect(page.locator("[aria-live=polite]").first()).toContainText(
    "toe, round 2, right side. needle 2 (sole):",
  );
  // A button that was pressed with a pointer does not keep the key.
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(where(page)).not.toContainText("needle 2");
  await page.keyboard.press(" ");
  await expect(where(page)).toContainText("toe, round 3 of 19");
});

test("row done stays where it is from row to row", async ({ page }) => {
  await cast(page, "Sock of a steady thumb");
  const places = new Set<number>();
  for (const row of ["toe-2", "foot-10", "heel-5", "leg-1"]) {
    await putAt(page, row);
    const done = page.getByRole("button", { name: "Row done" });
    places.add(Math.round((await done.boundingBox())?.y ?? 0));
    // What is drawn below the row makes the page longer, and moves nothing either.
    await expect(page.getByText("What it looks like now")).toBeVisible();
    places.add(Math.round((await done.boundingBox())?.y ?? 0));
  }
  expect([...places]).toHaveLength(1);
});

test("what lies ready is said before casting on: what these rows need, and no more", async ({ page }) => {
  await newSock(page, "Sock to lay ready for");
  await typeFoot(page);
  await saved(page);
  await page.getByRole("link", { name: "Knit", exact: true }).click();
  const ready = page.locator(".knit-panel__moment").filter({ hasText: "What lies ready" });
  await expect(ready).toContainText("one long circular needle");
  await expect(ready).not.toContainText("pin");
  await expect(ready).not.toContainText("waste yarn");
});

test.describe("on a phone", () => {
  test.use({ viewport: { width: 390, height: 844 } });
  test("a panel is a page of its own, and Back closes it", async ({ page }) => {
    await cast(page, "Sock in a small hand");
    await page.getByRole("button", { name: "Where am I?" }).click();
    const panel = page.locator(".knit-panel__knit-panel");
    await expect(panel).toBeVisible();
    const side = await page.locator(".knit__knit-side").boundingBox();
    expect([side?.x, side?.y, side?.height]).toEqual([0, 0, 844]);
    expect(side?.width).toBeGreaterThan(370);
    await page.goBack();
    await expect(panel).toHaveCount(0);
    await expect(where(page)).toBeVisible();
    await page.getByRole("button", { name: "I tried it on" }).click();
    await panel.getByRole("button", { name: "Close" }).click();
    await expect(panel).toHaveCount(0);
    await expect(page).toHaveURL(/\/knit$/);
  });
});

test("somebody who never knitted a sock comes from an empty page to round 8 of the toe by words and pictures alone", async ({
  page,
}) => {
  test.slow();
  await newSock(page, "A beginner's first sock");
  await typeFoot(page);
  await saved(page);
  await page.getByRole("link", { name: "Knit", exact: true }).click();
  // What lies ready, before anything is cast on.
  await expect(page.locator(".knit-panel__moment").filter({ hasText: "What lies ready" })).toBeVisible();
  await page.getByRole("link", { name: "Board" }).click();
  for (const name of [/^Cast on \d+…$/, /^Cast on \d+$/]) {
    await page.getByRole("button", { name }).click();
  }
  await expect(page.getByRole("button", { name: "Row done" })).toBeVisible();
  const instruction = page.locator(".knit-row__instruction");
  const panel = page.locator(".knit-panel__knit-panel");
  const shown = new Set<string>();
  for (let row = 0; row < 9; row++) {
    await expect(instruction).toBeVisible();
    const words = await instruction.textContent();
    await page.keyboard.press("m");
    await expect(panel.locator("section.hands__move")).toBeVisible();
    // Every move of the row, one after the other, to its last step: words and a picture, what to see, what goes wrong.
    const names = await panel.locator(".hands__move-names button").allTextContents();
    for (const name of names.length > 0 ? names : [""]) {
      if (name) {
        await panel.locator(".hands__move-names button").filter({ hasText: name }).first().click();
      }
      const title = (await panel.locator("section.hands__move h3").textContent()) ?? "";
      if (shown.has(title)) {
        continue; // seen in a row before
      }
      shown.add(title);
      const steps = await panel.locator(".hands__move-steps li").count();
      for (let step = 1; step <= steps; step++) {
        const at = panel.locator(".hands__move-steps li.hands__at");
        await expect(at).toContainText(`${step} `);
        await expect(at.locator("canvas.hands__move-picture[data-painted]")).toBeVisible();
        // It is painted: yarn and needles, more than one colour on the paper.
        const colours = await at
          .locator("canvas.hands__move-picture")
          .evaluate((canvas: HTMLCanvasElement) => {
            const { data } = (canvas.getContext("2d") as CanvasRenderingContext2D).getImageData(
              0,
              0,
              canvas.width,
              canvas.height,
            );
            const seen = new Set<number>();
            for (let i = 0; i < data.length; i += 4) {
              seen.add(((data[i] ?? 0) << 16) | ((data[i + 1] ?? 0) << 8) | (data[i + 2] ?? 0));
            }
            return seen.size;
          });
        expect(colours).toBeGreaterThan(50);
        await page.keyboard.press("ArrowRight");
      }
      await expect(panel.locator(".hands__move-look")).not.toHaveText("Look");
      await expect(panel.locator(".hands__move-care")).not.toHaveText("Take care");
    }
    await page.keyboard.press("Escape");
    await expect(panel).toBeHidden();
    const before = await where(page).textContent();
    await page.keyboard.press(" ");
    await expect(where(page)).not.toHaveText(before ?? "");
    expect(words).not.toBe("");
  }
  await expect(page.locator(".knit-row__knit-where")).toContainText("toe, round 9");
  for (const needed of [
    "Magic cast-on",
    "Magic cast-on: the first round",
    "Knit through the back loop",
    "Knit front and back",
    "Magic loop",
  ]) {
    expect([...shown]).toContain(needed);
  }
});

test("where am I shows the places that are left as pictures, ringed where they differ", async ({ page }) => {
  await cast(page, "Sock lost in its heel");
  await putAt(page, "heel-12");
  await page.keyboard.press("?");
  await page.getByLabel("Double stitches at the right", { exact: true }).fill("5");
  await page.getByLabel("Double stitches at the left", { exact: true }).fill("5");
  await expect(page.getByText("Which of these looks like yours?")).toBeVisible();
  const pictures = page.locator(".fabric__where-pictures figure");
  expect(await pictures.count()).toBeGreaterThanOrEqual(2);
  expect(await pictures.count()).toBeLessThanOrEqual(4);
  await expect(pictures.first().locator("circle.fabric__fabric-marked").first()).toBeAttached();
});

test("a panel that is opened while another is being closed stays open", async ({ page }) => {
  await cast(page, "Sock with quick fingers");
  for (let i = 0; i < 12; i++) {
    await page.keyboard.press("n");
    await expect(page.locator(".knit-panel__knit-panel")).toContainText("A note at this row");
    // Both keys in one breath, as fast as a browser takes them.
    await page.evaluate(() => {
      for (const key of ["Escape", "t"]) {
        document.body.dispatchEvent(new KeyboardEvent("keydown", { key, bubbles: true }));
      }
    });
    await expect(page.getByRole("heading", { name: "I tried it on" })).toBeVisible();
    await page.keyboard.press("Escape");
    await expect(page.locator(".knit-panel__knit-panel")).toBeHidden();
  }
});
