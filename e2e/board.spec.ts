import { expect, type Page, test } from "@playwright/test";
import { board, choose, decide, newSock, pins, said, saved, typeFoot } from "./steps";

const handle = (page: Page, name: string) => page.getByRole("slider", { name });

/** middleOf is where a handle can be gripped. */
async function middleOf(page: Page, name: string): Promise<[number, number]> {
  const box = await handle(page, name).locator(".drawing__grip").boundingBox();
  if (!box) {
    throw new Error(`${name} has no place`);
  }
  return [box.x + box.width / 2, box.y + box.height / 2];
}

/** mmOnScreen is how many points of the screen a millimetre of the drawing is. */
const mmOnScreen = (page: Page) =>
  page.locator("svg.drawing__sock").evaluate((svg) => (svg as SVGSVGElement).getScreenCTM()?.a ?? 0);

async function designed(page: Page, name: string) {
  await newSock(page, name, "Isolde");
  await typeFoot(page);
  await expect(pins(page).filter({ hasText: "61leg rounds" })).toHaveCount(1);
  await saved(page);
}

test("the leg is dragged by mouse and snaps to whole rounds", async ({ page }) => {
  await designed(page, "Sock to drag");
  const [x, y] = await middleOf(page, "Height of the leg");
  const mm = await mmOnScreen(page);
  await page.mouse.move(x, y);
  await page.mouse.down();
  // 20 mm at 44 rounds in 100 mm are 8.8 rounds: nine.
  await page.mouse.move(x, y - 20 * mm, { steps: 6 });
  await page.mouse.up();
  await expect(pins(page).filter({ hasText: "70leg rounds" })).toHaveCount(1);
  await expect(handle(page, "Height of the leg")).toHaveAttribute(
    "aria-valuetext",
    /^70 leg rounds, 20.0 cm$/,
  );
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(pins(page).filter({ hasText: "61leg rounds" })).toHaveCount(1);
  await page.getByRole("button", { name: "Redo" }).click();
  await expect(pins(page).filter({ hasText: "70leg rounds" })).toHaveCount(1);
});

test("heel, cuff and toe are moved by keys", async ({ page }) => {
  await designed(page, "Sock for keys");
  await handle(page, "Where the heel starts").focus();
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("ArrowRight");
  await expect(pins(page).filter({ hasText: "67rounds to the heel" })).toHaveCount(1);
  await page.keyboard.press("ArrowLeft");
  await expect(pins(page).filter({ hasText: "66rounds to the heel" })).toHaveCount(1);
  await handle(page, "Height of the cuff").focus();
  await page.keyboard.press("PageDown");
  await expect(pins(page).filter({ hasText: "23cuff rounds" })).toHaveCount(1);
  await handle(page, "Depth of the toe").focus();
  await page.keyboard.press("ArrowLeft");
  // One increase round at once: 1 + 1 + 2 · 8 = 18 rounds.
  await expect(handle(page, "Depth of the toe")).toHaveAttribute("aria-valuetext", "18 toe rounds");
  await page.keyboard.press("Control+z");
  await expect(handle(page, "Depth of the toe")).toHaveAttribute("aria-valuetext", "19 toe rounds");
});

test.describe("with a finger", () => {
  test.use({ hasTouch: true });
  test("the heel is dragged by touch", async ({ page }) => {
    await designed(page, "Sock for a finger");
    const [x, y] = await middleOf(page, "Where the heel starts");
    const mm = await mmOnScreen(page);
    const finger = await page.context().newCDPSession(page);
    const touch = (type: string, dx: number) =>
      finger.send("Input.dispatchTouchEvent", {
        type: type as "touchStart",
        touchPoints: type === "touchEnd" ? [] : [{ x: x + dx, y }],
      });
    await touch("touchStart", 0);
    // 9.1 mm back are four rounds.
    for (const share of [0.25, 0.5, 0.75, 1]) {
      await touch("touchMove", -9.1 * mm * share);
    }
    await touch("touchEnd", 0);
    await expect(pins(page).filter({ hasText: "61rounds to the heel" })).toHaveCount(1);
  });
});

