import { expect, type Page, test } from "@playwright/test";
import { drawSheet, setMarks, truth } from "./sheet";

async function openTracing(page: Page, name: string) {
  await page.goto("/feet");
  await page.getByLabel("Name of the wearer").fill(name);
  await page.getByRole("button", { name: "Measure" }).click();
  await page.getByRole("link", { name: "Measure a tracing on the screen" }).click();
  await expect(page.getByText("Choose a photo or scan")).toBeVisible();
}

const corners = ["corner 1", "corner 2", "corner 3", "corner 4"];
const foot = ["heel", "toe", "ball 1", "ball 2", "little toe"];

/** found is a length as it is shown, in mm. */
async function found(page: Page, label: string): Promise<number> {
  const line = page.locator(".feet-marking__found-line").filter({ hasText: label });
  return Number(await line.locator(".figure").textContent()) * 10;
}

async function expectFoot(page: Page) {
  await expect(page.locator(".feet-marking__found-line")).toHaveCount(5);
  // Within 1 mm: what is shown is rounded to 1 mm.
  expect(Math.abs((await found(page, "Length")) - truth.length)).toBeLessThanOrEqual(1);
  expect(Math.abs((await found(page, "Width")) - truth.width)).toBeLessThanOrEqual(1);
  expect(Math.abs((await found(page, "Depth of the toes")) - truth.toeDepth)).toBeLessThanOrEqual(1);
  expect(Math.abs((await found(page, "Longest toe, inward")) - truth.tipInward)).toBeLessThanOrEqual(1.5);
  expect(Math.abs((await found(page, "Little toe, outward")) - truth.littleToeOutward)).toBeLessThanOrEqual(
    1.5,
  );
}

test("a scan is measured by its ruler", async ({ page }) => {
  await openTracing(page, "Ingrith");
  const buffer = await drawSheet(page, false);
  await page.locator("input[type=file]").setInputFiles({ name: "scan.png", mimeType: "image/png", buffer });
  await page.getByLabel("What gives the scale").getByText("A ruler").click();
  await page.getByLabel("The two marks are apart").fill("20");
  await setMarks(page, false, ["scale 1", "scale 2", ...foot]);
  await expectFoot(page);
  // 200 mm are 7.874 inches; what cannot be read gets a sentence.
  await page.getByLabel("The two marks are apart").fill("long");
  await expect(page.getByText("a length looks like")).toBeVisible();
  await page.getByLabel("The two marks are apart").fill("7.874 in");
  await expect(page.getByText("a length looks like")).toHaveCount(0);
  await expectFoot(page);
});

test("a photo at a slant is put right by the corners of the sheet, and its lengths flow into the foot", async ({
  page,
}) => {
  await openTracing(page, "Halvard");
  const buffer = await drawSheet(page, true, "image/jpeg");
  await page.locator("input[type=file]").setInputFiles({ name: "photo.jpg", mimeType: "image/jpeg", buffer });
  await setMarks(page, true, [...corners, ...foot]);
  await expectFoot(page);
  await page.getByRole("button", { name: "Keep these lengths" }).click();
  const length = page.locator(".feet__measures > li").filter({ hasText: "from a tracing" }).first();
  await expect(length).toContainText("25.1");
  await expect(length).toContainText("± 0.");
  // The toes of the picture have the shape of the traced ones.
  const inward = page
    .locator(".feet__measures > li")
    .filter({ has: page.getByRole("heading", { name: "Longest toe, inward" }) });
  await expect(inward).toContainText("1.1");
  await expect(inward).toContainText("from a tracing");
  await expect(page.locator(".feet__tracings img")).toBeVisible();
  await page.getByRole("button", { name: "Delete the picture" }).click();
  await expect(page.locator(".feet__tracings img")).toHaveCount(0);
  await expect(length).toContainText("25.1");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.locator(".feet__tracings img")).toBeVisible();
});

test("marks are set and moved by keys alone", async ({ page }) => {
  await openTracing(page, "Gudrun");
  await page.getByRole("button", { name: "Try the sample" }).click();
  await page.getByRole("button", { name: "Put Heel in the middle" }).click();
  const mark = page.getByRole("button", { name: "Heel: arrow keys move it" });
  await mark.focus();
  const before = await mark.getAttribute("transform");
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Shift+ArrowDown");
  const [x = 0, y = 0] = (before ?? "").match(/[\d.]+/g)?.map(Number) ?? [];
  await expect(mark).toHaveAttribute("transform", `translate(${x + 1} ${y + 10})`);
});

test("a broken, a foreign and a huge file get a sentence", async ({ page }) => {
  await openTracing(page, "Eilif");
  const file = page.locator("input[type=file]");
  const png = (rest: Buffer) => Buffer.concat([Buffer.from([0x89, 0x50, 0x4e, 0x47]), rest]);
  await file.setInputFiles({
    name: "a.png",
    mimeType: "image/png",
    buffer: Buffer.from("<svg onload=alert(1)>"),
  });
  await expect(page.getByRole("alert").first()).toContainText("no JPEG and no PNG");
  await file.setInputFiles({ name: "b.png", mimeType: "image/png", buffer: png(Buffer.alloc(3000, 7)) });
  await expect(page.getByRole("alert").first()).toContainText("damaged");
  await file.setInputFiles({
    name: "c.png",
    mimeType: "image/png",
    buffer: png(Buffer.alloc(21 * 1024 * 1024)),
  });
  await expect(page.getByRole("alert").first()).toContainText("up to 20 MB");
});

test("corners that do not go round a sheet are asked about", async ({ page }) => {
  await openTracing(page, "Ylva");
  const buffer = await drawSheet(page, true);
  await page.locator("input[type=file]").setInputFiles({ name: "photo.png", mimeType: "image/png", buffer });
  await setMarks(page, true, ["corner 1", "corner 3", "corner 2", "corner 4", "heel", "toe"]);
  await expect(page.locator(".feet-marking__measuring").getByRole("alert")).toContainText(
    "do not go round a sheet",
  );
});
