import { readFile } from "node:fs/promises";
import { expect, type Page, test } from "@playwright/test";
import { board } from "./steps";

// The moves of the hands: all of them as small pictures, one of them moving, and taken along.

const idOf = (page: Page) => new URL(page.url()).pathname.split("/")[2];

test("the moves of a sock stand first, in the order of its work, and lead to their pictures", async ({
  page,
}) => {
  await board(page, "Observatory roof socks");
  const id = idOf(page);
  await page.goto(`/moves?sock=${id}`);
  const own = page.getByRole("region", { name: "Moves of Observatory roof socks" });
  await expect(own.getByRole("link").first()).toContainText("Magic cast-on");
  await expect(own.getByRole("link").last()).toContainText("Bind off");
  await expect(own.locator("canvas[data-painted=still]").first()).toBeVisible();
  await expect(page.getByRole("heading", { name: "Not in this sock" })).toBeVisible();
  await own.getByRole("link", { name: "Knit", exact: true }).click();
  await expect(page.getByRole("heading", { name: "Knit", exact: true })).toBeVisible();
  await page.getByRole("link", { name: "All moves" }).first().click();
  await expect(own).toBeVisible();
});

/** pixels is what a picture shows, as a text. */
const pixels = (page: Page, n: number) =>
  page
    .locator(".hands__move-steps li")
    .nth(n)
    .locator("canvas.hands__move-picture")
    .first()
    .evaluate((canvas: HTMLCanvasElement) => canvas.toDataURL());

test("a step moves from the one before it, and what it comes to is its picture", async ({ page }) => {
  await page.goto("/moves?move=k");
  const second = page.locator(".hands__move-steps li").nth(1).locator("canvas").first();
  await expect(second).toHaveAttribute("data-painted", "still");
  const still = await pixels(page, 1);
  await page.keyboard.press("ArrowRight");
  await expect(second).toHaveAttribute("data-painted", "moving");
  expect(await pixels(page, 1)).not.toBe(still);
  await expect(second).toHaveAttribute("data-painted", "still");
  expect(await pixels(page, 1)).toBe(still);
});

test.describe("with less motion", () => {
  test.use({ contextOptions: { reducedMotion: "reduce" } });
  test("nothing moves", async ({ page }) => {
    await page.goto("/moves?move=k");
    const second = page.locator(".hands__move-steps li").nth(1).locator("canvas").first();
    await expect(second).toHaveAttribute("data-painted", "still");
    const still = await pixels(page, 1);
    await page.keyboard.press("ArrowRight");
    await expect(page.locator(".hands__move-steps li").nth(1)).toHaveAttribute("aria-current", "step");
    expect(await pixels(page, 1)).toBe(still);
  });
});

test("a move is saved as pictures and as a clip that this device makes", async ({ page }) => {
  test.slow();
  await page.goto("/moves?move=join");
  const pictures = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save as pictures" }).click();
  const png = await readFile(await (await pictures).path());
  expect([...png.subarray(0, 4)]).toEqual([0x89, 0x50, 0x4e, 0x47]);
  expect(png.length).toBeGreaterThan(20_000);
  const clip = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save as a clip" }).click();
  await expect(page.getByRole("button", { name: /Filming: \d+ %/ })).toBeDisabled();
  const film = await clip;
  expect(film.suggestedFilename()).toBe("join.webm");
  const webm = await readFile(await film.path());
  expect([...webm.subarray(0, 4)]).toEqual([0x1a, 0x45, 0xdf, 0xa3]);
  expect(webm.length).toBeGreaterThan(10_000);
  await expect(page.getByRole("button", { name: "Save as a clip" })).toBeEnabled();
});

test("words and pictures are those of the hand that holds the yarn", async ({ page }) => {
  await page.goto("/moves?move=k");
  const third = page.locator(".hands__move-steps li").nth(2);
  await expect(third).toContainText("Lay the yarn round the tip");
  const thrown = await pixels(page, 2);
  await page.getByRole("radiogroup", { name: "Hand that holds the yarn" }).getByText("left").click();
  await expect(third).toContainText("Reach with the tip behind the strand");
  expect(await pixels(page, 2)).not.toBe(thrown);
});

test("practice leads back to the row, and says at once when there is no program", async ({
  page,
  context,
}) => {
  await board(page, "Observatory roof socks");
  const id = idOf(page);
  await page.goto(`/practice?lesson=increase&sock=${id}`);
  await expect(page.locator(".practice__run-picture canvas[data-painted]")).toBeVisible();
  // The row stands in large words, and the place where it is is lit.
  await expect(page.locator(".practice__lit")).toContainText("k1");
  await page.keyboard.press("k");
  await expect(page.locator(".practice__lit")).toContainText("kfb");
  await expect(page.locator(".practice__word-done").first()).toContainText("k1 ✓");
  // Only what the lesson needs is on large keys; the others stand behind one.
  await expect(page.locator(".practice__key")).toHaveCount(2);
  await page.getByRole("button", { name: "other moves" }).click();
  await expect(page.getByRole("button", { name: "hang a pin" })).toBeVisible();
  await context.setOffline(true);
  await page.keyboard.press("i");
  await expect(page.getByRole("alert")).toContainText("There is no connection to the program at home");
  await context.setOffline(false);
  await page.getByRole("link", { name: "Back to the sock" }).click();
  await expect(page).toHaveURL(new RegExp(`/socks/${id}/knit$`));
});

test("a loop that lies turned and is knitted from the front shows its crossed legs, and taken back it is as it was", async ({
  page,
}) => {
  await page.goto("/practice?lesson=set-up");
  const picture = page.locator(".practice__run-picture canvas");
  await expect(picture).toHaveAttribute("data-painted", "still");
  for (let i = 0; i < 7; i++) {
    await page.keyboard.press("k");
  }
  await expect(page.locator(".practice__lit")).toContainText("k5 tbl");
  await page.keyboard.press("k");
  const said = page.locator(".practice__run-said");
  await expect(said).toContainText("its legs cross");
  await page.keyboard.press("Backspace");
  await expect(said).not.toContainText("its legs cross");
  for (let i = 0; i < 5; i++) {
    await page.keyboard.press("x");
  }
  await expect(said).toContainText("Done");
  // One key too many changes nothing of it.
  await page.keyboard.press("x");
  await expect(said).toContainText("Done");
});
