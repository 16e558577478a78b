import { readFileSync } from "node:fs";
import { expect, type Page, test } from "@playwright/test";
import { board, cast, putAt, where } from "./steps";

test.use({ serviceWorkers: "allow" });

// What is written down beside the rows: notes, photos, pauses, the log and what leaves it.

const written = (page: Page) => expect(page.locator(".knit__knit-state")).toContainText("written down");
const logOf = (page: Page) => page.getByRole("link", { name: "Log", exact: true }).click();

async function note(page: Page, text: string, kind = "") {
  await page.keyboard.press("n");
  await page.getByLabel("A note at this row").fill(text);
  if (kind) {
    await page.getByLabel("What it is").click();
    await page.getByTitle(kind).click();
  }
  await page.locator(".knit-panel__knit-panel").getByRole("button", { name: "Keep", exact: true }).click();
  await expect(page.locator(".knit-panel__knit-panel")).toBeHidden();
}

test("the log goes into a table and a calendar, notes and all", async ({ page }) => {
  await cast(page, "Sock with a log");
  await note(page, 'clouds, then "stars"; went on');
  await page.keyboard.press(" ");
  await note(page, "forgot the yarn tail", "a mistake, and how it was mended");
  await note(page, "2.25 mm from here", "another needle");
  await written(page);
  await logOf(page);
  await expect(page.locator(".log__log-list li")).toHaveCount(3);
  await expect(page.locator(".log__log-list")).toContainText("forgot the yarn tail");

  const [table] = await Promise.all([page.waitForEvent("download"), page.getByText("Log as CSV").click()]);
  const lines = readFileSync(await table.path(), "utf8")
    .trim()
    .split("\n");
  expect(lines[0]).toBe("time,sock,section,row,what,said,grams,length_mm,plan_version,device,taken_back");
  expect(lines).toHaveLength(5);
  expect(lines[1]).toContain('"clouds, then ""stars""; went on"');
  expect(lines.filter((line) => line.includes(",mistake,"))).toHaveLength(1);

  const [dates] = await Promise.all([
    page.waitForEvent("download"),
    page.getByText("Plan for the calendar").click(),
  ]);
  const calendar = readFileSync(await dates.path(), "utf8");
  expect(calendar.match(/BEGIN:VEVENT/g)).toHaveLength(6 + 7); // the second sock is cast on, too
  expect(calendar).toContain("SUMMARY:Sock with a log: toe\\, 19 rows");
  expect(calendar).toContain("SUMMARY:Sock with a log: bind off\\, 1 row\r");
});

test("the board says that a sock is on the needles, and leads to its log", async ({ page }) => {
  await board(page, "Comet hunter's short socks");
  await expect(page.getByText("What lies above the needle can still be decided here")).toBeVisible();
  await logOf(page);
  await expect(page.getByRole("heading", { name: "Still to knit" })).toBeVisible();
  await expect(page.getByText("At this pace off the needles on")).toBeVisible();
});

test("a present asks for so many rows a day of the pair, and is kept", async ({ page }) => {
  await cast(page, "Sock for the solstice");
  await logOf(page);
  await expect(page.getByRole("heading", { name: "Still to knit" })).toBeVisible();
  const counts = await page.locator(".log__log-columns tbody tr td:nth-child(2)").allTextContents();
  const pair = counts.reduce((sum, n) => sum + Number(n), 0);
  const due = new Date(Date.now() + 9 * 86_400_000);
  const day = [due.getFullYear(), due.getMonth() + 1, due.getDate()]
    .map((n) => `${n}`.padStart(2, "0"))
    .join("-");
  const present = page.getByLabel("A present for");
  await present.fill(day);
  await expect(page.locator(".log__due")).toContainText(
    `${Math.ceil(pair / 9)} rows a day, both socks: ${pair} rows in 9 days`,
  );
  await expect(page.locator(".log__due")).toContainText("if it goes on like this");
  await expect(page.locator(".log__log-list")).toContainText("a present for");
  const [dates] = await Promise.all([
    page.waitForEvent("download"),
    page.getByText("Plan for the calendar").click(),
  ]);
  expect(readFileSync(await dates.path(), "utf8")).toContain("SUMMARY:Sock for the solstice: the present");

  await page.reload();
  await expect(present).toHaveValue(day);
  await page.getByRole("link", { name: "to the needles" }).click();
  await expect(page.locator(".knit-panel__moment").last()).toContainText(
    `${Math.ceil(pair / 9)} rows a day for the present`,
  );
  await page.goBack();
  // Typed by hand, a year passes through 0002, 0020 and 0202.
  await present.focus();
  await page.keyboard.type("01062026");
  await expect(page.locator(".log__due")).toContainText(`That day is over, and ${pair} rows`);
  await expect(page.getByText("Not written down")).toHaveCount(0);
  await present.fill("");
  await expect(page.locator(".log__due")).not.toContainText("over");
  await expect(page.locator(".log__log-list")).not.toContainText("a present");
});

