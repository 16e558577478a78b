import { writeFile } from "node:fs/promises";
import { fileURLToPath } from "node:url";
import { test } from "@playwright/test";
import { drawSheet } from "./sheet";

// Draws the sample tracing that ships with the program.
test("the sample tracing", async ({ page }) => {
  await page.goto("/terms");
  const file = fileURLToPath(new URL("../ui/public/sample-tracing.jpg", import.meta.url));
  await writeFile(file, await drawSheet(page, true, "image/jpeg"));
});
