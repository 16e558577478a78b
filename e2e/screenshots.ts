import { fileURLToPath } from "node:url";
import { test } from "@playwright/test";

// Takes the pictures in docs/screenshots from the demo socks.
const folder = fileURLToPath(new URL("../docs/screenshots", import.meta.url));

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
  for (const [name, picture] of [
    ["Transit socks", "board-gusset-turn"],
    ["Dome keeper's thick socks", "board-flap"],
    ["First frost, for the youngest", "board-short-row-toe"],
  ] as const) {
    await page.goto("/");
    await page.getByRole("link", { name, exact: true }).click();
    await page.locator(".sock").waitFor();
    await shot(picture);
  }
  await page.goto(board);
  await page.locator(".sock").waitFor();
  await page.locator(".choices").getByRole("heading", { name: /^Toe/ }).scrollIntoViewIfNeeded();
  await page.mouse.move(1000, 500);
  await page.mouse.wheel(0, 620);
  await shot("board-choices");
  await page.goto(`${board}/rows`);
  await page.getByText("Plain words").click();
  await page.locator("#heel-2").scrollIntoViewIfNeeded();
  await shot("rows-in-plain-words");
  await page.getByText("Abbreviations").click();
  await page.goto(board);
  await page.locator(".sock").waitFor();
  await page.getByRole("button", { name: "Evening" }).click();
  await shot("board-evening");
  await page.getByRole("button", { name: "Day" }).click();
  await page.setViewportSize({ width: 390, height: 844 });
  await shot("board-phone");
});
