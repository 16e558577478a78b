import { expect, type Page, test } from "@playwright/test";
import { board, decide } from "./steps";

test.use({ serviceWorkers: "allow" });

async function knitting(page: Page, name: string): Promise<void> {
  await board(page, name);
  await page.goto(`${page.url()}/knit`);
  await expect(page.locator(".knit-row__instruction")).toBeVisible();
}

const move = (page: Page) => page.locator("section.hands__move");
const atHand = (page: Page) => page.locator(".hands__move-steps li.hands__at");

test("a word of the row opens its move beside it, step by step by keys, and without a connection", async ({
  page,
}) => {
  await knitting(page, "Comet hunter's short socks");
  await expect(page.locator(".knit-row__instruction .hands-beside__said").first()).toHaveText("ds");
  await page.locator(".knit-row__instruction .hands-beside__said").first().click();
  await expect(move(page)).toHaveAccessibleName(/^Double stitch/);
  await expect(page.locator(".knit-row__instruction")).toBeVisible();
  await expect(atHand(page)).toContainText("1 Work to the place");
  await page.keyboard.press("ArrowRight");
  await expect(atHand(page)).toContainText("2 ");
  await page.keyboard.press("ArrowLeft");
  await expect(atHand(page)).toContainText("1 ");
  await expect(page.locator(".hands__move-look")).toContainText("Two legs, one stitch");
  await expect(page.locator(".hands__move-care")).toContainText("one leg");
  // The moves stand in the order of the row: the double stitch, the plain ones, what comes after the turn.
  const names = page.locator(".hands__move-names button");
  await expect(names).toHaveCount(3);
  await expect(names.nth(1)).toHaveText(/Purl|Knit/);
  // On a train: the pictures are on the device.
  await page.context().setOffline(true);
  await page.reload();
  await expect(atHand(page)).toBeVisible();
  await page.context().setOffline(false);
  await page.keyboard.press("Escape");
  await expect(move(page)).toBeHidden();
  await page.keyboard.press("m");
  await expect(move(page)).toBeVisible();
});

test("yarn in the left hand and a left-handed knitter: other strands, mirrored pictures and words", async ({
  page,
}) => {
  await page.goto("/moves?move=k");
  const first = page.locator(".hands__move-steps li").first().locator("canvas").first();
  await expect(first).toHaveAttribute("data-painted", "still");
  const picture = () => first.evaluate((canvas: HTMLCanvasElement) => canvas.toDataURL());
  const thrown = await picture();
  await page.getByLabel("Hand that holds the yarn").getByText("left").click();
  await expect.poll(picture).not.toBe(thrown);
  await page.goto("/moves?move=k2tog");
  await expect(page.locator(".hands__move-look")).toContainText("leans to the right");
  await page.getByText("left-handed", { exact: true }).click();
  await expect(page.locator(".hands__move-look")).toContainText("leans to the left");
  // It is kept, and the same on every page.
  await page.goto("/moves?move=ssk");
  await expect(page.locator(".hands__move-look")).toContainText("leans to the right");
});

test("the steps play slowly, and stop at the last one", async ({ page }) => {
  await page.clock.install();
  await page.goto("/moves?move=p");
  await expect(atHand(page)).toContainText("1 ");
  await page.getByRole("button", { name: /Play slowly/ }).click();
  for (const step of ["2 ", "3 ", "4 ", "5 "]) {
    await page.clock.runFor(3_700);
    await expect(atHand(page)).toContainText(step);
  }
  await page.clock.runFor(3_700);
  await expect(page.getByRole("button", { name: /Play slowly/ })).toBeVisible();
});

test("without motion all steps stand still beside each other, and nothing plays", async ({ page }) => {
  await page.emulateMedia({ reducedMotion: "reduce" });
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto("/moves?move=co-magic");
  await expect(page.locator(".hands__move-steps li")).toHaveCount(6);
  for (const step of await page.locator(".hands__move-steps li").all()) {
    await expect(step).toBeVisible();
  }
  await expect(page.getByRole("button", { name: /Play slowly/ })).toBeHidden();
});

test("the rows, the terms and the cards of the board open the moves too", async ({ page }) => {
  await board(page, "Observatory roof socks");
  const at = page.url();
  await page.goto(`${at}/rows`);
  await page.locator("td.rows__ops .hands-beside__said", { hasText: "kfb" }).first().click();
  await expect(page.getByRole("dialog").locator("section.hands__move")).toHaveAccessibleName(
    "Knit front and back",
  );
  await page.keyboard.press("Escape");
  await expect(page.getByRole("dialog")).toBeHidden();
  await page.goto("/terms");
  await page.locator("#gusset").getByRole("button", { name: "Show me" }).click();
  await expect(page.getByRole("dialog").locator("section.hands__move")).toHaveAccessibleName(
    "A round of the gusset",
  );
  await page.goto(at);
  await decide(page, "Corners");
  await page.locator(".hands-beside__ways-show").getByRole("button").first().click();
  await expect(page.getByRole("dialog").locator("section.hands__move")).toBeVisible();
});

test.describe("on a phone", () => {
  test.use({ hasTouch: true, viewport: { width: 390, height: 844 } });
  test("one step at a time, with a thumb; Back leads to the row", async ({ page }) => {
    await knitting(page, "Comet hunter's short socks");
    await page.getByRole("button", { name: /Show me/ }).tap();
    await expect(page.locator(".hands__move-steps li:visible")).toHaveCount(1);
    await page.getByRole("button", { name: /Next step/ }).tap();
    await expect(atHand(page)).toContainText("2 ");
    await page.goBack();
    await expect(page.locator(".knit-row__instruction")).toBeVisible();
  });
});

test("all moves are listed, and each can be looked at", async ({ page }) => {
  await page.goto("/terms");
  await page.getByRole("link", { name: "Every move of the hands, step by step" }).click();
  const links = page.locator(".hands__move-group li a");
  await expect(links.first()).toBeVisible();
  expect(await links.count()).toBeGreaterThan(80);
  await page.getByRole("link", { name: "Sewn bind-off: the beginning" }).click();
  await expect(page.locator(".hands__move-steps li")).toHaveCount(4);
  await page.goto("/moves?move=nothing");
  await expect(page.getByText("Nothing of this row is new")).toBeVisible();
});
