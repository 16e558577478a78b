import { readFileSync } from "node:fs";
import AxeBuilder from "@axe-core/playwright";
import { expect, test } from "@playwright/test";
import { basket, newSock, saved } from "./steps";

// Safe keeping: copies, the bin. Restoring is told only: the other stories go on in the same basket.

test("a deleted sock lies in the bin, comes back, and can be removed for ever", async ({ page }) => {
  await newSock(page, "Sock for the bin");
  await saved(page);
  await basket(page, "Sock for the bin");
  const entry = page.locator(".basket__entry").filter({ hasText: "Sock for the bin" });
  await entry.getByRole("button", { name: "More for Sock for the bin" }).click();
  await page.getByRole("menuitem", { name: "Delete" }).click();
  await expect(entry).toHaveCount(0);
  await page.getByRole("link", { name: "Safe keeping" }).click();
  const lies = page.locator(".keeping__kept-list li").filter({ hasText: "Sock for the bin" });
  await expect(lies).toContainText("sock, deleted");
  await page.getByRole("button", { name: "Bring Sock for the bin back" }).click();
  await expect(lies).toHaveCount(0);
  await basket(page, "Sock for the bin");
  await entry.getByRole("button", { name: "More for Sock for the bin" }).click();
  await page.getByRole("menuitem", { name: "Delete" }).click();
  await page.goto("/keeping");
  await page.getByRole("button", { name: "Remove Sock for the bin for ever" }).click();
  await expect(page.getByText("Only copies made before still hold it.")).toBeVisible();
  await page.getByRole("tooltip").getByRole("button", { name: "Remove for ever" }).click();
  await expect(lies).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole("heading", { name: "Bin" })).toBeVisible();
  await expect(lies).toHaveCount(0);
});

test("a copy is taken away, and what it would change is said before it is put back", async ({ page }) => {
  await page.goto("/keeping");
  await expect(page.getByText("The last copy is of")).toBeVisible();
  const coming = page.waitForEvent("download");
  await page.getByRole("link", { name: "Take a copy away" }).click();
  const copy = await coming;
  expect(copy.suggestedFilename()).toMatch(/^acorn-step-\d{4}-\d{2}-\d{2}\.db$/);
  const path = await copy.path();
  expect(readFileSync(path).subarray(0, 15).toString()).toBe("SQLite format 3");
  await page.locator(".keeping__put-back input").setInputFiles(path);
  const asked = page.getByRole("dialog");
  await expect(asked).toContainText("in the copy");
  await expect(asked.getByRole("row", { name: /^socks/ })).toContainText(/socks\s*\d+\s*\d+/);
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.filter((v) => v.impact === "serious" || v.impact === "critical")).toEqual([]);
  await asked.getByRole("button", { name: "Cancel" }).click();
  await expect(asked).toHaveCount(0);
  await page.locator(".keeping__put-back input").setInputFiles({
    name: "holiday.db",
    mimeType: "application/octet-stream",
    buffer: Buffer.from("a letter"),
  });
  await expect(page.getByRole("alert")).toContainText("not a data file of Acorn Step");
});
