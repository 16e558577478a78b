import AxeBuilder from "@axe-core/playwright";
import { expect, test } from "@playwright/test";
import { lockedBy, passphrase } from "./base.config";
import { onDevice } from "./steps";

test.use({
  baseURL: async ({ baseURL }, use) => {
    const url = new URL(baseURL ?? "");
    url.port = `${Number(url.port) + lockedBy}`;
    await use(url.origin);
  },
});

test("a program that is open to the house asks for its passphrase first", async ({ page }) => {
  await page.goto("/");
  await expect(page.getByRole("heading", { name: "Whose basket is this?" })).toBeVisible();
  await expect(page.getByText("Observatory roof socks")).toHaveCount(0);
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.filter((v) => v.impact === "serious" || v.impact === "critical")).toEqual([]);

  await page.getByLabel("Passphrase", { exact: true }).fill("last light");
  await page.getByRole("button", { name: "Open the basket" }).click();
  await expect(page.getByRole("alert")).toContainText("that is not the passphrase");

  await page.getByLabel("Passphrase", { exact: true }).fill(passphrase);
  await page.getByRole("button", { name: "Open the basket" }).click();
  await expect(page.getByRole("link", { name: "Observatory roof socks", exact: true })).toBeVisible();
  await page.reload();
  await expect(page.getByRole("link", { name: "Observatory roof socks", exact: true })).toBeVisible();

  // Who is logged in is listed, and this device among them.
  await page.getByRole("link", { name: "Keeping", exact: true }).click();
  await expect(page.getByText("· this one")).toBeVisible();
  await page.getByRole("link", { name: "Basket", exact: true }).click();

  // A sock on the needles is kept on this device, until somebody logs out.
  const held = async () => (await onDevice(page, "answers")).filter((a) => a.name.includes("knit")).length;
  await page
    .locator(".basket__entry")
    .filter({ hasText: "Comet hunter's short socks" })
    .getByRole("button", { name: "To the needles" })
    .click();
  await expect(page.locator(".knit-row__knit-where")).toContainText("heel");
  await expect.poll(held).toBeGreaterThan(0);
  await page.getByRole("button", { name: "Log out" }).click();
  await expect(page.getByRole("heading", { name: "Whose basket is this?" })).toBeVisible();
  await expect.poll(held).toBe(0);
  await page.goBack();
  await expect(page.getByText("Observatory roof socks")).toHaveCount(0);
});
