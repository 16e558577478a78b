import { expect, type Page, test } from "@playwright/test";
import { board, newSock, sockID, typeFoot } from "./steps";

async function rowsOf(page: Page, name: string): Promise<string> {
  await board(page, name);
  const id = sockID(page);
  await page.goto(`/socks/${id}/rows`);
  return id;
}

const written = (page: Page) => page.getByLabel("How the rows are written");

test("rows are read as a knitter writes them, with their repeats, and one by one", async ({ page }) => {
  await rowsOf(page, "Observatory roof socks");
  await written(page).getByText("Repeats").click();
  const lines = page.locator(".rows__written li");
  await expect(lines.filter({ hasText: "Round 2:" }).first()).toContainText("knit to the last 2");
  await expect(lines.filter({ hasText: "times more" }).first()).toBeVisible();
  expect(await lines.count()).toBeLessThan(60);
  await written(page).getByText("Every row").click();
  await expect(page.locator("#toe-2")).toBeVisible();
});

test("charts stand on the rows, and the present row is lit while it is knitted", async ({ page }) => {
  const id = await rowsOf(page, "Comet hunter's short socks");
  await written(page).getByText("Charts").click();
  const charts = page.locator("figure.chart__chart");
  await expect(charts.filter({ hasText: "Toe" })).toBeVisible();
  await expect(charts.filter({ hasText: "Heel" }).locator(".chart__chart-legend")).toContainText(
    "double stitch",
  );
  const [file] = await Promise.all([
    page.waitForEvent("download"),
    charts.first().getByRole("button", { name: "SVG" }).click(),
  ]);
  expect(file.suggestedFilename()).toBe("toe.svg");
  await page.goto(`/socks/${id}/knit`);
  await page.getByRole("button", { name: "Chart", exact: true }).click();
  await expect(page.locator(".knit-panel__knit-panel figure.chart__chart rect[fill='#c07a3a']")).toHaveCount(
    1,
  );
});

test("the pattern and the sock are taken away as files, and come back by one", async ({ page }) => {
  const id = await rowsOf(page, "Observatory roof socks");
  await page.getByRole("button", { name: "Take it away" }).click();
  const links = page.locator(".ant-dropdown a");
  // One more where a lesson of it counts as known.
  await expect.poll(() => links.count()).toBeGreaterThanOrEqual(14);
  for (const link of await links.all()) {
    const answer = await page.request.get((await link.getAttribute("href")) ?? "");
    expect(answer.status(), (await link.textContent()) ?? "").toBe(200);
    expect(answer.headers()["content-disposition"]).toContain("observatory-roof-socks");
    expect((await answer.body()).length).toBeGreaterThan(300);
  }
  const pdf = await page.request.get(`/api/socks/${id}/files/pattern.pdf`);
  expect((await pdf.body()).subarray(0, 5).toString()).toBe("%PDF-");
  // The plan of this sock is opened as a new one: the same sock.
  for (const file of ["design.json", "plan.json"]) {
    const text = await (await page.request.get(`/api/socks/${id}/files/${file}`)).body();
    await page.goto("/");
    await page
      .getByLabel("A design, a plan or an archive")
      .setInputFiles({ name: file, mimeType: "application/json", buffer: text });
    await expect(page).toHaveURL(/\/socks\/[A-Z0-9]+$/);
    await expect(page.getByText("Every row checked")).toBeVisible();
    const again = await (await page.request.get(`/api/socks/${sockID(page)}/files/plan.json`)).json();
    const first = await (await page.request.get(`/api/socks/${id}/files/plan.json`)).json();
    expect(again.rows).toEqual(first.rows);
  }
});

test("a file that is none of ours is refused in a sentence, and leaves nothing", async ({ page }) => {
  await page.goto("/");
  // Other stories put socks into the basket meanwhile; what a file leaves is called as it is.
  const all = async () => (await (await page.request.get("/api/socks?find=file")).json()).socks.length;
  const before = await all();
  for (const [text, says] of [
    ["shopping: milk", "this is no JSON"],
    ['{"format":"scarf","version":1}', 'read "scarf"'],
    ['{"format":"acorn-step.design","version":1,"foot":{"length_mm":"long"}}', "foot.length_mm"],
    ['{"format":"acorn-step.plan","version":99,"summary":{},"rows":[]}', "a newer program wrote this plan"],
  ] as const) {
    await page
      .getByLabel("A design, a plan or an archive")
      .setInputFiles({ name: "file.json", mimeType: "application/json", buffer: Buffer.from(text) });
    await expect(page.getByRole("alert")).toContainText(says);
  }
  expect(await all()).toBe(before);
});

