import { expect, test } from "@playwright/test";
import { basket, decide, newSock, overheard, pins, saved, typeFoot } from "./steps";

test("wrong input is named beside the field, the last good drawing stays, and nothing typed is lost", async ({
  page,
}) => {
  await newSock(page, "Sock with a slip");
  await typeFoot(page);
  await expect(pins(page).filter({ hasText: "65rounds" })).toHaveCount(1);
  await decide(page, "Foot");
  const length = page.getByLabel("Length", { exact: true });
  const cases: [string, string][] = [
    ["abc", "a length looks like 24.1 cm"],
    ["0", "8.0 cm to 35.0 cm"],
    ["-4", "read -4.0 cm"],
    ["2510 mm", "read 251.0 cm"],
  ];
  for (const [typed, says] of cases) {
    await length.fill(typed);
    await expect(page.locator("#foot-length_mm-note")).toContainText(says);
    await expect(page.getByText("the sock before the last change")).toBeVisible();
    await expect(pins(page).filter({ hasText: "65rounds" })).toHaveCount(1);
    await expect(length).toHaveValue(typed);
  }
  await page.getByLabel("Girth round the ball").fill("9");
  await expect(page.locator("#foot-ball_girth_mm-note")).toHaveText(/where the foot|./);
  await decide(page, "Swatch");
  await page.getByLabel("Stitches", { exact: true }).fill("3");
  await expect(page.locator("#gauge-stitches_per_100mm-note")).toContainText("possible is 5 to 100");
  await page.getByLabel("Rounds", { exact: true }).fill("300");
  await expect(page.locator("#gauge-rounds_per_100mm-note")).toContainText("possible is 5 to 150");
  await page.getByLabel("Rounds", { exact: true }).blur();
  await saved(page);
  await page.reload();
  await decide(page, "Foot");
  await expect(length).toHaveValue("2510 mm");
  await decide(page, "Swatch");
  await expect(page.getByLabel("Rounds", { exact: true })).toHaveValue("300 per 10 cm");
});

test("inches typed as centimetres are asked about", async ({ page }) => {
  await newSock(page, "Sock of nine");
  await typeFoot(page);
  await decide(page, "Foot");
  await page.getByLabel("Girth round the ball").fill("9");
  await expect(page.getByLabel("What to look at: Foot")).toContainText(
    "Did you mean inches instead of centimetres?",
  );
  await page.getByLabel("Girth round the ball").fill("8");
  await expect(page.locator("#foot-ball_girth_mm-note")).toContainText("did you mean 8 inches?");
});

test("an empty name is refused and the old one stays in the basket", async ({ page }) => {
  await newSock(page, "Sock with a name");
  await page.getByLabel("Name of the sock").fill("");
  await expect(page.getByRole("alert").filter({ hasText: "1 to 120 characters" })).toBeVisible();
  await expect(page.getByText("not kept", { exact: true })).toBeVisible();
  await page.getByLabel("Name of the sock").fill("Sock with a better name");
  await saved(page);
});

test("two windows on one sock: a stale save is a question, and both can be kept", async ({
  page,
  context,
}) => {
  await newSock(page, "Sock for two windows");
  await typeFoot(page);
  await saved(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await decide(other, "Leg");
  await other.getByLabel("Leg with its cuff").fill("12");
  await saved(other);

  await page.getByLabel("Leg with its cuff").fill("21");
  await expect(page.getByText("changed elsewhere")).toBeVisible();
  await expect(page.getByLabel("Leg with its cuff")).toHaveValue("21");
  await page.getByRole("button", { name: "Keep both" }).click();
  await expect(page.getByLabel("Name of the sock")).toHaveValue("Sock for two windows (mine)");
  await decide(page, "Leg");
  await expect(page.getByLabel("Leg with its cuff")).toHaveValue("21");
  await basket(page, "Sock for two windows");
  await page.getByRole("link", { name: "Sock for two windows", exact: true }).click();
  await decide(page, "Leg");
  await expect(page.getByLabel("Leg with its cuff")).toHaveValue("12");
});

test("a sock that is not there, and a page that is not there", async ({ page }) => {
  await page.goto("/socks/NOBODY");
  await expect(page.getByText("no such sock")).toBeVisible();
  await page.goto("/hats");
  await expect(page.getByText("This address leads to no page.")).toBeVisible();
});

test("without an answer from the program the board says so and goes on when it is back", async ({ page }) => {
  await overheard(page);
  await newSock(page, "Sock without a wire");
  await typeFoot(page);
  await saved(page);
  await page.route("**/api/socks/**", (route) => route.abort());
  await page.getByLabel("Wearer").fill("Oswin");
  await expect(page.getByRole("button", { name: "Try again" })).toBeVisible();
  await page.unroute("**/api/socks/**");
  await page.getByRole("button", { name: "Try again" }).click();
  await saved(page);
});
