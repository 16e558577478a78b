import { expect, type Page } from "@playwright/test";

/** newSock puts a sock into the basket and stands at its board. */
export async function newSock(page: Page, name: string, wearer = ""): Promise<void> {
  await page.goto("/");
  await page.getByRole("button", { name: "New sock" }).click();
  await page.getByLabel("Name of the sock").fill(name);
  await page.getByLabel("Who will wear it?").fill(wearer);
  await page.getByRole("button", { name: "To the foot" }).click();
  await expect(page.getByRole("heading", { name: "Your sock appears here" })).toBeVisible();
}

/** typeFoot types Isolde's foot and swatch. */
export async function typeFoot(page: Page): Promise<void> {
  await page.getByLabel("Length", { exact: true }).fill("25.1");
  await page.getByLabel("Girth round the ball").fill("23.6");
  await page.getByLabel("Stitches", { exact: true }).fill("32");
  await page.getByLabel("Rounds", { exact: true }).fill("44");
  await page.getByLabel("Leg with its cuff").fill("18");
}

/** pin is the text of the drawing's pins. */
export const pins = (page: Page) => page.locator(".sock .pin");

export const saved = (page: Page) =>
  expect(page.getByRole("status").getByText("kept", { exact: true })).toBeVisible();
