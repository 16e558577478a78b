import { test } from "@playwright/test";

// Takes the pictures in docs/screenshots from the demo socks.
const folder = "../docs/screenshots";

test("pictures of the main views", async ({ page }) => {
  const shot = async (name: string) => {
    await page.waitForLoadState("networkidle");
    await page.screenshot({ path: `${folder}/${name}.png` });
  };
  await page.goto("/");
  await shot("basket");
  await page.getByRole("link", { name: "Observatory roof socks", exact: true }).click();
  await page.locator(".sock").waitFor();
  await shot("board");
  const board = page.url();
  await page.goto(`${board}/rows`);
  await shot("rows");
  await page.goto("/");
  await page.getByRole("link", { name: "Eclipse trip socks", exact: true }).click();
  await shot("board-half-designed");
  await page.goto(board);
  await page.locator(".sock").waitFor();
  await page.getByRole("button", { name: "Evening" }).click();
  await shot("board-evening");
  await page.getByRole("button", { name: "Day" }).click();
  await page.setViewportSize({ width: 390, height: 844 });
  await shot("board-phone");
});