test("where the second sock went otherwise is listed beside the first", async ({ page }) => {
  await cast(page, "Pair that differs");
  await putAt(page, "foot-9");
  await note(page, "one more round before the pattern");
  await putAt(page, "toe-6", 2);
  await page.getByLabel("Which sock").getByText("Second").click();
  await note(page, "an increase late", "a mistake, and how it was mended");
  await written(page);
  await logOf(page);
  const differ = page.locator(".log__differ");
  await expect(differ.getByRole("row", { name: /^foot 9/ })).toContainText(
    "one more round before the pattern",
  );
  await expect(differ.getByRole("row", { name: /^foot 9/ })).toContainText("as planned");
  await expect(differ.getByRole("row", { name: /^toe 6/ })).toContainText("an increase late");
  await expect(page.locator(".log__log-columns tbody").first()).toContainText("second sock, toe");
});

test("a photo at a row is small, and is there when the sister comes to it", async ({ page }) => {
  await cast(page, "Sock with a photo");
  const dot = await page.evaluate(() => {
    const canvas = document.createElement("canvas");
    canvas.width = 900;
    canvas.height = 600;
    const c = canvas.getContext("2d") as CanvasRenderingContext2D;
    c.fillStyle = "#55723a";
    c.fillRect(100, 100, 500, 300);
    return canvas.toDataURL("image/png").split(",")[1] ?? "";
  });
  await page.keyboard.press("n");
  await page.getByLabel("A photo").setInputFiles({
    name: "row.txt.png",
    mimeType: "image/png",
    buffer: Buffer.from("not a picture"),
  });
  await expect(page.locator(".knit-panel__knit-panel").getByRole("alert")).not.toBeEmpty();
  await page
    .getByLabel("A photo")
    .setInputFiles({ name: "row.png", mimeType: "image/png", buffer: Buffer.from(dot, "base64") });
  await expect(page.getByAltText("As it is kept")).toBeVisible();
  await page.locator(".knit-panel__knit-panel").getByRole("button", { name: "Keep", exact: true }).click();
  const picture = page.getByAltText("At this row");
  await expect(picture).toBeVisible();
  expect(await picture.evaluate((img: HTMLImageElement) => img.naturalWidth), "a preview of 320 points").toBe(
    320,
  );
  await page.keyboard.press(" ");
  await expect(picture).toBeHidden();
  await page.getByLabel("Which sock").getByText("Second").click();
  await expect(picture).toBeVisible();
  await expect(page.locator(".knit-row__knit-note").filter({ has: picture })).toContainText(
    "On the first sock",
  );
});

test("sound, buzz and rest are off at first; the hands are reminded where that is wanted", async ({
  page,
}) => {
  await page.clock.install();
  await cast(page, "Sock for sore hands");
  await page.getByRole("button", { name: "Sound, light and rest" }).click();
  for (const label of ["A sound when", "A buzz when", "Remind me every half hour"]) {
    await expect(page.getByLabel(label)).not.toBeChecked();
  }
  await expect(page.locator(".knit-panel__knit-panel")).toContainText("ask your clinician");
  await page.clock.fastForward("31:00");
  await expect(page.getByText("put them down for a moment")).toBeHidden();
  await page.getByLabel("Remind me every half hour").check();
  await page.clock.fastForward("31:00");
  await expect(page.getByText("put them down for a moment")).toBeVisible();
  await page.getByRole("button", { name: "I did" }).click();
  await expect(page.getByText("put them down for a moment")).toBeHidden();
  await page.reload();
  await page.getByRole("button", { name: "Sound, light and rest" }).click();
  await expect(page.getByLabel("Remind me every half hour"), "this browser remembers").toBeChecked();
});

test("a pause is one tap, and says so until the next row", async ({ page }) => {
  await cast(page, "Sock that is put down");
  await page.keyboard.press(" ");
  const pause = page.getByRole("button", { name: "Pause" });
  await pause.click();
  await expect(pause).toBeDisabled();
  await page.keyboard.press(" ");
  await expect(pause).toBeEnabled();
  await written(page);
  await logOf(page);
  await expect(page.locator(".log__log-list")).toContainText("a pause");
});

test("two devices without a connection tick on, and come to the same row", async ({ browser, page }) => {
  await cast(page, "Sock on two trains");
  await page.keyboard.press(" ");
  await written(page);
  const other = await browser.newContext();
  const second = await other.newPage();
  await second.goto(page.url());
  await expect(where(second)).toContainText("toe, round 1 of 19");
  await page.context().setOffline(true);
  await other.setOffline(true);
  for (let i = 0; i < 3; i++) {
    await page.keyboard.press(" ");
  }
  for (let i = 0; i < 5; i++) {
    await second.keyboard.press(" ");
  }
  await expect(where(page)).toContainText("toe, round 4 of 19");
  await expect(where(second)).toContainText("toe, round 6 of 19");
  await page.context().setOffline(false);
  await other.setOffline(false);
  await expect(page.locator(".knit__knit-state"), "the farthest row stands").toContainText("written down");
  await expect(where(page)).toContainText("toe, round 6 of 19");
  await expect(where(second)).toContainText("toe, round 6 of 19");
  await other.close();
});
