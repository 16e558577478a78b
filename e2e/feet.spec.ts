import { expect, type Page, test } from "@playwright/test";
import { basket, castOn, choose, newSock, overheard, pins, saved } from "./steps";

async function newWearer(page: Page, name: string) {
  await page.goto("/feet");
  await page.getByLabel("Name of the wearer").fill(name);
  await page.getByRole("button", { name: "Measure" }).click();
  await page.waitForURL(/\/feet\/\w+$/);
  await expect(page.getByLabel("Name of the wearer")).toHaveValue(name);
}

const row = (page: Page, what: string) =>
  page
    .locator(".feet__measures > li")
    .filter({ has: page.getByRole("heading", { name: what, exact: true }) });

async function measure(page: Page, what: string, length: string, day = "") {
  await page.getByLabel(`${what}, measured anew`).fill(length);
  if (day) {
    await page.getByLabel(`Day on which ${what.toLowerCase()} was measured`).fill(day);
  }
  await row(page, what).getByRole("button", { name: "Keep", exact: true }).click();
}

test("each foot is measured by itself, in both units, with its day, and what is missing is guessed", async ({
  page,
}) => {
  await newWearer(page, "Linnea");
  await measure(page, "Length", "24.2", "2026-11-01");
  await expect(row(page, "Length")).toContainText("24.2 cm");
  await expect(row(page, "Length")).toContainText("by tape, 2026-11-01");
  // A foot of 242 mm: the ball is guessed at 0.94 of it, the heel diagonal at 1.38 of that.
  await expect(row(page, "Girth round the ball")).toContainText("22.7");
  await expect(row(page, "Heel diagonal")).toContainText("31.4");
  await expect(row(page, "Heel diagonal")).toContainText("guessed");
  await page.getByLabel("Units").getByText("inches").click();
  await measure(page, "Girth round the ball", "9");
  await expect(row(page, "Girth round the ball")).toContainText("9 in");
  await page.getByLabel("Units").getByText("cm", { exact: true }).click();
  await expect(row(page, "Girth round the ball")).toContainText("22.9 cm");
  await page.getByText("Right foot").click();
  await expect(row(page, "Length")).toContainText("not measured");
  await expect(page).toHaveURL(/side=right/);

  for (const [typed, says] of [
    ["abc", "a length looks like"],
    ["4", "8.0 cm to 35.0 cm"],
  ] as const) {
    await page.getByLabel("Length, measured anew").fill(typed);
    await page.getByRole("button", { name: "Keep", exact: true }).click();
    await expect(row(page, "Length").getByRole("alert")).toContainText(says);
    await expect(page.getByLabel("Length, measured anew")).toHaveValue(typed);
  }
});

test("a measurement is taken out and brought back", async ({ page }) => {
  await newWearer(page, "Sunniva");
  await measure(page, "Length", "23.1", "2026-10-02");
  await measure(page, "Length", "23.6", "2026-11-02");
  await expect(row(page, "Length")).toContainText("23.6 cm");
  await row(page, "Length").getByText("Measured 2 times").click();
  await page.getByRole("button", { name: "Take out Length of 2026-11-02" }).click();
  await expect(row(page, "Length").locator(".feet__measure-now")).toContainText("23.1 cm");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(row(page, "Length").locator(".feet__measure-now")).toContainText("23.6 cm");
});

/** slow holds back every change, as a tired network does. */
const slow = (page: Page) =>
  page.route("**/api/feet/**", async (route) => {
    if (route.request().method() !== "GET") {
      await new Promise((done) => setTimeout(done, 400));
    }
    await route.continue();
  });

test("what is typed while the program still answers is kept", async ({ page }) => {
  await newWearer(page, "Ragna");
  await slow(page);
  for (const length of ["23.1", "23.1", "23.6"]) {
    await measure(page, "Length", length, "2026-11-02");
  }
  await page.getByLabel("Girth round the ball, measured anew").fill("21");
  await expect(row(page, "Length").getByText("Measured 3 times")).toBeVisible();
  await expect(row(page, "Length")).toContainText("23.6 cm");
  await expect(page.getByLabel("Girth round the ball, measured anew")).toHaveValue("21");

  const note = page.getByLabel("Notes: where socks wear through");
  await note.fill("through under the left heel");
  await page.getByRole("checkbox", { name: "Numb feet" }).click();
  await page.getByRole("checkbox", { name: "Smooth floors" }).click();
  await page.getByLabel("Name of the wearer").fill("Ragnhild");
  await page.getByLabel("Name of the wearer").press("Enter");
  await expect(page.getByRole("checkbox", { name: "Smooth floors" })).toBeChecked();
  await expect(page).toHaveTitle(/Ragnhild/);
  await page.reload();
  await expect(note).toHaveValue("through under the left heel");
  await expect(page.getByRole("checkbox", { name: "Numb feet" })).toBeChecked();
  await expect(page.getByRole("checkbox", { name: "Smooth floors" })).toBeChecked();
  await expect(page.getByLabel("Name of the wearer")).toHaveValue("Ragnhild");

  await page.getByLabel("Name of the wearer").fill("");
  await page.getByLabel("Name of the wearer").press("Enter");
  await expect(page.getByText("a name has 1 to")).toBeVisible();
});

