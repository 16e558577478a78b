import { expect, test } from "@playwright/test";
import { board, lookFor, said } from "./steps";

async function open(page: import("@playwright/test").Page, name: string) {
  await board(page, name);
  await page.getByRole("link", { name: "Rows", exact: true }).click();
}

test("the rows on paper have no buttons, and every section", async ({ page }) => {
  await open(page, "Observatory roof socks");
  await expect(page.locator("#toe-1")).toBeVisible();
  await page.emulateMedia({ media: "print" });
  await expect(page.getByRole("button", { name: "Print" })).toBeHidden();
  await expect(page.getByRole("navigation")).toBeHidden();
  for (const title of ["Cast on", "Toe", "Foot", "Heel", "Leg", "Cuff", "Bind off"]) {
    await expect(page.getByRole("heading", { name: new RegExp(`^${title}`) })).toBeVisible();
  }
});

test("beside a row that turns stands what the fingers can count", async ({ page }) => {
  await open(page, "Observatory roof socks");
  // A heel of 34: after the ninth row four double stitches lie on either side, 34 − 8 = 26 are free.
  await expect(page.locator("#heel-9")).toContainText("4 wait · 26 between · 4 wait");
  await expect(page.locator("#foot-1")).not.toContainText("held");
});

test("a flap sock has a gusset to read, with what was picked up", async ({ page }) => {
  await open(page, "Dome keeper's thick socks");
  // Marit: 48 stitches, a heel of 24; her high instep asks for 34 flap rows: 17 edge stitches and one in the corner.
  await expect(page.locator("#gusset-1")).toContainText("k14, pu17, pc1");
  await expect(page.locator("#heel-2")).toContainText("sl1 wyif, p23, turn");
  await expect(page.locator("#heel-3")).toContainText(
    "*sl1 wyib, k1; rep from * 11 times in all, sl1 wyib, k1 tbl, turn",
  );
});

test("contrast yarn and the notes of cast-on and bind-off stand beside their rows", async ({ page }) => {
  await open(page, "Transit socks");
  await expect(page.locator("#cast_on-1")).toContainText("in the contrast yarn");
  await expect(page.locator("#cast_on-1")).toContainText("Leave a tail of about");
  await expect(page.locator("#bind_off-1")).toContainText("knit them together; repeat");
  await expect(page.locator("#foot-1")).not.toContainText("contrast");
});

test("an operation is explained where it first appears", async ({ page }) => {
  await open(page, "First frost, for the youngest");
  const first = page.locator("#toe-3");
  await first.getByText("First here: yarn over (yo)").click();
  await expect(first).toContainText("forgotten right after a turn");
  await expect(page.locator("#toe-5")).not.toContainText("First here");
});

test("light and units are remembered by this browser", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("button", { name: "Evening" }).click();
  await page.getByLabel("Units").getByText("inches").click();
  await page.reload();
  await expect(page.locator("html")).toHaveAttribute("data-scheme", "dark");
  await lookFor(page, "Observatory roof socks");
  await page.getByRole("link", { name: "Observatory roof socks", exact: true }).click();
  await expect(said(page, "Foot")).toContainText("9 7/8 in long");
  await page.getByRole("button", { name: "Day" }).click();
  await expect(page.locator("html")).toHaveAttribute("data-scheme", "light");
});

test("the basket says when the program does not answer, and asks again", async ({ page }) => {
  await page.route("**/api/socks?*", (route) => route.fulfill({ status: 500, body: "{}" }));
  await page.goto("/");
  await expect(page.getByRole("alert")).toBeVisible();
  await page.unroute("**/api/socks?*");
  await page.getByRole("button", { name: "Try again" }).click();
  await lookFor(page, "Observatory roof socks");
  await expect(page.getByRole("link", { name: "Observatory roof socks", exact: true })).toBeVisible();
});

test("an empty basket teaches the first sock in three steps", async ({ page }) => {
  await page.route("**/api/socks?*", (route) => route.fulfill({ json: { socks: [], all: 0 } }));
  await page.goto("/");
  await expect(page.getByRole("heading", { name: "The basket is empty" })).toBeVisible();
  await expect(page.getByRole("listitem")).toHaveCount(3);
  await page.getByRole("button", { name: "New sock", exact: true }).click();
  await expect(page.getByRole("heading", { name: "Your sock appears here" })).toBeVisible();
  await expect(page.getByLabel("Name of the sock")).toBeFocused();
});

test("a full basket is shown in parts, and a sock is found by its name", async ({ page }) => {
  // The demo's six socks, seven times over, answered in parts as they are asked for.
  await page.route("**/api/socks?*", async (route) => {
    const asked = new URL(route.request().url()).searchParams;
    const { socks } = await (await page.request.get("/api/socks")).json();
    const many = Array.from({ length: 7 }, (_, i) =>
      socks.slice(0, 6).map((s: { name: string }) => ({
        ...s,
        id: `${i}${s.name}`,
        name: `${s.name} ${i + 1}`,
        on_needles: false,
      })),
    ).flat();
    const found = many.filter((s) => s.name.includes(asked.get("find") ?? ""));
    const from = Number(asked.get("from"));
    const part = found.slice(from, from + Number(asked.get("limit")));
    await route.fulfill({ json: { socks: part, all: found.length } });
  });
  await page.goto("/");
  await expect(page.locator(".basket__entry")).toHaveCount(30);
  await page.getByRole("button", { name: "Show 12 more of 42" }).click();
  await expect(page.locator(".basket__entry")).toHaveCount(42);
  await page.getByLabel("Find a sock or a wearer").fill("zzz");
  await expect(page.getByText("No sock and no wearer is called “zzz”.")).toBeVisible();
  await page.getByLabel("Find a sock or a wearer").fill(" 7");
  await expect(page.locator(".basket__entry")).toHaveCount(6);
});
