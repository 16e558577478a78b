import { expect, test } from "@playwright/test";
import { choose, decide, newSock, pins, saved, typeFoot, way } from "./steps";

test("three heels, each with what it does on this foot; choosing one draws it", async ({ page }) => {
  await newSock(page, "Sock of three heels", "Marit");
  await typeFoot(page);
  await decide(page, "Heel");
  // 325.7 mm over 265.1, 281.3 and 293.8 mm.
  await expect(page.getByRole("radio", { name: /Short rows.*stretches 23 %/ })).toBeAttached();
  await expect(page.getByRole("radio", { name: /Flap below.*stretches 16 %/ })).toBeAttached();
  await expect(page.getByRole("radio", { name: /Gusset first.*stretches 11 %/ })).toBeAttached();

  await way(page, "Flap below").click();
  await expect(
    pins(page).filter({ hasText: "36flap rows34 heel stitches,20 left after the turn" }),
  ).toHaveCount(1);
  await expect(page.locator(".fit__fit li").filter({ hasText: "instep" })).toContainText("16 %");
  await way(page, "Gusset first").click();
  await expect(pins(page).filter({ hasText: "11turns on each side" })).toHaveCount(1);
  await saved(page);
  await page.reload();
  await decide(page, "Heel");
  await expect(page.getByRole("radio", { name: /Gusset first/ })).toBeChecked();
});

test("toe, turning style, pattern and yarn are chosen and show in the rows", async ({ page }) => {
  await newSock(page, "Sock of many ways", "Oswin");
  await typeFoot(page);
  await choose(page, "Toe", "Short-row toe");
  await expect(pins(page).filter({ hasText: "rows in the toe" })).toHaveCount(1);
  await choose(page, "Heel", "Wraps", "turned with");
  await choose(page, "Leg", "dew lace");
  await expect(page.getByLabel("What to look at: Leg")).toContainText("66 stitches instead of 68");
  await decide(page, "Yarn");
  await page.getByRole("checkbox", { name: "heel", exact: true }).check();
  await expect(page.locator(".drawing__row-line.drawing__contrast").first()).toBeAttached();
  await saved(page);
  await page.getByRole("link", { name: "Rows", exact: true }).click();
  await expect(page.locator("#toe-2")).toContainText("k33, wrap the next, turn");
  await expect(page.locator("#toe-2")).toContainText("First here: wrap and turn");
  await expect(page.getByText("unzip 34")).toBeVisible();
});

test("a choice that gives no sock says why and keeps the last drawing", async ({ page }) => {
  await newSock(page, "Sock with too many turns", "Pim");
  await typeFoot(page);
  await decide(page, "Heel");
  await page.locator("#heel-turns_per_side").fill("16");
  await expect(page.getByText("16 turns a side on 34 stitches leave 2 in the centre").first()).toBeVisible();
  await expect(page.locator(".drawing__sock.drawing__stale")).toBeVisible();
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
  // 39 · 20/3 mm − 21 mm = 239 mm
  await expect(page.getByText("About 23.9 cm, ± 0.6 cm.")).toBeVisible();
  await expect(page.getByLabel("Length", { exact: true })).toHaveValue("23.9");
  await page.getByLabel("Stitches", { exact: true }).fill("31; 32; 33");
  await page.getByLabel("Rounds", { exact: true }).fill("44");
  await page.getByLabel("Rounds", { exact: true }).blur();
  await expect(page.getByLabel("Stitches", { exact: true })).toHaveValue("32");
  await page.getByLabel("Shoe size").fill("390");
  await page.getByRole("button", { name: "Estimate" }).click();
  await expect(page.getByText("EU sizes go from 15 to 54")).toBeVisible();
});

test("touching a part of the sock opens its decision; a word opens its ways, one at a time", async ({
  page,
}) => {
  await newSock(page, "Sock that is a menu", "Yrsa");
  await typeFoot(page);
  await decide(page, "Foot");
  const touch = async (section: number) => {
    // A line of the drawing has no area for the browser to click on: it is touched where one of its rows lies.
    const at = await page
      .locator(".drawing__sock .drawing__row-line.drawing__touch")
      .nth(section)
      .evaluate((line) => {
        const path = line as SVGPathElement;
        const p = path.getPointAtLength(0.55 * path.getTotalLength());
        const on = new DOMPoint(p.x, p.y).matrixTransform(path.getScreenCTM() ?? undefined);
        return [on.x, on.y] as const;
      });
    await page.mouse.click(at[0], at[1]);
  };
  const open = page.locator(".path__step.path__open .path__step-title");
  await touch(1);
  await expect(open).toHaveText("To the heel");
  await touch(3);
  await expect(open).toHaveText("Leg");
  await decide(page, "Heel");
  await page.getByRole("button", { name: /^turned with/ }).click();
  await expect(page.getByRole("radio", { name: /^Wraps/ })).toBeAttached();
  await page.getByRole("button", { name: /^over half/ }).click();
  await expect(page.getByRole("radio", { name: /^Wraps/ })).toHaveCount(0);
  await expect(page.getByRole("radio", { name: /^60 %/ })).toBeAttached();
  await expect(page).toHaveTitle("Sock that is a menu · Acorn Step");
  await page.getByRole("link", { name: "Compare" }).click();
  await expect(page).toHaveTitle("Compare · Sock that is a menu · Acorn Step");
});
