import { expect, type Page, test } from "@playwright/test";
import {
  board,
  cast,
  castOn,
  choose,
  decide,
  newSock,
  putAt,
  said,
  saved,
  sockID,
  typeFoot,
  where,
  written,
} from "./steps";

const note = (page: Page) => page.locator(".path__needles-note");

test("reading a sock does not cast it on, and until the first row is done its rows follow the board", async ({
  page,
}) => {
  await newSock(page, "Sock to read first", "Isolde");
  await typeFoot(page);
  await saved(page);
  await page.getByRole("button", { name: "Cast on 32…" }).click();
  await expect(page.getByText("Nothing is cast on")).toBeVisible();
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("ArrowRight");
  await expect(where(page)).toContainText("toe, round 2 of 19");
  await page.keyboard.press(" ");
  await expect(where(page)).toContainText("toe, round 2 of 19");
  await page.goto("/");
  const entry = page.locator(".basket__entry").filter({ hasText: "Sock to read first" });
  await expect(entry).toHaveCount(1);
  await expect(entry).not.toContainText("Knit on");

  await board(page, "Sock to read first");
  await castOn(page);
  await page.getByRole("link", { name: "Board", exact: true }).click();
  await choose(page, "Toe", "Garter-square toe");
  await saved(page);
  await page.getByRole("link", { name: "Knit", exact: true }).click();
  await expect(page.getByRole("button", { name: "Row done" })).toBeVisible();
  await page.keyboard.press(" ");
  await expect(where(page)).toContainText("toe, row 1 of 34");
});

test("while the foot is knitted the heel is still decided, shows its cost and is taken; the toe is locked", async ({
  page,
}) => {
  await cast(page, "Sock with a late decision");
  await putAt(page, "foot-40");
  await written(page);
  await page.getByRole("link", { name: "Board", exact: true }).click();
  await expect(note(page)).toContainText("What lies above the needle can still be decided here");
  await decide(page, "Toe");
  await expect(page.locator("label.ways__way").filter({ hasText: "Garter-square toe" })).toContainText(
    "locked: cast on, row 1 is knitted",
  );
  await expect(page.getByRole("radio", { name: /Garter-square toe/ })).toBeDisabled();
  await choose(page, "Heel", "Flap below");
  await expect(note(page)).toContainText("Decided here, not knitted by yet: kind of heel.");
  // 63.1 mm of flap instead of 51.1: 12.0 mm are 5.3 rounds of the foot.
  await expect(note(page)).toContainText("5 fewer rounds before the heel");
  await note(page).getByRole("button", { name: "Take it into the knitting" }).click();
  await expect(note(page)).toContainText("Taken: it is knitted by what stands here.");
  await page.getByRole("link", { name: "Knit", exact: true }).click();
  await expect(where(page)).toContainText("foot, round 40 of 60");

  // As long as no row of it is knitted, it is undone the same way.
  await page.getByRole("link", { name: "Board", exact: true }).click();
  await page.getByRole("button", { name: "Undo" }).first().click();
  await note(page).getByRole("button", { name: "Take it into the knitting" }).click();
  await page.getByRole("link", { name: "Knit", exact: true }).click();
  await expect(where(page)).toContainText("foot, round 40 of 65");
});

test("a figure that would change a knitted row is locked and says which; a decision may bind one sock alone", async ({
  page,
}) => {
  await cast(page, "Pair of two minds");
  await putAt(page, "leg-10");
  await putAt(page, "foot-10", 2);
  await written(page);
  await page.getByRole("link", { name: "Board", exact: true }).click();
  await decide(page, "Heel");
  await page.getByRole("textbox", { name: "Turns on each side" }).fill("10");
  await expect(note(page)).toContainText("turns on each side of the heel would change heel, row");
  await expect(note(page)).toContainText("which is knitted");
  await page.getByLabel("Which socks it binds").getByText("the second sock only").click();
  await expect(note(page)).toContainText("1 fewer turn a side");
  await note(page).getByRole("button", { name: "Take it into the knitting" }).click();
  await expect(note(page)).toContainText("Taken");
  const view = await (await page.request.get(`/api/socks/${sockID(page)}/knit`)).json();
  const heels = (rows: { section: string }[]) => rows.filter((r) => r.section === "heel").length;
  expect(heels(view.rows)).toBe(48);
  expect(heels(view.second)).toBe(44);
  await page.getByRole("link", { name: "Knit", exact: true }).click();
  await expect(where(page)).toContainText("leg, round 10");
  await page.getByLabel("Which sock").getByText("Second").click();
  await expect(where(page)).toContainText("foot, round 10");
});

for (const [loops, told] of [
  [20, "toe-1"],
  [22, "toe-4"],
  [36, "toe-4"],
  [60, "toe-1"],
] as const) {
  test(`${loops} were cast on, told before ${told}`, async ({ page }) => {
    await cast(page, `Sock from ${loops}`);
    await putAt(page, told);
    await page.getByRole("button", { name: "It went otherwise" }).click();
    const panel = page.locator(".knit-panel__knit-panel");
    await panel.getByLabel("Stitches really cast on").fill(`${loops}`);
    await panel.getByRole("button", { name: "What does it change?" }).click();
    await expect(panel.locator(".knit-panel__proposal")).toContainText(`stitches cast on: 32 → ${loops}`);
    await panel.getByRole("button", { name: "Alike", exact: true }).click();
    await expect(where(page)).toContainText(`toe, round ${told.slice(4)} of`);
    const view = await (await page.request.get(`/api/socks/${sockID(page)}/knit`)).json();
    const toe = view.rows.filter((r: { section: string }) => r.section === "toe");
    expect(toe.at(-1).stitches).toBe(68);
  });
}