test("the only measurement, taken out while the page is slow, can be brought back", async ({ page }) => {
  await overheard(page);
  await newWearer(page, "Solrun");
  await measure(page, "Length", "22.4", "2026-10-02");
  await expect(row(page, "Length")).toContainText("22.4 cm");
  await page.getByLabel("A growing foot, in the month of").fill("2027-01");
  // What else the page shows is told long after the measurement's own place in it is gone.
  await page.route("**/growth", async (route) => {
    await new Promise((done) => setTimeout(done, 800));
    await route.continue();
  });
  await row(page, "Length").getByText("Measured once").click();
  await page.getByRole("button", { name: "Take out Length of 2026-10-02" }).click();
  await expect(row(page, "Length")).toContainText("not measured");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(row(page, "Length").locator(".feet__measure-now")).toContainText("22.4 cm");
});

test("a growing foot has a size for a chosen month", async ({ page }) => {
  await page.goto("/feet");
  await page.getByRole("link", { name: "Pim", exact: true }).click();
  // 152, 157 and 162 mm on days 0, 147 and 301: 0.0332 mm a day, 1.01 mm a month. From 14 November to
  // 15 February are 93 days, 3.06 months: 162 + 3.1 = 165.1 mm.
  await page.getByLabel("A growing foot, in the month of").fill("2027-02");
  await expect(page.locator(".feet__growth .figure")).toHaveText("16.5");
  await expect(page.locator(".feet__growth")).toContainText("3.1 months × 1.01 mm");
  await page.getByLabel("A growing foot, in the month of").fill("2030-02");
  await expect(page.locator(".feet__growth")).toContainText("two years ahead");
});

test("what to be careful of changes the advice on the sock", async ({ page }) => {
  await newWearer(page, "Torvald");
  await page.reload(); // this page has no list of anybody yet
  await measure(page, "Length", "26.2");
  await page.getByRole("checkbox", { name: "Numb feet" }).click();
  await expect(page.getByText("not felt until they have rubbed")).toBeVisible();
  await newSock(page, "Sock for numb feet");
  await page.getByLabel("Whose foot?").fill("Torvald");
  await page.getByTitle(/^Torvald, left foot/).click();
  await page.getByLabel("Stitches", { exact: true }).fill("32");
  await page.getByLabel("Rounds", { exact: true }).fill("44");
  await expect(page.getByLabel("Length", { exact: true })).toHaveValue("26.2");
  await expect(page.getByLabel("Wearer")).toHaveValue("Torvald");
  await expect(page.getByLabel("What to look at: Foot")).toContainText("Numb feet do not feel a ridge");
  await expect(page.getByLabel("What to look at: Foot")).toContainText("ask their clinician");
  await choose(page, "Toe", "Garter-square toe");
  await expect(page.getByLabel("What to look at: Foot")).toContainText("Garter has ridges");
  await saved(page);
  // Where it is knitted it is said again: the ridges at the first row of the toe, and not before it.
  await page.goto(`${new URL(page.url()).pathname}/knit`);
  await expect(page.locator(".knit-row__instruction")).toContainText("cast on");
  await expect(page.getByRole("note")).toHaveCount(0);
  await page.getByRole("button", { name: "Next row" }).click();
  await expect(page.getByRole("note")).toContainText("Garter has ridges");
});

test("a foot that has changed is offered to the sock, and deleting it asks and can be undone", async ({
  page,
}) => {
  await newWearer(page, "Vidar");
  await measure(page, "Length", "25.1");
  await measure(page, "Girth round the ball", "23.6");
  // Whoever leaves before the program has it finds it in the field again; here it is written down first.
  await expect(row(page, "Girth round the ball")).toContainText("23.6 cm");
  const feet = page.url();
  await newSock(page, "Sock of a foot that grows");
  await page.getByLabel("Whose foot?").fill("Vidar");
  await page.getByTitle(/^Vidar, left foot/).click();
  await page.getByLabel("Stitches", { exact: true }).fill("32");
  await page.getByLabel("Rounds", { exact: true }).fill("44");
  await expect(pins(page).filter({ hasText: "65rounds to the heel" })).toHaveCount(1);
  await saved(page);
  const board = page.url();

  await page.goto(feet);
  await measure(page, "Length", "25.5");
  await expect(row(page, "Length")).toContainText("25.5 cm");
  await basket(page, "Sock of a foot that grows");
  await expect(page.getByRole("listitem").filter({ hasText: "Sock of a foot that grows" })).toContainText(
    "Vidar's foot has changed",
  );
  await page.goto(board);
  await expect(page.locator(".working__news")).toContainText("length: 0.4 cm more now, 25.5 cm");
  await expect(pins(page).filter({ hasText: "65rounds to the heel" })).toHaveCount(1);
  await page.getByRole("button", { name: "Update the sock" }).click();
  // 255 − 9 − 43.2 − 51.1 = 151.7 mm, times 0.44: 66.7.
  await expect(pins(page).filter({ hasText: "67rounds to the heel" })).toHaveCount(1);
  await expect(page.locator(".working__news")).toHaveCount(0);
  await saved(page);

  await page.goto(feet);
  await page.getByRole("button", { name: "Delete", exact: true }).click();
  await expect(page.getByText("Used by Sock of a foot that grows")).toBeVisible();
  await page.locator(".ant-popconfirm").getByRole("button", { name: "Delete" }).click();
  await expect(page.getByRole("link", { name: "Vidar", exact: true })).toHaveCount(0);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("link", { name: "Vidar", exact: true })).toBeVisible();
});

