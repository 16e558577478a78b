import { expect, type Page, test } from "@playwright/test";
import { decide, newSock, pins, saved } from "./steps";

async function count(page: Page, what: "stitches" | "rounds", n: string, width: string) {
  await page.getByLabel(`Count of ${what}`).fill(n);
  await page.getByLabel(`Width over which ${what} are counted`).fill(width);
  await page
    .locator("form")
    .filter({ has: page.getByLabel(`Count of ${what}`) })
    .getByRole("button", { name: "Add" })
    .click();
  await expect(page.getByLabel(`Count of ${what}`)).toHaveValue("");
}

test("a swatch is counted in several places, judged in words, and taken by a sock", async ({ page }) => {
  await page.goto("/swatches");
  await page.getByRole("button", { name: "New swatch" }).click();
  await page.getByLabel("Yarn", { exact: true }).click();
  await page.getByTitle("another yarn …").click();
  await page.getByLabel("Name of the yarn").fill("Aurora, hand-dyed");
  await page.getByLabel("A ball weighs").fill("heavy");
  await page.getByRole("button", { name: "To the counts" }).click();
  await expect(page.getByText("a number looks like 32")).toBeVisible();
  await page.getByLabel("A ball weighs").fill("100");
  await page.getByLabel("It measures").fill("400");
  await page.getByRole("button", { name: "To the counts" }).click();
  await expect(page.getByRole("heading", { name: /^Aurora, hand-dyed on/ })).toBeVisible();
  await expect(page.getByText("Not washed yet")).toBeVisible();

  // 16 over 5 cm, 33 over 10 cm, 31 over 10 cm: mean 32; half a stitch over the mean width leaves
  // ± 0.67, the spread ± 1.
  await count(page, "stitches", "16", "5");
  await count(page, "stitches", "33", "10");
  await page.getByLabel("Units").getByText("inches").click();
  await count(page, "stitches", "31", "10 cm");
  await page.getByLabel("Units").getByText("cm", { exact: true }).click();
  await expect(page.locator(".swatches__spread").first()).toContainText("32 stitches in 10 cm");
  await expect(page.locator(".swatches__spread").first()).toContainText("between 31 and 33");
  await expect(page.locator(".swatches__spread .swatches__dot")).toHaveCount(3);
  await count(page, "rounds", "44", "10");
  await expect(page.getByText("Rounds are counted in one place")).toBeVisible();
  await count(page, "stitches", "9", "3");
  await expect(page.getByText("less than 5 cm")).toBeVisible();
  await page.getByRole("button", { name: "Take out 9 stitches" }).click();
  await expect(page.getByText("less than 5 cm")).toHaveCount(0);

  await page.getByLabel(`Count of rounds`).fill("0");
  await page
    .locator("form")
    .filter({ has: page.getByLabel("Count of rounds") })
    .getByRole("button")
    .click();
  await expect(page.getByText("that is no knitting")).toBeVisible();

  await newSock(page, "Sock of a swatch");
  await page.getByLabel("Which swatch?").fill("Aurora");
  await page.getByTitle(/^Aurora, hand-dyed/).click();
  await page.getByLabel("Length", { exact: true }).fill("25.1");
  await page.getByLabel("Girth round the ball").fill("23.6");
  await expect(page.getByLabel("Stitches", { exact: true })).toHaveValue("32");
  await expect(pins(page).filter({ hasText: "65rounds to the heel" })).toHaveCount(1);
  await decide(page, "Yarn");
  await expect(page.getByLabel("Ball measures")).toHaveValue("400");
  await saved(page);
});

test("the next needle is reckoned from the knitter's own swatches of that yarn", async ({ page }) => {
  await page.goto("/swatches");
  await page.getByRole("link", { name: "Dusk, fine sock yarn on 2.5 mm" }).click();
  await page.getByLabel("I want").fill("34.5");
  await page.getByRole("button", { name: "Which needle?" }).click();
  // 32 on 2.5 mm and 34.5 on 2.25 mm: each mm takes 10 stitches off.
  await expect(page.getByText("Try 2.25 mm")).toBeVisible();
  await expect(page.getByText("each mm of needle takes 10.0 stitches off")).toBeVisible();
  await expect(page.getByRole("row", { name: /^2 mm/ })).toContainText("37");
  await expect(page.getByRole("row", { name: /^2.75 mm/ })).toContainText("29.5");
});

test("the sock itself stands in for a swatch; deleting one in use asks", async ({ page }) => {
  await page.goto("/swatches");
  await page.getByRole("link", { name: "Bracken, thick house yarn on 3.5 mm" }).click();
  await page.getByLabel("Knitted", { exact: true }).click();
  await page.getByTitle("the sock itself").click();
  await expect(page.getByText("the best swatch there is")).toBeVisible();
  await page.getByRole("button", { name: "Delete", exact: true }).click();
  await expect(page.locator(".ant-popconfirm")).toContainText("Used by Dome keeper's thick socks");
  await page.locator(".ant-popconfirm").getByRole("button", { name: "Delete" }).click();
  await page.getByRole("button", { name: "Undo" }).click();
  await page.getByRole("link", { name: "Bracken, thick house yarn on 3.5 mm" }).click();
  await page.getByLabel("Knitted", { exact: true }).click();
  await page.getByTitle("in the round").click();
  await expect(page.getByText("the best swatch there is")).toHaveCount(0);
});