test("a design is let fall on the basket", async ({ page }) => {
  await newSock(page, "Sock to let fall");
  await typeFoot(page);
  await expect(page.getByText("Every row checked")).toBeVisible();
  await page.goto("/");
  await expect(page.locator(".basket__entry").first()).toBeVisible();
  const data = await page.evaluateHandle(() => {
    const transfer = new DataTransfer();
    const text = JSON.stringify({
      format: "acorn-step.design",
      version: 1,
      name: "Fallen from the roof",
      foot: { length_mm: 251, ball_girth_mm: 236 },
      gauge: { stitches_per_100mm: 32, rounds_per_100mm: 44 },
    });
    transfer.items.add(new File([text], "roof.json", { type: "application/json" }));
    return transfer;
  });
  await page.locator(".basket__file-place").dispatchEvent("drop", { dataTransfer: data });
  await expect(page.getByLabel("Name of the sock")).toHaveValue("Fallen from the roof");
});

test("an archive comes in once; one that differs lies beside it", async ({ page }) => {
  const id = await rowsOf(page, "Comet hunter's short socks");
  const zip = await (await page.request.get(`/api/socks/${id}/files/archive.zip?dates=1`)).body();
  const open = async (buffer: Buffer) => {
    await page.goto("/");
    await page
      .getByLabel("A design, a plan or an archive")
      .setInputFiles({ name: "comet.zip", mimeType: "application/zip", buffer });
  };
  await open(zip);
  await expect(page.getByRole("status").filter({ hasText: "is here already, and the same" })).toBeVisible();
  await open(zip.subarray(0, 4000));
  await expect(page.getByRole("alert")).toContainText("this is no zip");
});

test("the way to the phone is a picture made here, or the command that opens the house", async ({ page }) => {
  await board(page, "Comet hunter's short socks");
  const id = sockID(page);
  await page.goto(`/socks/${id}/knit`);
  await page.getByRole("button", { name: "On the phone" }).click();
  // This program listens to this machine alone.
  await expect(page.locator(".knit-panel__knit-panel")).toContainText("acornstep serve --listen 0.0.0.0");
  // Where the house reaches it, the answer is a pass: it is drawn here.
  await page.route("**/pass", (route) =>
    route.fulfill({
      status: 201,
      json: { url: "http://192.168.4.7:7768/pass/ONCE", minutes: 5, command: "" },
    }),
  );
  await page.reload();
  await expect(page.locator(".knit-panel__knit-panel .ant-qrcode svg")).toBeVisible();
  await expect(page.locator(".pass-url")).toHaveText("http://192.168.4.7:7768/pass/ONCE");
  await page.unrouteAll();
  // A pass that was used leads nowhere, and says so.
  await page.goto("/pass/USED");
  await page.getByRole("button", { name: "Open the sock" }).click();
  await expect(page.getByRole("alert")).toContainText("this pass was used");
});

test("a pattern is lent by a link, and taken back", async ({ page }) => {
  await rowsOf(page, "Observatory roof socks");
  await page.getByRole("button", { name: "Lend", exact: true }).click();
  await page.getByRole("button", { name: "Make a link" }).click();
  const link = (await page.locator(".pass-url").textContent()) ?? "";
  const shown = await page.request.get(link);
  expect((await shown.body()).subarray(0, 5).toString()).toBe("%PDF-");
  await page.getByRole("button", { name: "Take it back" }).first().click();
  await expect(page.locator(".rows__lent li")).toHaveCount(0);
  expect((await page.request.get(link)).status()).toBe(404);
});

test("measurements go out as a table, and come in from one, all or none", async ({ page }) => {
  await page.goto("/feet");
  await page.getByRole("link", { name: "Marit", exact: true }).click();
  const table = page.getByRole("region", { name: "Measurements as a table" });
  const [file] = await Promise.all([
    page.waitForEvent("download"),
    table.getByRole("link", { name: "Measurements as a table" }).click(),
  ]);
  expect(file.suggestedFilename()).toBe("marit-measurements.csv");
  const read = (text: string) =>
    page
      .getByLabel("A table of measurements")
      .setInputFiles({ name: "feet.csv", mimeType: "text/csv", buffer: Buffer.from(text) });
  await read("measured_on,side,what,length_mm\n2024-02-01,left,length_mm,long\n2024-02-01,left,nose_mm,20\n");
  await expect(table.getByRole("alert")).toContainText("line 2");
  await expect(table.getByRole("alert")).toContainText("line 3");
  await read("measured_on;side;what;length_mm\n2024-02-01;left;length_mm;231,5\n");
  await expect(table.getByRole("alert")).toBeHidden();
  await expect
    .poll(async () =>
      (
        await page.request.get(`/api/feet/${page.url().split("/").pop()?.split("?")[0]}/measurements.csv`)
      ).text(),
    )
    .toContain("2024-02-01,left,length_mm,231.5");
});