test("a list that was asked for before somebody was brought back is asked for again", async ({ page }) => {
  await newWearer(page, "Hallgerd");
  await page.reload(); // this page has no list of anybody yet
  let asked = 0;
  let gone = true;
  let backThere = () => {};
  const restored = new Promise<void>((resolve) => {
    backThere = resolve;
  });
  // The list is answered as it is while Hallgerd is gone, and the answer is long under way.
  await page.route("**/api/feet", async (route) => {
    const answer = await route.fetch();
    asked++;
    if (gone) {
      await restored;
    }
    await route.fulfill({ response: answer }).catch(() => {}); // nobody may want it any more
  });
  await page.getByRole("button", { name: "Delete", exact: true }).click();
  await expect(page.getByText("Hallgerd is deleted.")).toBeVisible();
  await expect.poll(() => asked).toBeGreaterThan(0);
  const back = page.waitForResponse("**/restore");
  await page.getByRole("button", { name: "Undo" }).click();
  await back;
  gone = false;
  backThere();
  await expect(page.getByRole("link", { name: "Hallgerd", exact: true })).toBeVisible();
});

test("the basket teaches the first sock in three steps while it is empty", async ({ page }) => {
  await page.route("**/api/socks?*", (route) => route.fulfill({ json: { socks: [], all: 0 } }));
  await page.goto("/");
  for (const step of ["Measure a foot", "Knit a swatch", "Decide the sock"]) {
    await expect(page.getByRole("link", { name: step })).toBeVisible();
  }
  await page.getByRole("link", { name: "Measure a foot" }).click();
  await expect(page.getByRole("heading", { name: "Feet" })).toBeVisible();
});

test("two feet that differ are two socks from the cast-on, with one leg", async ({ page }) => {
  await newWearer(page, "Solveig");
  await measure(page, "Length", "25.1");
  await measure(page, "Girth round the ball", "23.6");
  await page.getByText("Right foot").click();
  await measure(page, "Length", "25.5");
  await measure(page, "Girth round the ball", "25");
  await expect(row(page, "Girth round the ball")).toContainText("25.0 cm");
  await newSock(page, "Socks for two feet");
  await page.getByLabel("Whose foot?").fill("Solveig");
  await page.getByTitle(/^Solveig, left foot/).click();
  await page.getByLabel("Stitches", { exact: true }).fill("32");
  await page.getByLabel("Rounds", { exact: true }).fill("44");
  await expect(pins(page).filter({ hasText: "65rounds to the heel" })).toHaveCount(1);
  const second = page.locator("p").filter({ hasText: "The second sock" });
  await expect(second).toContainText("for a foot of 25.5 cm");
  await expect(second).toContainText("stitches round the foot 72 instead of 68");
  await expect(second).not.toContainText("leg rounds");
  // Who wants two alike has them, and can have it back.
  await page.getByRole("button", { name: "Knit two alike" }).click();
  await expect(second).toBeHidden();
  await page.getByRole("button", { name: "Each for its own foot" }).click();
  await expect(second).toBeVisible();
  await page.getByLabel("Length of the second").fill("75");
  await expect(page.getByText("a foot's length is 8.0 cm to 35.0 cm")).toBeVisible();
  await page.getByLabel("Length of the second").fill("25.5");
  await expect(second).toBeVisible();
  await saved(page);
  await castOn(page);
  await page.getByLabel("Which sock").getByText("Second").click();
  await expect(page.getByText("36", { exact: false }).first()).toBeVisible();
  await page.getByRole("link", { name: "Log", exact: true }).click();
  await expect(page.getByText("The second sock: 4 more stitches cast on")).toBeVisible();
  await expect(page.getByRole("rowheader", { name: "stitches round the foot" })).toBeVisible();
});
