import { expect, test } from "@playwright/test";
import { basket, board, decide, lookFor, newSock, pins, saved, typeFoot } from "./steps";

test("the basket shows the demo socks, one of them half designed", async ({ page }) => {
  await basket(page, "Observatory roof socks");
  await expect(page.getByRole("heading", { name: "Observatory roof socks", exact: true })).toBeVisible();
  await lookFor(page, "Eclipse trip socks");
  const half = page.getByRole("listitem").filter({ hasText: "Eclipse trip socks" });
  await expect(half).toContainText("half designed");
  await half.getByRole("link", { name: "Eclipse trip socks" }).click();
  await expect(page.getByText("the rounds of the swatch")).toBeVisible();
  await expect(page.getByLabel("Girth round the ball")).toHaveValue("ask him!");
});

test("a sock is drawn while four figures are typed", async ({ page }) => {
  await newSock(page, "Sock of the night", "Isolde");
  await typeFoot(page);
  for (const text of [
    "65rounds to the heel,19.1 cm from the tip",
    "9increase rounds32 cast on → 68",
    "61leg rounds",
    "18cuff rounds",
  ]) {
    await expect(pins(page).filter({ hasText: text })).toHaveCount(1);
  }
  await expect(
    pins(page).filter({ hasText: "11turns on each side34 heel stitches,12 in the centre" }),
  ).toHaveCount(1);
  await expect(page.getByText("Every row checked")).toBeVisible();

  await decide(page, "Round");
  // 64 stitches are 200 mm on a foot of 236 mm: 15.3 % smaller.
  await expect(page.getByRole("radio", { name: /64.*15\.3 % smaller/ })).toBeVisible();
  await page.locator("label.board-counts__count").filter({ hasText: "64" }).click();
  await expect(pins(page).filter({ hasText: "32 cast on → 64" })).toHaveCount(1);
  await page.locator("label.board-counts__count").filter({ hasText: "fits the ease" }).click();
  await expect(pins(page).filter({ hasText: "32 cast on → 68" })).toHaveCount(1);

  await saved(page);
  await page.reload();
  await decide(page, "Foot");
  await expect(page.getByLabel("Length", { exact: true })).toHaveValue("25.1");
  await expect(pins(page).filter({ hasText: "65rounds to the heel" })).toHaveCount(1);
});

test("a first sock takes four figures and two choices to be cast on", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("button", { name: "New sock", exact: true }).click();
  await expect(page.getByLabel("Name of the sock")).toBeFocused();
  let figures = 0;
  for (const [label, figure] of [
    ["Length", "25.1"],
    ["Girth round the ball", "23.6"],
    ["Stitches", "32"],
    ["Rounds", "44"],
  ] as const) {
    await page.getByLabel(label, { exact: true }).fill(figure);
    figures++;
  }
  let choices = 0;
  for (const name of [/^Cast on 32…$/, /^Cast on 32$/]) {
    await page.getByRole("button", { name }).click();
    choices++;
  }
  await expect(page.getByRole("button", { name: "Row done" })).toBeVisible();
  expect([figures, choices]).toEqual([4, 2]);
});

test("the switch to inches changes every figure, and both units can be typed in either", async ({ page }) => {
  await newSock(page, "Sock in inches");
  await typeFoot(page);
  await expect(page.locator(".board__lead-figures").getByText("24.2 cm")).toBeVisible();
  await page.getByLabel("Units").getByText("inches").click();
  await decide(page, "Swatch");
  await expect(page.getByLabel("Stitches", { exact: true })).toHaveValue("32.5");
  await decide(page, "Foot");
  await expect(page.getByLabel("Length", { exact: true })).toHaveValue("9 7/8");
  await expect(page.locator(".board__lead-figures").getByText("9 1/2 in")).toBeVisible();
  await expect(pins(page).filter({ hasText: "7 1/2 in from the tip" })).toHaveCount(1);
  await expect(page.locator("main")).not.toContainText(/\d cm/);

  await page.getByLabel("Length", { exact: true }).fill("24.1 cm");
  await page.getByLabel("Girth round the ball").focus();
  await expect(page.getByLabel("Length", { exact: true })).toHaveValue("9 1/2");
  await page.getByLabel("Units").getByText("cm", { exact: true }).click();
  await page.getByLabel("Length", { exact: true }).fill('9 1/2"');
  await page.getByLabel("Length", { exact: true }).blur();
  await expect(page.getByLabel("Length", { exact: true })).toHaveValue("24.1");
});

test("rows are read by section, in abbreviations and in plain words", async ({ page }) => {
  await board(page, "Observatory roof socks");
  await page.getByRole("link", { name: "Rows", exact: true }).click();
  await expect(page.getByText("213 rows were knitted again")).toBeVisible();
  await expect(page.locator("#toe-2")).toContainText(
    "needle 1 (instep)k1, kfb, k12, kfb, k1needle 2 (sole)k1, kfb, k12, kfb, k1",
  );
  await expect(page.locator("#toe-2")).toContainText("36");
  await expect(page.locator("#foot-1")).toContainText("1–65");
  await expect(page.locator("#heel-2")).toContainText("WS");
  await expect(page.locator("#cuff-1")).toContainText("*k1, p1; rep from * to the end");
  await page.getByText("Plain words").click();
  await expect(page.locator("#toe-2")).toContainText("knit into the front and the back of the next stitch");
});

test("rename, duplicate, delete and undo", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("button", { name: "New sock", exact: true }).click();
  await page.getByLabel("Name of the sock").fill("Sock to keep");
  await page.getByLabel("Wearer").fill("Somebody forgetful");
  await saved(page);
  await basket(page, "Somebody forgetful");
  const entry = page.getByRole("listitem").filter({ hasText: "Sock to keep" });
  await page.getByRole("button", { name: "More for Sock to keep" }).click();
  await page.getByRole("menuitem", { name: "Rename" }).click();
  await page.getByLabel("New name").fill("Meteor night");
  await page.getByRole("button", { name: "Keep", exact: true }).click();
  await expect(page.getByRole("link", { name: "Meteor night", exact: true })).toBeVisible();
  await expect(entry).toHaveCount(0);

  await page.getByRole("button", { name: "More for Meteor night", exact: true }).click();
  await page.getByRole("menuitem", { name: "Duplicate" }).click();
  await expect(page.getByRole("link", { name: "Meteor night (copy)" })).toBeVisible();

  await page.getByRole("button", { name: "More for Meteor night", exact: true }).click();
  await page.getByRole("menuitem", { name: "Delete" }).click();
  await expect(page.getByText("Meteor night is out of the basket.")).toBeVisible();
  await expect(page.getByRole("link", { name: "Meteor night", exact: true })).toHaveCount(0);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("link", { name: "Meteor night", exact: true })).toBeVisible();
});
