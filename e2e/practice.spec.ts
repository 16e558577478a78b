import { expect, type Page, test } from "@playwright/test";
import { board, isWhole } from "./steps";

const said = (page: Page) => page.locator(".practice__run-said");

/** settled is true once what the moves led to is drawn. */
const settled = (page: Page) => expect(page.locator('.run[aria-busy="false"]')).toBeVisible();

/** button is the button of a move, by its label. */
const button = (page: Page, label: string) =>
  page.locator(".practice__run-moves button").filter({ hasText: new RegExp(`^${label} `) });

test("a first turn is practised by keys: a slip is carried out, named, and taken back", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("link", { name: "Practice" }).click();
  await page.getByRole("link", { name: "Double stitches: out" }).click();
  await expect(page).toHaveTitle("Practice · Acorn Step");
  await expect(page.locator(".practice__run-picture canvas[data-painted]")).toBeVisible();
  // The round is done and the work is turned: the first stitch is slipped and pulled up. Here it is purled instead.
  await page.keyboard.press("s");
  await page.keyboard.press("p");
  await expect(said(page)).toContainText("The yarn was not pulled over");
  await page.keyboard.press("Backspace");
  await expect(said(page)).not.toContainText("The yarn was not pulled over");
  await page.keyboard.press("o");
  await page.keyboard.press("?");
  await expect(said(page)).toContainText("Next: yarn to the front.");
  await page.keyboard.press("f");
  await page.keyboard.press("p");
  await expect(page.locator(".practice__run-head .muted")).toContainText("row 1 of 4");
});

test.describe("with a finger", () => {
  test.use({ hasTouch: true, viewport: { width: 390, height: 844 } });
  test("a round of increases is done by touch, and three runs without a fault count as known", async ({
    page,
  }) => {
    await page.goto("/practice?lesson=increase");
    await expect(page.locator(".practice__run-picture canvas[data-painted]")).toBeVisible();
    for (const run of ["once without a fault", "twice without a fault", "✓ known"]) {
      for (const move of [
        "knit",
        "into front and back",
        "knit",
        "knit",
        "into front and back",
        "knit",
        "knit",
        "into front and back",
        "knit",
        "knit",
        "into front and back",
        "knit",
      ]) {
        await button(page, move).tap();
        await settled(page);
      }
      await expect(said(page)).toContainText(`Done without a fault: ${run}`);
      await page.getByRole("button", { name: "begin anew" }).tap();
    }
    // It belongs to the basket, not to this device: another one knows it too.
    await page.evaluate(() => localStorage.clear());
    await page.goto("/practice");
    await expect(page.getByRole("listitem").filter({ hasText: "A round of increases" })).toContainText(
      "✓ known",
    );
    const over = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect(over).toBeLessThanOrEqual(0);
  });
});

test("what was practised is known beside the usual ways, until its tick is taken out", async ({ page }) => {
  await board(page, "Observatory roof socks");
  const ways = `${page.url().split("?")[0]}/ways?by=known`;
  await page.goto(ways);
  const ticks = page.locator(".panels__known input:checked");
  await expect(ticks.first()).toBeVisible();
  const usual = await ticks.count();
  await page.goto("/practice?lesson=flap-turn");
  await expect(page.locator(".fabric__fabric-picture path").first()).toBeAttached();
  const hints: string[] = [];
  for (let run = 0; run < 4; run++) {
    for (let i = 0; !(await said(page).getByText("Done").isVisible()); i++) {
      if (run === 0) {
        // The first run learns the keys by hints, and does not count.
        await page.keyboard.press("?");
        const label = await said(page).locator("strong").textContent();
        hints.push(
          (await button(page, label ?? "")
            .locator("kbd")
            .textContent()) ?? "",
        );
      }
      await page.keyboard.press(hints[i] ?? "");
      await settled(page);
    }
    await expect(said(page)).toContainText(run === 0 ? "without a hint" : "without a fault");
    if (run < 3) {
      await page.getByRole("button", { name: "begin anew" }).click();
      await settled(page);
    }
  }
  await page.goto(ways);
  await expect(ticks).toHaveCount(usual + 1);
  await page.getByLabel("flap").first().uncheck();
  await expect(ticks).toHaveCount(usual);
  await page.reload();
  await expect(ticks).toHaveCount(usual);
});

/** The lessons, one of each kind: of casting on, of a turn, of picking up; in the proof also of a round, of a flap, of an edge. */
const kinds = [
  "cast-on",
  "out-pinned",
  "pick-up",
  ...(isWhole ? ["set-up", "corner", "flap", "flap-turn", "rib", "bind-off"] : []),
];