test("a place of the fit shows on the sock, with its arithmetic and what would change it", async ({
  page,
}) => {
  await designed(page, "Sock that is explained");
  await page.locator(".fit__fit button").filter({ hasText: "instep" }).click();
  await expect(page).toHaveURL(/show=fit\.heel/);
  await expect(page.locator("svg.drawing__sock .drawing__place-line")).toBeVisible();
  await expect(page.locator(".working__working")).toContainText("32.57 cm ÷ 26.51 cm = 1.23: stretches 23 %");
  await expect(page.locator(".working__working")).toContainText(
    "With a flap below the heel 16 %, with a gusset first 11 %.",
  );
  await page.locator(".board__lead-figures").getByRole("button", { name: "68" }).click();
  await expect(page.locator(".working__working")).toContainText("23.6 cm × 0.90 × 3.2 = 67.97 → 68");
  await page.getByLabel("Units").getByText("inches").click();
  await expect(page.locator(".working__working")).toContainText("9.29 in × 0.90 × 8.13 = 67.97 → 68");
  await page.getByLabel("Units").getByText("cm", { exact: true }).click();
  await pins(page).filter({ hasText: "65rounds" }).locator(".number").click();
  await expect(page.locator(".working__working")).toContainText(
    "(25.1 cm − 0.9 cm − 4.32 cm − 5.11 cm) × 4.4 = 64.98 → 65",
  );
  await page.reload();
  await expect(page.locator(".working__working")).toContainText("= 64.98 → 65");
});

test("left and right are drawn beside and over each other where they differ", async ({ page }) => {
  await board(page, "Observatory roof socks");
  await page.getByText("Left and right").click();
  // The right foot is 4 mm longer, its ease as chosen for the left: 65 + 4 · 0.44 = 66.7.
  await expect(page.locator(".pair__pair-words")).toContainText("Rounds to the heel: 65 left, 67 right");
  await page.getByText("On top of each other").click();
  await expect(page.getByRole("img", { name: "The right sock drawn over the left" })).toBeVisible();
  await expect(page).toHaveURL(/pair=over/);
});

test("three heels side by side; one is kept, and can be undone", async ({ page }) => {
  await designed(page, "Sock to compare");
  await page.getByRole("link", { name: "Compare" }).click();
  const variants = page.locator(".panels__variant");
  await expect(variants).toHaveCount(3);
  await expect(variants.nth(0)).toContainText("the sock as it is");
  await expect(variants.nth(1)).toContainText("Flap below the heel");
  // 242 − 43.2 − 63.1 mm of flap, times 0.44: 59.7.
  await expect(variants.nth(1)).toContainText("rounds to the heel60");
  await expect(variants.nth(1)).toContainText("16 %");
  await expect(variants.nth(2)).toContainText("11 %");
  await page.getByLabel("Add a way").click();
  await page.getByTitle("garter-square toe").click();
  await expect(variants).toHaveCount(4);
  await expect(page.getByLabel("Add a way")).toHaveCount(0);
  await page.reload();
  await expect(variants).toHaveCount(4);
  await variants.nth(1).getByRole("button", { name: "Keep this one" }).click();
  await expect(pins(page).filter({ hasText: "36flap rows" })).toHaveCount(1);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(pins(page).filter({ hasText: "11turns on each side" })).toHaveCount(1);
});

test("the ways are ranked by what matters", async ({ page }) => {
  await designed(page, "Sock of the best way");
  await page.getByRole("link", { name: "Best ways" }).click();
  await expect(page.locator(".panels__ranking li").first()).toBeVisible();
  await page.getByText("Nothing new to learn").click();
  // The ranking before stays until the new one is there.
  await expect(async () => {
    const headings = await page.locator(".panels__ranking h3").allTextContents();
    expect(headings.length).toBeGreaterThan(0);
    for (const heading of headings) {
      expect(heading).toMatch(/^(✓ )?Short rows.*double stitches; wedge toe/);
    }
  }).toPass();
  await page.getByRole("checkbox", { name: "double stitches" }).uncheck();
  await expect(page.getByText("Nothing is left.")).toBeVisible();
  await page.getByRole("checkbox", { name: "wraps", exact: true }).check();
  await expect(page.locator(".panels__ranking h3").first()).toContainText("wraps");
  await page.getByText("Least yarn").click();
  await expect(page).toHaveURL(/by=yarn/);
  await expect(async () => {
    const lines = await page.locator(".panels__ranking li p:first-of-type").allTextContents();
    const weights = lines.map((line) => Number(line.match(/(\d+) g/)?.[1]));
    expect(weights).toEqual([...weights].sort((a, b) => a - b));
  }).toPass();
  await page.getByRole("button", { name: "Take it" }).first().click();
  await expect(page.getByRole("button", { name: "Undo" })).toBeEnabled();
});

