import { execFileSync } from "node:child_process";
import { writeFile } from "node:fs/promises";
import { fileURLToPath } from "node:url";
import { expect, type Page, test } from "@playwright/test";
import { setMarks } from "./sheet";

// Takes the pictures in docs/screenshots from the demo.
const folder = fileURLToPath(new URL("../docs/screenshots", import.meta.url));

/** shot takes a picture as soon as what it is about is there. */
const shot = async (page: Page, name: string, about: string) => {
  // A line of the drawing has no width, so it is never visible to the browser.
  await page.locator(about).first().waitFor({ state: "attached" });
  await expect(page.locator(".ant-skeleton")).toHaveCount(0);
  await page.waitForLoadState("networkidle");
  // The panel beside the drawing follows when the hands rest.
  await page.waitForTimeout(600);
  await page.screenshot({ path: `${folder}/${name}.png` });
};

async function board(page: Page, name: string): Promise<string> {
  await page.goto("/");
  await page.getByRole("link", { name, exact: true }).click();
  await page.locator(".drawing__sock").waitFor();
  await page.mouse.move(0, 0); // nothing is pointed at
  return page.url();
}

test("pictures of the board", async ({ page }) => {
  await page.goto("/");
  await shot(page, "basket", ".drawing__strip-now");
  const url = await board(page, "Observatory roof socks");
  await shot(page, "board", ".board__choices");
  await page.goto(`${url}?show=fit.heel&at=heel`);
  await shot(page, "board-choices", ".path__step-content .ways__way");
  for (const [path, name, about] of [
    ["?look=turn", "board-turn", "canvas[data-drawn]"],
    ["/what-if", "what-if", ".figures tbody tr"],
    ["/ways", "ways", ".panels__ranking li"],
    ["/rows", "rows", ".rows__ops"],
  ] as const) {
    await page.goto(`${url}${path}`);
    await shot(page, name, about);
  }
  await page.goto("/moves?move=double-back-rs");
  await shot(page, "show-me", ".hands__move-steps canvas[data-painted=still]");
  await page.goto(`${url}?look=pull`);
  await page.locator(".drawing__sock").waitFor();
  await page.getByRole("button", { name: "Evening" }).click();
  await shot(page, "board-evening", ".pull__pull-map");
  await page.getByRole("button", { name: "Day" }).click();
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${url}?at=heel`);
  await shot(page, "board-phone", ".path__step-content .ways__way");
});

test("pictures of feet and swatches", async ({ page }) => {
  await page.goto("/feet");
  await page.getByRole("link", { name: "Pim", exact: true }).click();
  await shot(page, "foot", ".feet__growth .figure");
  await page.goto("/feet");
  await page.getByRole("link", { name: "Isolde", exact: true }).click();
  await page.getByRole("link", { name: "Measure a tracing on the screen" }).click();
  await page.getByRole("button", { name: "Try the sample" }).click();
  await expect(page.locator(".feet-marking__marked-picture image")).toBeVisible();
  await setMarks(page, true, [
    "corner 1",
    "corner 2",
    "corner 3",
    "corner 4",
    "heel",
    "toe",
    "ball 1",
    "ball 2",
  ]);
  await shot(page, "tracing", ".feet-marking__found-line");
  await page.goto("/swatches");
  await shot(page, "swatches", ".swatches__spread");
  await page.goto("/practice?lesson=heel-german");
  for (const key of ["s", "o", "f", "p", "p", "p"]) {
    await expect(page.locator('.run[aria-busy="false"]')).toBeVisible();
    await page.keyboard.press(key);
  }
  await shot(page, "practice", ".practice__run-picture canvas[data-painted=still]");
});

test("pictures of the needles", async ({ page }) => {
  const url = await board(page, "Comet hunter's short socks");
  await page.goto(`${url}/knit`);
  await page.locator(".knit-row__instruction").waitFor();
  await shot(page, "knit", ".knit-row__needle-drawing");
  await page.goto(`${url}/log`);
  await page
    .getByLabel("A present for")
    .fill(new Date(Date.now() + 30 * 86_400_000).toISOString().slice(0, 10));
  await page.getByLabel("A present for").blur();
  await shot(page, "log", ".log__due .figure");
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${url}/knit`);
  await page.locator(".knit-row__instruction").waitFor();
  await shot(page, "knit-phone", ".knit-row__needle-drawing");
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto(`${url}/knit?panel=where`);
  await page.getByLabel("Stitches on needle 1").fill("32");
  await page.getByLabel("Double stitches at the left").fill("4");
  await shot(page, "where-am-i", ".knit-panel__matches li");
});

test("the first page of a pattern on paper", async ({ page }) => {
  await board(page, "Transit socks");
  const id = new URL(page.url()).pathname.split("/")[2];
  const pdf = await (await page.request.get(`/api/socks/${id}/files/pattern.pdf?paper=a4`)).body();
  const paper = test.info().outputPath("pattern.pdf");
  await writeFile(paper, pdf);
  execFileSync("pdftoppm", [
    "-r",
    "90",
    "-png",
    "-f",
    "1",
    "-l",
    "1",
    "-singlefile",
    paper,
    `${folder}/pattern`,
  ]);
});