for (const lesson of kinds) {
  test(`the lesson ${lesson} is done by keys, as its hints say`, async ({ page }) => {
    test.slow();
    await page.goto(`/practice?lesson=${lesson}`);
    await expect(page.locator(".practice__run-picture canvas[data-painted]")).toBeVisible();
    for (let i = 0; i < 120 && (await hintedBy(page, "keys")); i++) {
      // until it is done
    }
    await expect(said(page)).toContainText("Done. Once more without a hint, and it counts.");
  });
}

test.describe("each kind with a finger", () => {
  test.use({ hasTouch: true, viewport: { width: 390, height: 844 } });
  for (const lesson of ["out-yarn_over", ...(isWhole ? ["cast-on", "bind-off"] : [])]) {
    test(`the lesson ${lesson} is done by touch`, async ({ page }) => {
      test.slow();
      await page.goto(`/practice?lesson=${lesson}`);
      await expect(page.locator(".practice__run-picture canvas[data-painted]")).toBeVisible();
      for (let i = 0; i < 120 && (await hintedBy(page, "touch")); i++) {
        // until it is done
      }
      await expect(said(page)).toContainText("Done.");
    });
  }
});

const keys: Record<string, string> = { "↑": "ArrowUp", "↓": "ArrowDown" };

/** hintedBy makes the move that the hint names, by its key or by touch; false once the lesson is done. */
async function hintedBy(page: Page, how: "keys" | "touch"): Promise<boolean> {
  if (await said(page).getByText("Done").isVisible()) {
    return false;
  }
  await button(page, "hint").click();
  const label = (await said(page).locator("strong").textContent()) ?? "";
  if (how === "touch") {
    await button(page, label).tap();
  } else {
    const key = (await button(page, label).locator("kbd").textContent()) ?? "";
    await page.keyboard.press(keys[key] ?? key);
  }
  await settled(page);
  return true;
}

test("what a sock asks for comes first, from its first cast-on to its edge", async ({ page }) => {
  await board(page, "Observatory roof socks");
  const id = new URL(page.url()).pathname.split("/")[2];
  await page.goto(`/practice?sock=${id}`);
  const asked = page.getByRole("region", { name: "What this sock asks" });
  await expect(asked.getByRole("heading")).toHaveText("What Observatory roof socks asks");
  await expect(asked.getByRole("link").first()).toHaveText("The cast-on");
  // What is known stands at the end; of the rest the edge comes last.
  const open = asked.getByRole("listitem").filter({ hasNotText: "✓ known" });
  await expect(open.last().getByRole("link")).toHaveText("Binding off");
  // No lesson of a way of turning that it does not have.
  await expect(asked.getByRole("link", { name: /Pins|Wraps/ })).toHaveCount(0);
});

test("a piece on real needles is knitted like a sock, and is none of the basket", async ({ page }) => {
  await page.goto("/");
  const all = (await (await page.request.get("/api/socks?limit=1")).json()).all;
  await page.goto("/practice");
  await page
    .getByRole("region", { name: "On real needles" })
    .getByRole("button", { name: "Pins", exact: true })
    .click();
  await expect(page.locator(".knit-row__instruction")).toContainText("cast on 12");
  await expect(page.locator(".knit-row__instruction")).toBeVisible();
  expect((await (await page.request.get("/api/socks?limit=1")).json()).all).toBe(all);
  await page.goto("/practice");
  await expect(
    page.getByRole("region", { name: "On real needles" }).getByRole("link", { name: "Practice piece: Pins" }),
  ).toBeVisible();
});

test("a row written for wraps is said for double stitches, with its reason on the needle, and back", async ({
  page,
}) => {
  await page.goto("/practice");
  const rewrite = page.getByRole("region", { name: "A turn written another way" });
  await expect(rewrite.locator(".practice__rewritten-row")).toHaveText([
    "p20, wrap the next, turn",
    "ds, p21, turn",
  ]);
  await expect(rewrite).toContainText("one stitch further");
  await expect(rewrite.locator(".hands__move-picture")).toHaveCount(2);
  await rewrite.locator("#rewrite-place").click();
  await page.getByTitle("a later row back").click();
  await expect(rewrite.locator(".practice__rewritten-row").last()).toHaveText("ds, p18, pds 2 times, turn");
  await rewrite.getByLabel("plain stitches").fill("2");
  await expect(rewrite.getByRole("alert")).toContainText("3 to 200");
});
