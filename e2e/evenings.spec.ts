import { expect, type Page, test } from "@playwright/test";
import { cast, choose, isWhole, putAt, saved, sockID, where, written } from "./steps";

// Ten evenings of one pair, each with its accident, as they come: told, shown, taken, and what is knitted stays.

const panel = (page: Page) => page.locator(".knit-panel__knit-panel");
const proposal = (page: Page) => page.locator(".knit-panel__proposal");
const changes = (page: Page) => panel(page).getByRole("button", { name: "What does it change?" });
const answer = (page: Page, name: string) => panel(page).getByRole("button", { name, exact: true });
const sock = (page: Page, name: "First" | "Second" | "Both") =>
  page.getByLabel("Which sock").getByText(name).click();

/** counts are the stitches after each row of both socks, as the program has them. */
async function counts(page: Page): Promise<[number[], number[]]> {
  const view = await (await page.request.get(`/api/socks/${sockID(page)}/knit`)).json();
  const of = (rows: { stitches: number }[]) => rows.map((r) => r.stitches);
  return [of(view.rows), of(view.second ?? view.rows)];
}

/** at says for a row how many rows of its sock lie before it. */
async function at(page: Page, id: string, which = 1): Promise<number> {
  const view = await (await page.request.get(`/api/socks/${sockID(page)}/knit`)).json();
  const rows: { id: string }[] = which === 2 ? (view.second ?? view.rows) : view.rows;
  return rows.findIndex((r) => r.id === id);
}

async function otherwise(page: Page, label: string, text: string) {
  await page.getByRole("button", { name: "It went otherwise" }).click();
  await panel(page).getByLabel(label).fill(text);
  await changes(page).click();
}

