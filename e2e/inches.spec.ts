import { expect, test } from "@playwright/test";
import { isWhole } from "./steps";

// Who reads inches reads them on every page; nobody reads the path of a field, or one of many.
const never = [
  // Needles are sold in millimetres, and what is said in both units names both.
  /(?<!on )(?<!\d in )(?<![\d.])\d[\d.]* (cm|mm|m)\b(?! \(\d)(?!, 241 mm)(?! or 9)/,
  /\b1 (rounds|rows|turns|stitches)\b/,
  /\b(foot|gauge|toe|heel|leg|cuff|corner|fit|yarn|ankle)\.[a-z]+_?[a-z]*: /,
];

test("inches are read on every page, and no path of a field", async ({ page }) => {
  test.slow();
  await page.goto("/");
  await page.getByLabel("Units").getByText("inches").click();
  const { socks } = await (await page.request.get("/api/socks")).json();
  const { id } = socks.find((s: { name: string }) => s.name === "Observatory roof socks");
  const knitted = socks.find((s: { name: string }) => s.name === "Comet hunter's short socks").id;
  const paths = [
    ...["foot", "swatch", "round", "toe", "length", "heel", "corners", "leg", "cuff", "yarn"].map(
      (at) => `/socks/${id}?at=${at}`,
    ),
    ...["what-if", "ways", "compare", "rows", "knit"].map((panel) => `/socks/${id}/${panel}`),
    ...["knit", "knit?panel=tried", "knit?panel=where", "log", "rows"].map(
      (panel) => `/socks/${knitted}/${panel}`,
    ),
  ];
  // Each load takes seconds: every other page each day, and all of them in the proof.
  for (const path of paths.filter((_, nth) => isWhole || nth % 2 === 0)) {
    await page.goto(path);
    await page.waitForLoadState("networkidle");
    await expect(page.locator(".ant-skeleton")).toHaveCount(0);
    // biome-ignore lint/performance/useDomNodeTextContent: what is read, word beside word, and not what lies hidden
    const text = await page.locator("#root").innerText();
    for (const spelling of never) {
      expect.soft(spelling.exec(text)?.[0] ?? "", path).toBe("");
    }
  }
});
