import { expect, type Page, test } from "@playwright/test";
import { newSock, pins, saved, typeFoot } from "./steps";

/** choose takes a way of a decision, from under "more ways" if it has to. */
async function choose(page: Page, decision: string, way: string) {
  const group = page.getByRole("group", { name: decision, exact: true });
  const option = group.locator("label.way").filter({ hasText: way }).first();
  if (!(await option.isVisible())) {
    await group.locator("summary").click();
  }
  await option.click();
  await expect(option.getByRole("radio")).toBeChecked();
}

test("three heels, each with what it does on this foot; choosing one draws it", async ({ page }) => {
  await newSock(page, "Sock of three heels", "Marit");
  await typeFoot(page);
  // 325.7 mm over 265.1, 281.3 and 293.8 mm.
  await expect(page.getByRole("radio", { name: /Short rows.*stretches 23 %/ })).toBeAttached();
  await expect(page.getByRole("radio", { name: /Flap below.*stretches 16 %/ })).toBeAttached();
  await expect(page.getByRole("radio", { name: /Gusset first.*stretches 11 %/ })).toBeAttached();

  await page.locator("label.way").filter({ hasText: "Flap below" }).click();
  await expect(
    pins(page).filter({ hasText: "36flap rows34 heel stitches,20 left after the turn" }),
  ).toHaveCount(1);
  await expect(page.locator(".fit li").filter({ hasText: "instep" })).toContainText("16 %");
  await page.locator("label.way").filter({ hasText: "Gusset first" }).click();
  await expect(pins(page).filter({ hasText: "11turns on each side" })).toHaveCount(1);
  await saved(page);
  await page.reload();
  await expect(page.getByRole("radio", { name: /Gusset first/ })).toBeChecked();
});

test("toe, turning style, pattern and yarn are chosen and show in the rows", async ({ page }) => {
  await newSock(page, "Sock of many ways", "Oswin");
  await typeFoot(page);
  await choose(page, "Kind of toe", "Short rows");
  await expect(pins(page).filter({ hasText: "rows in the toe" })).toHaveCount(1);
  await choose(page, "Turning style", "Wrap and turn");
  await choose(page, "Pattern of the leg", "dew lace");
  await expect(page.getByLabel("What to look at")).toContainText("66 stitches instead of 68");
  await page.getByRole("checkbox", { name: "heel", exact: true }).check();
  await expect(page.locator(".row-line.contrast").first()).toBeAttached();
  await saved(page);
  await page.getByRole("link", { name: "Rows", exact: true }).click();
  await expect(page.locator("#toe-2")).toContainText("k33, wrap the next, turn");
  await expect(page.locator("#toe-2")).toContainText("First here: wrap and turn");
  await expect(page.getByText("unzip 34")).toBeVisible();
});

test("a choice that gives no sock says why and keeps the last drawing", async ({ page }) => {
  await newSock(page, "Sock with too many turns", "Pim");
  await typeFoot(page);
  await page.getByText("More about the heel").click();
  await page.locator("#heel-turns_per_side").fill("16");
  await expect(page.getByText("16 turns a side on 34 stitches leave 2 in the centre").first()).toBeVisible();
  await expect(page.locator(".sock.stale")).toBeVisible();
  await page.locator("#heel-turns_per_side").fill("12");
  await expect(
    pins(page).filter({ hasText: "12turns on each side34 heel stitches,10 in the centre" }),
  ).toHaveCount(1);
});

test("a shoe size stands in for a foot, and several counts for a gauge", async ({ page }) => {
  await newSock(page, "Sock by shoe size", "Teodor");
  await page.getByText("Only a shoe size?").click();
  await page.getByLabel("Shoe size").fill("39");
  await page.getByRole("button", { name: "Estimate" }).click();
  // 39 · 20/3 mm − 6 mm = 254 mm
  await expect(page.getByText("About 25.4 cm, ± 0.6 cm.")).toBeVisible();
  await expect(page.getByLabel("Length", { exact: true })).toHaveValue("25.4");
  await page.getByLabel("Stitches", { exact: true }).fill("31; 32; 33");
  await page.getByLabel("Rounds", { exact: true }).fill("44");
  await page.getByLabel("Rounds", { exact: true }).blur();
  await expect(page.getByLabel("Stitches", { exact: true })).toHaveValue("32");
  await page.getByLabel("Shoe size").fill("390");
  await page.getByRole("button", { name: "Estimate" }).click();
  await expect(page.getByText("EU sizes go from 15 to 54")).toBeVisible();
});