test("an increase that was forgotten on one side is lifted in the next round", async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await cast(page, "Sock with a lopsided toe");
  await putAt(page, "toe-5");
  await page.getByRole("button", { name: "It went otherwise" }).click();
  const panel = page.locator(".knit-panel__knit-panel");
  await panel.getByLabel("An increase was forgotten").click();
  await page.getByTitle("needle 2, at its end").click();
  await panel.getByRole("button", { name: "What does it change?" }).click();
  await expect(panel.locator(".coming")).toContainText("needle 2 (sole): k18, m1l, k1");
  await panel.getByRole("button", { name: "Go on like that" }).click();
  await expect(page.getByRole("img", { name: "Before the row: 39 in all, right side" })).toBeVisible();
  await expect(page.locator(".knit-row__instruction")).toContainText("k18, m1l, k1");
  await expect(page.locator(".knit-row__instruction"), "the new row is seen").toBeInViewport();
  await page.getByRole("button", { name: "Row done" }).click();
  await expect(page.getByRole("img", { name: "Before the row: 40 in all, right side" })).toBeVisible();
});

test("a forgotten yarn-over is found by the loops of a yarn-over heel, with the place to look", async ({
  page,
}) => {
  await newSock(page, "Sock of yarn-overs", "Isolde");
  await typeFoot(page);
  await choose(page, "Heel", "Yarn-overs", "turned with");
  await expect(said(page, "Heel")).toContainText("yarn-overs");
  await saved(page);
  await castOn(page);
  await putAt(page, "heel-7");
  await page.getByRole("button", { name: "My count is another" }).click();
  const panel = page.locator(".knit-panel__knit-panel");
  const planned = Number(/By the plan (\d+)/.exec((await panel.textContent()) ?? "")?.[1]);
  await panel.getByLabel("I count, in all").fill(`${planned - 1}`);
  await panel.getByRole("button", { name: "Why?" }).click();
  await expect(panel.locator(".knit-panel__causes li").first()).toContainText(
    "A yarn-over after a turn was forgotten.",
  );
  await expect(panel.locator(".knit-panel__causes li").first()).toContainText(
    "Look at the start of heel, row 6",
  );
});

test("the middle of a round is found, and only looks that this sock can have are asked for", async ({
  page,
}) => {
  await cast(page, "Sock put down in mid-round");
  await page.keyboard.press("?");
  const panel = page.locator(".knit-panel__knit-panel");
  await expect(panel.getByLabel("Rounds since the toe")).toBeVisible();
  await expect(panel.getByLabel("Ridges on one face")).toHaveCount(0);
  await expect(panel.getByLabel("Chain edge stitches on one side")).toHaveCount(0);
  await panel.getByLabel("Stitches on needle 1").fill("22");
  await panel.getByLabel("Stitches on needle 2").fill("20");
  await panel.getByLabel("The yarn comes from").click();
  await page.getByTitle("between needle 1 and needle 2").click();
  await expect(panel.locator(".knit-panel__matches li").first()).toContainText("in the middle of toe 6");
  await panel.locator(".knit-panel__matches li").first().getByRole("button", { name: "I am here" }).click();
  await expect(where(page)).toContainText("toe, round 6 of 19");
  await expect(where(page)).toContainText("needle 2");
});

test("both socks at once go a round at a touch, which is remembered, and one is taken back with the other", async ({
  page,
}) => {
  await cast(page, "Pair on one needle");
  await page.getByLabel("Which sock").getByText("Both").click();
  const sock = page.locator(".knit__knit-head small");
  await expect(sock).toHaveText("both socks");
  for (const next of ["toe, round 1 of 19", "toe, round 2 of 19", "toe, round 3 of 19"]) {
    await page.keyboard.press(" ");
    await expect(where(page)).toContainText(next);
  }
  await page.keyboard.press("h");
  await expect(where(page)).toContainText("needle 2");
  await expect(sock).toHaveText("both socks");
  await page.keyboard.press("Backspace");
  await page.keyboard.press("Backspace");
  await expect(where(page)).toContainText("toe, round 2 of 19");
  await expect(sock).toHaveText("both socks");
  await expect(page.locator(".knit__knit-state")).toHaveText("written down");
  await page.reload();
  await expect(sock).toHaveText("both socks");
  // One goes ahead alone: the touch counts the one behind, until both stand alike again.
  await page.getByLabel("Which sock").getByText("First").click();
  await page.keyboard.press(" ");
  await page.getByLabel("Which sock").getByText("Both").click();
  await expect(sock).toHaveText("second sock");
  await expect(where(page)).toContainText("toe, round 2 of 19");
  await page.keyboard.press(" ");
  await expect(sock).toHaveText("both socks");
  await expect(where(page)).toContainText("toe, round 3 of 19");
});

test("the fabric looks as it lies under the yarn; a touch names what is there and says how to count it", async ({
  page,
}) => {
  await cast(page, "Sock that is looked at");
  await putAt(page, "heel-9");
  const fabric = page.getByRole("region", { name: "What it looks like now" });
  await expect(fabric.getByRole("img", { name: /right side in front/ })).toBeVisible();
  await fabric.getByRole("button", { name: "3 double stitches" }).click();
  await expect(fabric.getByRole("status")).toContainText("two legs, one stitch");
  await expect(fabric.locator(".fabric__fabric-touched")).toBeVisible();
  await fabric.getByText("turned", { exact: true }).click();
  await expect(fabric.getByRole("img", { name: /wrong side in front/ })).toBeVisible();
  expect(await fabric.locator("svg path").count()).toBeLessThan(500);
  await page.keyboard.press(" ");
  await expect(where(page)).toContainText("heel, row 9");
  await expect(fabric.getByRole("img", { name: /wrong side|right side/ })).toBeVisible();
});
