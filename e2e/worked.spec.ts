import { expect, test } from "@playwright/test";
import { castOn, choose, decide, newSock, putAt, said, saved, typeFoot, where, written } from "./steps";

test("needles change at a section, and the rows say on which each stitch lies", async ({ page }) => {
  await newSock(page, "Sock on many needles");
  await typeFoot(page);
  await saved(page);
  await decide(page, "Needles");
  await page.getByText("Other needles for a section").click();
  await page.getByLabel("Needles of the heel").click();
  await page.getByTitle("Five double-pointed").click();
  await saved(page);
  await decide(page, "Yarn");
  await page.getByRole("checkbox", { name: "Stripes of whole rounds" }).check();
  await page.getByLabel("Rounds in the contrast yarn").fill("3");
  await page.getByLabel("Rounds in the contrast yarn").blur();
  await saved(page);
  await page.getByRole("link", { name: "Rows", exact: true }).click();
  // The first row of the heel is a turn: it is said with the row after it, on the heel's own needles.
  await expect(page.locator("#heel-1")).toHaveCount(0);
  await expect(page.locator("#heel-2")).toContainText("turn");
  await expect(page.locator("#heel-2")).toContainText("needle 4 (sole)ds, p16");
  await expect(page.locator("#foot-3")).toContainText("in the contrast yarn");
  await expect(page.locator("#foot-6")).toContainText("Take up the sock's own yarn");
});

test("a lone turn is worked in one breath with the row after it", async ({ page }) => {
  await newSock(page, "Sock that only turns");
  await typeFoot(page);
  await saved(page);
  await castOn(page);
  await expect(where(page)).toContainText("cast on");
  await putAt(page, "heel-1");
  await expect(where(page)).toContainText("heel, row 1 of");
  await expect(page.locator(".knit-row__instruction")).toContainText("turn");
  await expect(page.locator(".knit-row__instruction")).toContainText("ds");
  await page.keyboard.press(" ");
  await written(page);
  await expect(where(page)).toContainText("heel, row 2 of");
  await page.keyboard.press("Backspace");
  await expect(where(page)).toContainText("heel, row 1 of");
});

test("rows of a flap are said as a repeat, with every row one click away", async ({ page }) => {
  await newSock(page, "Sock with a flap");
  await typeFoot(page);
  await saved(page);
  await choose(page, "Heel", "Flap below");
  await saved(page);
  await page.getByRole("link", { name: "Rows", exact: true }).click();
  const repeat = page.getByRole("row", { name: /Rows 2 and 3, 18 times.*chain 18 of 18 on each edge/ });
  await expect(repeat).toBeVisible();
  await expect(page.locator("#heel-5")).toHaveCount(0);
  await repeat.getByRole("button", { name: "Every row" }).click();
  await expect(page.locator("#heel-5")).toContainText("sl1 wyib");
  await expect(page.locator("#heel-6")).toContainText("sl1 wyif");
});

test("toe and heel of a sock that fits are measured and typed", async ({ page }) => {
  await newSock(page, "Sock after another");
  await typeFoot(page);
  await saved(page);
  await choose(page, "To the heel", "A sock that fits", "reckoned by");
  await page.getByLabel("Taken off for the toe").fill("4.5");
  await page.getByLabel("Taken off for the heel").fill("6");
  await saved(page);
  // 242 − 45 − 60 = 137 mm at 44 rounds in 100: 60.
  await expect(said(page, "To the heel")).toContainText("60 rounds to the heel");
});