test("what if the swatch, the tape or the ball was not quite right", async ({ page }) => {
  await designed(page, "Sock in doubt");
  await page.getByRole("link", { name: "What if" }).click();
  const row = (name: string) => page.getByRole("row", { name: new RegExp(`^${name}`) });
  // Half a stitch fewer: 68 at 31.5 are 215.9 mm, 236 over that 9 %.
  await expect(row("Stretch round the ball")).toContainText("11 %9 %9 %");
  const slider = page.getByRole("slider", { name: "the foot is longer by" });
  await slider.focus();
  for (let i = 0; i < 5; i++) {
    await page.keyboard.press("ArrowRight");
  }
  // 5 mm more foot: the same rows leave 14 mm ease; anew it is 65 + 2.2 rounds.
  await expect(row("Shorter than the foot by")).toContainText("0.9 cm1.4 cm");
  await expect(row("Rounds to the heel")).toContainText("65=67");
});

test("variants are put aside, compared, brought back; notes are kept", async ({ page }) => {
  await designed(page, "Sock with variants");
  await page.getByRole("link", { name: "Variants and notes" }).click();
  await page.getByLabel("Notes on this sock").fill("A little taller than last time.");
  await page.getByLabel("Name of the variant").fill("With short rows");
  await page.getByRole("button", { name: "Put aside" }).click();
  await expect(page.getByText("With short rows", { exact: true })).toBeVisible();
  await page.getByRole("link", { name: "Board", exact: true }).click();
  await choose(page, "Heel", "Gusset first");
  await expect(pins(page).filter({ hasText: "11turns on each side34 heel stitches,12" })).toHaveCount(1);
  await expect(page.getByRole("radio", { name: /Gusset first/ })).toBeChecked();
  await page.getByRole("link", { name: "Variants and notes" }).click();
  await page.getByRole("link", { name: "Compare" }).nth(1).click();
  await expect(page.locator(".panels__variant").nth(1)).toContainText("With short rows");
  // Addresses that somebody kept call it a version.
  await page.goto(page.url().replace("way=variant+", "way=version+"));
  await expect(page.locator(".panels__variant").nth(1)).toContainText("With short rows");
  await page.goto(`${/.*socks\/[^/?]+/.exec(page.url())?.[0]}/versions`);
  await expect(page).toHaveURL(/\/variants$/);
  await page.getByRole("link", { name: "Variants and notes" }).click();
  await page.getByRole("button", { name: "Bring it back" }).click();
  await page.getByRole("link", { name: "Board", exact: true }).click();
  await expect(said(page, "Heel")).toContainText("short rows");
  await saved(page);
  await page.reload();
  await page.getByRole("link", { name: "Variants and notes" }).click();
  await expect(page.getByLabel("Notes on this sock")).toHaveValue("A little taller than last time.");
  await page.getByRole("button", { name: "Delete With short rows" }).click();
  await expect(page.getByText("With short rows is gone.")).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).last().click();
  await expect(page.getByText("With short rows", { exact: true })).toBeVisible();
});

test("a term of the craft opens its explanation, with the UK name and a drawing", async ({ page }) => {
  await board(page, "Observatory roof socks");
  await decide(page, "Swatch");
  await page.getByRole("button", { name: "swatch", exact: true }).click();
  await expect(page.getByText("In the UK: tension square")).toBeVisible();
  await expect(page.locator(".ant-popover .terms__term-picture path").first()).toBeVisible();
  await page.getByRole("link", { name: "All terms" }).click();
  await expect(page.getByRole("heading", { name: "The words of the craft" })).toBeVisible();
  for (const picture of await page.locator(".terms__terms .terms__term-picture").all()) {
    expect(await picture.locator("*").count()).toBeGreaterThan(0);
  }
});

test("the drawing has a twin in words", async ({ page }) => {
  await designed(page, "Sock in words");
  await page.getByText("The sock in words").click();
  await expect(page.locator(".twin")).toContainText(
    "Knit 65 rounds to the heel, which starts 19.1 cm from the tip.",
  );
});
