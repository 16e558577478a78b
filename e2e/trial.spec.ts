import { expect, test } from "@playwright/test";
import { trialBy } from "./base.config";
import { decide } from "./steps";

// The program built with two techniques that it does not have: a toe and a
// turning style, each a file and a line. They are on the board like any other.
test.use({ baseURL: `http://127.0.0.1:${7791 + trialBy}` });

test("a technique that is new is on the board with name, picture, numbers and advice", async ({ page }) => {
  const { socks } = await (await page.request.get("/api/socks?find=Transit")).json();
  await page.goto(`/socks/${socks[0].id}`);
  await decide(page, "Toe");
  const toe = page.getByRole("group", { name: "Kind of toe" });
  const blunt = toe.locator(".ways__way", { hasText: "Blunt" });
  await toe.getByText("One more way").click();
  await expect(blunt).toContainText("increases in every round: short and square");
  await expect(blunt).toContainText("rounds ·");
  await blunt.click();
  await expect(blunt.getByRole("radio")).toBeChecked();
  await expect(page.locator("svg.drawing__sock .drawing__row-line").first()).toBeVisible();
  await expect(page.getByText("A blunt toe is short: look whether the toes have room.")).toBeVisible();
  await expect(page.locator(".drawing__sock .drawing__pin", { hasText: "increase rounds" })).toBeVisible();

  await decide(page, "Heel");
  await page.getByRole("button", { name: /^turned with/ }).click();
  const turns = page.getByRole("group", { name: "Turning style" });
  await turns.getByText(/more way/).click();
  await turns.locator(".ways__way", { hasText: "Tucked stitch" }).click();
  await expect(turns.locator(".ways__way", { hasText: "Tucked stitch" }).getByRole("radio")).toBeChecked();
  await expect(page.getByRole("status").getByText("kept", { exact: true })).toBeVisible();

  await page.goto(`/socks/${socks[0].id}/rows`);
  await expect(page.getByText("m1r").first()).toBeVisible();
  await page.goto(`/socks/${socks[0].id}/ways?by=known`);
  await expect(page.getByLabel("blunt toe")).toBeVisible();
  await expect(page.getByLabel("tucked stitches")).toBeVisible();
});
