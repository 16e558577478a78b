import { expect, type Page, test } from "@playwright/test";
import { cast, castOn, choose, newSock, putAt, saved, typeFoot, where } from "./steps";

// It went otherwise: what really happened bends what is still to come.

const panel = (page: Page) => page.locator(".knit-panel__knit-panel");
const changes = (page: Page) => panel(page).getByRole("button", { name: "What does it change?" });
// The second sock is not begun: what happened to the first is asked for it too.
const goOn = (page: Page) => panel(page).getByRole("button", { name: "Alike", exact: true });

async function otherwise(page: Page, label: string, text: string) {
  await page.getByRole("button", { name: "It went otherwise" }).click();
  await panel(page).getByLabel(label).fill(text);
}

test("a heel begun three rounds late", async ({ page }) => {
  await cast(page, "Sock with a late heel");
  await putAt(page, "foot-60");
  await otherwise(page, "The heel begins later by, in rounds", "three");
  await expect(panel(page)).toContainText("A whole number, such as 3.");
  await expect(changes(page)).toBeDisabled();
  await panel(page).getByLabel("The heel begins later by, in rounds").fill("3");
  await changes(page).click();
  // 3 rounds at 4.4 in a centimetre are 6.8 mm.
  await expect(panel(page).locator(".knit-panel__proposal")).toContainText(
    "The foot comes out 0.7 cm longer.",
  );
  await expect(panel(page).locator(".knit-panel__proposal")).toContainText("rounds before the heel: 65 → 68");
  await goOn(page).click();
  await expect(where(page)).toContainText("foot, round 60 of 68");
});

test("two stitches more are cast on", async ({ page }) => {
  await cast(page, "Sock with a wide toe");
  await putAt(page, "toe-1");
  await otherwise(page, "Stitches really cast on", "34");
  await changes(page).click();
  await expect(panel(page).locator(".knit-panel__proposal")).toContainText("stitches cast on: 32 → 34");
  await expect(panel(page).locator(".coming")).toContainText(
    "toe, round 2: needle 1 (instep): k1, kfb, k15; needle 2 (sole): k1, kfb, k15",
  );
  await goOn(page).click();
  await expect(panel(page)).toBeHidden();
  await page.keyboard.press(" ");
  await expect(page.locator(".knit-row__instruction")).toContainText("k1, kfb, k15");
  await expect(page.getByRole("img", { name: "After the row: 36 in all, right side" })).toBeVisible();
});

test("21 and 19 are picked up along a flap", async ({ page }) => {
  await newSock(page, "Sock with a lopsided flap", "Isolde");
  await typeFoot(page);
  await choose(page, "Heel", "Flap below");
  await saved(page);
  await castOn(page);
  await expect(where(page)).toContainText("cast on");
  await putAt(page, "gusset-1");
  await otherwise(page, "Links really picked up, left and right, without the corners", "21");
  await expect(panel(page)).toContainText("Two whole numbers, such as 21, 19.");
  await panel(page).getByLabel("Links really picked up, left and right, without the corners").fill("21 19");
  await changes(page).click();
  // 20 of the turned heel, 21 and 19 with a corner each, and the instep's 34 are 96: 28 too many, two from the fuller side alone, then two a round.
  await expect(panel(page).locator(".knit-panel__proposal")).toContainText("gusset decrease rounds: 12 → 15");
  await goOn(page).click();
  await expect(panel(page)).toBeHidden();
  await expect(where(page)).toContainText("gusset");
});

test("a forgotten increase is found by the count", async ({ page }) => {
  await cast(page, "Sock with a forgotten increase");
  await putAt(page, "toe-8");
  await page.getByRole("button", { name: "My count is another" }).click();
  // Four increases in rounds 2, 4 and 6: 32 + 12.
  await expect(panel(page)).toContainText("By the plan 44 stitches lie on the needles before this row.");
  await panel(page).getByLabel("I count, in all").fill("40");
  await panel(page).getByRole("button", { name: "Why?" }).click();
  await expect(panel(page).locator(".knit-panel__causes")).toContainText(
    "The last increase round was knitted plain. Increase in the next round instead",
  );
  await expect(panel(page).locator(".knit-panel__causes")).toContainText("Or rip back to toe, round 6.");
});

test("a turn at the wrong stitch is found by what waits, and a turn more is gone on with", async ({
  page,
}) => {
  await cast(page, "Sock with a turn too many");
  await putAt(page, "heel-10");
  await page.getByRole("button", { name: "My count is another" }).click();
  await expect(panel(page)).toContainText("4 on the left, 26 between the turns, 4 on the right");
  await panel(page).getByLabel("Stitches that wait on the left").fill("5");
  await panel(page).getByLabel("Stitches between the turns").fill("25");
  await panel(page).getByLabel("Stitches that wait on the right").fill("5");
  await panel(page).getByRole("button", { name: "Which turn?" }).click();
  await expect(panel(page).getByRole("alert")).toContainText("35 in all; 34 lie here");
  await panel(page).getByLabel("Stitches that wait on the right").fill("4");
  await panel(page).getByRole("button", { name: "Which turn?" }).click();
  await expect(panel(page)).toContainText("On the left 1 stitch too many waits");
  await expect(panel(page)).toContainText("Rip back 1 row (27 stitches)");
  // The counts of one row on: the sock is put there, and nothing is ripped.
  await panel(page).getByLabel("Stitches between the turns").fill("25");
  await panel(page).getByRole("button", { name: "Put it there" }).first().click();
  await expect(where(page)).toContainText("heel, row 10 of");
  await page.keyboard.press("Backspace");
  await expect(where(page)).toContainText("heel, row 9 of");
  await otherwise(page, "Turns of the heel, on each side", "12");
  await changes(page).click();
  await expect(panel(page).locator(".knit-panel__proposal")).toContainText("turns a side: 11 → 12");
  await panel(page).getByRole("button", { name: "As planned", exact: true }).click();
  await expect(where(page)).toContainText("heel, row 9 of 51");
});