for (const size of [
  { width: 390, height: 844 },
  { width: 1280, height: 800 },
].filter(({ width }) => isWhole || width === 390)) {
  test.describe(`at ${size.width} points`, () => {
    test.use({ viewport: size });
    test("ten evenings of a pair, each with its accident", async ({ page }) => {
      test.setTimeout(300_000);
      await cast(page, `Ten evenings at ${size.width}`);
      const [planned] = await counts(page);

      await test.step("1: two stitches more are cast on; the second sock is to be as planned", async () => {
        await page.getByRole("button", { name: "Row done" }).click();
        await expect(where(page)).toContainText("toe, round 1 of 19");
        await otherwise(page, "Stitches really cast on", "34");
        await expect(proposal(page)).toContainText("stitches cast on: 32 → 34");
        await answer(page, "As planned").click();
        await expect(panel(page)).toBeHidden();
        const [first, second] = await counts(page);
        expect(first[0]).toBe(34);
        expect(second).toEqual(planned);
      });

      await test.step("2: an increase is forgotten, and lifted in the next round", async () => {
        await putAt(page, "toe-5");
        const before = (await counts(page))[0];
        await page.getByRole("button", { name: "It went otherwise" }).click();
        await panel(page).getByLabel("An increase was forgotten").click();
        await page.getByTitle("needle 1, at its start").click();
        await changes(page).click();
        await expect(proposal(page)).toContainText("Every row after it is the planned one.");
        await answer(page, "Go on like that").click();
        await expect(panel(page)).toBeHidden();
        const next = await at(page, "toe-5");
        const [first, second] = await counts(page);
        expect(first[next - 1]).toBe((before[next - 1] ?? 0) - 1);
        expect(first.slice(next)).toEqual(before.slice(next));
        expect(second).toEqual(planned);
      });

      await test.step("3: tried on, it reads as it should, and nothing changes", async () => {
        await putAt(page, "foot-31");
        await page.keyboard.press("t");
        const should = page.locator("figcaption strong");
        await expect(should).toContainText("behind the tip of the toes");
        await panel(page)
          .getByLabel("From the tip of the toes to the needle")
          .fill(((await should.textContent()) ?? "").split(" ")[0] ?? "");
        await changes(page).click();
        await expect(proposal(page)).toContainText("It reads as it should");
        await page.keyboard.press("Escape");
      });

      await test.step("4: the heel begins three rounds late; the second sock is decided later", async () => {
        await putAt(page, "foot-60");
        await otherwise(page, "The heel begins later by, in rounds", "3");
        await expect(proposal(page)).toContainText("3 more rounds before the heel");
        await answer(page, "Decide later").click();
        await expect(panel(page)).toBeHidden();
        expect((await counts(page))[1]).toEqual(planned);
      });

      await test.step("5: a turn at the wrong stitch is found by what waits", async () => {
        await putAt(page, "heel-10");
        await page.getByRole("button", { name: "My count is another" }).click();
        await panel(page).getByLabel("Stitches that wait on the left").fill("5");
        await panel(page).getByLabel("Stitches between the turns").fill("25");
        await panel(page).getByLabel("Stitches that wait on the right").fill("4");
        await panel(page).getByRole("button", { name: "Which turn?" }).click();
        await expect(panel(page)).toContainText("Rip back 1 row");
        await page.keyboard.press("Escape");
      });

      await test.step("6: a leg pattern is decided when the leg has begun, from here on, for both", async () => {
        await putAt(page, "leg-12");
        const [before] = await counts(page);
        await page.goto(`/socks/${sockID(page)}`);
        const note = page.locator(".path__needles-note");
        await expect(note).toContainText("The first sock: ");
        await expect(note).toContainText("The second sock: as it stands here.");
        await choose(page, "Leg", "k2, p2 rib");
        await note.getByRole("button", { name: "Take it into the knitting" }).click();
        await expect(note).toContainText("Taken: it is knitted by what stands here.");
        await saved(page);
        await page.goto(`/socks/${sockID(page)}/knit`);
        await expect(where(page)).toContainText("leg, round 12");
        await expect(page.locator(".knit-row__instruction")).toContainText("p2");
        const until = await at(page, "leg-12");
        expect((await counts(page))[0].slice(0, until)).toEqual(before.slice(0, until));
      });

      await test.step("7: it pulls at the leg; what can be done here, and the clinician", async () => {
        await page.keyboard.press("t");
        await page.getByRole("radiogroup", { name: "leg" }).getByText("tight", { exact: true }).click();
        await changes(page).click();
        await expect(proposal(page)).toContainText("ask your clinician");
        await page.keyboard.press("Escape");
      });

      await test.step("8: the first is off; it leads to the second, which asks what was left open", async () => {
        await putAt(page, "bind_off-1");
        await page.getByRole("button", { name: "Row done" }).click();
        await page.getByRole("button", { name: "It is finished" }).click();
        await expect(page.getByText("The second sock: ")).toBeVisible();
        for (const asks of ["My count is another", "It went otherwise", "Where am I?", "I tried it on"]) {
          await expect(page.getByRole("button", { name: asks })).toHaveCount(0);
        }
        await page.getByRole("button", { name: "Cast on the second sock" }).click();
        const open = page.getByRole("status").filter({ hasText: "Still to be decided." });
        await open.getByRole("button", { name: "Alike: what would change?" }).click();
        await expect(open).toContainText("3 more rounds before the heel");
        const [first] = await counts(page);
        await open.getByRole("button", { name: "Knit it like that" }).click();
        await expect(open).toBeHidden();
        expect((await counts(page))[0], "the sock that is off is told nothing").toEqual(first);
      });

      await test.step("9: put down in mid-round, the second is found by what is seen", async () => {
        await page.keyboard.press("?");
        await panel(page).getByLabel("Stitches on needle 1").fill("22");
        await panel(page).getByLabel("Stitches on needle 2").fill("20");
        await panel(page).getByLabel("The yarn comes from").click();
        await page.getByTitle("between needle 1 and needle 2").click();
        const found = panel(page).locator(".knit-panel__matches li").first();
        await expect(found).toContainText("in the middle of toe 6");
        await found.getByRole("button", { name: "I am here" }).click();
        await expect(where(page)).toContainText("needle 2");
      });

      await test.step("10: the last step is taken back from the log; the rows that are knitted stay", async () => {
        await written(page);
        const [first] = await counts(page);
        await page.goto(`/socks/${sockID(page)}/log`);
        await page.getByRole("button", { name: "Back to the plan before" }).first().click();
        await page.getByRole("button", { name: "Go back to it" }).click();
        await expect(page.getByRole("listitem").filter({ hasText: "Back to plan" }).first()).toBeVisible();
        const [after, second] = await counts(page);
        expect(after).toEqual(first);
        expect(second.slice(0, 6)).toEqual(planned.slice(0, 6));
        expect(second.length).toBe(planned.length);
        await page.getByRole("link", { name: "to the needles" }).click();
        await sock(page, "Second");
        await expect(where(page)).toContainText("toe, round 6 of 19");
      });
    });
  });
}
