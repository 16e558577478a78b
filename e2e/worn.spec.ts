import { createHash } from "node:crypto";
import AxeBuilder from "@axe-core/playwright";
import { expect, test } from "@playwright/test";
import { board, cast, choose, decide, newSock, said, typeFoot } from "./steps";

test("where the sock pulls is told by colour, line and word; a touch says how far, and what eases it most", async ({
  page,
}) => {
  await board(page, "Observatory roof socks");
  await page.getByText("Where it pulls", { exact: true }).click();
  await expect(page).toHaveURL(/look=pull/);
  const note = page.getByRole("region", { name: "Where it pulls" });
  await expect(note.getByText("tight: more than the fabric likes")).toBeVisible();
  // The shares of the four words are the whole sock.
  const shares = await note.locator(".pull__pull-legend strong").allTextContents();
  expect(shares).toHaveLength(4);
  expect(shares.reduce((sum, text) => sum + Number.parseInt(text, 10), 0)).toBeGreaterThanOrEqual(98);
  await expect(note.getByText("Touch the sock")).toBeVisible();
  const map = await page.locator(".pull__pull-map").boundingBox();
  if (!map) {
    throw new Error("the map has no place");
  }
  await page.mouse.click(map.x + map.width * 0.3, map.y + map.height * 0.85);
  await expect(
    note.getByText(/Here it (sits|is \w+): [+−]?\d+ % round the foot, [+−]?\d+ % along it\./),
  ).toBeVisible();
  await expect(note.getByText(/[\d.]+ cm of foot on [\d.]+ cm of sock\./)).toBeVisible();
  await page.getByLabel("Units").getByText("inches").click();
  await expect(note.getByText(/\d+( \d\/\d)? in of foot on \d+( \d\/\d)? in of sock\./)).toBeVisible();
  await page.getByLabel("Units").getByText("cm", { exact: true }).click();
  await expect(page.locator(".pull__pull-spot")).toBeVisible();
  const { violations } = await new AxeBuilder({ page }).include(".board__sheet").analyze();
  expect(violations.map((v) => v.id)).toEqual([]);
});

test("what eases a place most is done with one press, and can be undone", async ({ page }) => {
  await newSock(page, "Pulling sock", "Isolde");
  await typeFoot(page);
  await choose(page, "Heel", "Short rows");
  await page.locator("label", { hasText: /^Where it pulls$/ }).click();
  const ease = page.locator(".pull__pull-ease");
  await expect(ease).toHaveText(/instep and heel most: .*\d+ → \d+ %/);
  await ease.getByRole("button", { name: "Do this" }).click();
  await expect(page.getByRole("button", { name: "Undo" })).toBeEnabled();
  await expect(ease).toHaveCount(0);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(ease).toHaveCount(1);
});

test("the sock is turned by keys, by mouse and by buttons", async ({ page }) => {
  const asked: string[] = [];
  page.on("request", (request) => asked.push(request.url()));
  await board(page, "Observatory roof socks");
  expect(asked.filter((url) => url.includes("Turned"))).toEqual([]);
  await page.getByText("Turn it", { exact: true }).click();
  const sock = page.getByRole("img", { name: /^The sock on its foot, to be turned/ });
  await expect(sock).toHaveAttribute("data-drawn", "yes", { timeout: 20_000 });
  // The picture itself tells whether it was turned.
  const picture = async () => (await sock.screenshot()).toString("base64");
  let before = await picture();
  const turned = async () => {
    await expect.poll(picture).not.toBe(before);
    before = await picture();
  };
  await sock.focus();
  await page.keyboard.press("ArrowLeft");
  await turned();
  await page.keyboard.press("+");
  await turned();
  const box = await sock.boundingBox();
  if (!box) {
    throw new Error("the sock has no place");
  }
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 90, box.y + box.height / 2 + 20, { steps: 4 });
  await page.mouse.up();
  await turned();
  await page.getByRole("button", { name: "Sole" }).click();
  await turned();
  await page.getByText("Turn the pull", { exact: true }).click();
  await turned();
});

test("both socks of a pair stand beside each other, and are turned together", async ({ page }) => {
  await board(page, "Observatory roof socks");
  await page.getByText("Left and right", { exact: true }).click();
  // One foot is longer: both socks are drawn at one scale all the same.
  const flat = page.getByRole("img", { name: /^(Left|Right) sock$/ });
  await expect(flat).toHaveCount(2);
  const scales = await flat.evaluateAll((list) =>
    list.map((svg) => svg.getAttribute("viewBox")?.split(" ").slice(2).join(" ")),
  );
  expect(scales[1]).toBe(scales[0]);
  await page.getByText("Turn it", { exact: true }).click();
  await expect(page).toHaveURL(/pair=side&look=turn/);
  const socks = page.getByRole("img", { name: /^Both socks on their feet, to be turned/ });
  await expect(socks).toHaveAttribute("data-drawn", "yes", { timeout: 20_000 });
  const picture = async () =>
    createHash("sha256")
      .update(await socks.screenshot())
      .digest("hex");
  await socks.focus();
  await page.keyboard.press("Home"); // the frame of what a key turns is seen from now on
  const before = await picture();
  await page.keyboard.press("ArrowLeft");
  await expect.poll(picture).not.toBe(before);
  await page.keyboard.press("Home");
  await expect.poll(picture).toBe(before);
  await page.getByRole("button", { name: "Soles" }).click();
  await expect.poll(picture).not.toBe(before);
});

test("without drawing in space the still views remain", async ({ page }) => {
  await page.addInitScript(() => {
    const own = HTMLCanvasElement.prototype.getContext;
    HTMLCanvasElement.prototype.getContext = function (
      this: HTMLCanvasElement,
      kind: string,
      ...rest: never[]
    ) {
      return kind.startsWith("webgl")
        ? null
        : (own as (...all: unknown[]) => unknown).call(this, kind, ...rest);
    } as typeof own;
  });
  await board(page, "Observatory roof socks");
  await page.goto(`${page.url()}?look=turn`);
  await expect(page.getByText("This browser draws nothing in space.")).toBeVisible();
  await page.locator("label", { hasText: /^Rows$/ }).click();
  await expect(page.locator("svg.drawing__sock .drawing__row-line").first()).toBeAttached();
});

test("a sock on the needles is seen on the foot, as planned and as it was measured", async ({ page }) => {
  await cast(page, "Tried sock");
  const id = page.url().match(/socks\/(\w+)/)?.[1];
  const early = await page.request.get(`/api/socks/${id}/tried?row=3`);
  expect(early.status()).toBe(422);
  expect(await early.text()).toContain("nothing to try on before the first round of the foot");
  const planned = await (await page.request.get(`/api/socks/${id}/tried?row=60`)).json();
  // Forty rounds of foot after a toe of 43 mm are 134 mm on the table; on the foot some of it bends round the toes, and a hand stretches it.
  expect(planned.behind_mm).toBeGreaterThan(125);
  expect(planned.behind_mm).toBeLessThan(146);
  const longer = await (await page.request.get(`/api/socks/${id}/tried?row=60&length=14.5&unit=cm`)).json();
  expect(Math.abs(longer.behind_mm - 145), "drawn as it was measured").toBeLessThan(2.5);
  const whole = await (await page.request.get(`/api/socks/${id}/tried?row=200`)).json();
  expect(whole.above_mm).toBeGreaterThan(120);
  const wrong = await page.request.get(`/api/socks/${id}/tried?row=60&length=3&unit=cm`);
  expect(wrong.status()).toBe(422);
});

test("a yarn that stripes by itself is laid along the rows as it comes off the ball", async ({ page }) => {
  await newSock(page, "Meteor sock", "Isolde");
  await typeFoot(page);
  await decide(page, "Yarn");
  await page.getByLabel("A yarn that stripes by itself").check();
  await expect(page.locator(".drawing__sock .drawing__row-line.drawing__repeat-1").first()).toBeAttached();
  await expect(page.locator(".drawing__sock .drawing__row-line.drawing__repeat-2").first()).toBeAttached();
  await page.getByLabel("Metres of colour 3").fill("4.5");
  await page.getByRole("button", { name: "One colour more" }).click();
  await expect(page.locator(".drawing__sock .drawing__row-line.drawing__repeat-3").first()).toBeAttached();
  // Counted on a sock of 52 stitches: of the rounds of this one, with 68, the same yarn gives 52/68.
  await page.getByText("in counted rounds", { exact: true }).click();
  // Told otherwise it is the same yarn: a round of 68 takes 0.821 m, and 8 m are 9.7 of them.
  await expect(page.getByLabel("Rounds of colour 1")).toHaveValue("9.7");
  await page.getByLabel("Rounds of colour 1").fill("17");
  await page.getByLabel("Counted on").fill("52");
  await expect(said(page, "Yarn")).toContainText(
    "it stripes by itself, 13.0 + 4.7 + 4.2 + 2.8 rounds of the foot",
  );
  await page.getByText("inches", { exact: true }).click();
  await page.getByText("in yards", { exact: true }).click();
  await expect(page.getByLabel("Yards of colour 1")).toHaveValue("11.7");
  await expect(page.getByLabel("Ball measures")).toHaveAttribute("placeholder", "459.3");
  await page.getByLabel("Ball measures").fill("400");
  await page.getByLabel("Ball weighs").fill("100");
  await page.getByText("cm", { exact: true }).click();
  await expect(page.getByLabel("Ball measures")).toHaveValue("365.8");
  await page.getByLabel("A yarn that stripes by itself").uncheck();
  await expect(page.locator(".drawing__sock .drawing__row-line.drawing__repeat-1")).toHaveCount(0);
});

test("what is typed keeps the unit in which it was typed, however slow the answer is", async ({ page }) => {
  let slow = 0;
  await page.route("**/api/plan", async (route) => {
    await new Promise((done) => setTimeout(done, slow));
    await route.fallback();
  });
  await newSock(page, "Sock in two units", "Isolde");
  await typeFoot(page);
  await decide(page, "Yarn");
  await page.getByText("inches", { exact: true }).click();
  await expect(page.getByLabel("Ball measures")).toHaveAttribute("placeholder", "459.3");
  slow = 2_000;
  await page.getByLabel("Ball measures").fill("400");
  await page.getByText("cm", { exact: true }).click();
  await expect(page.getByLabel("Ball measures")).toHaveValue("400 yd");
  await page.getByLabel("Ball weighs").click();
  await expect(page.getByLabel("Ball measures")).toHaveValue("365.8");

  // The same in fields that wait for a button, and when the page is opened again in another unit.
  await page.goto("/feet");
  await page.getByRole("link", { name: "Marit", exact: true }).click();
  const length = page.getByLabel("Length, measured anew");
  await length.fill("24.5");
  await page.getByText("inches", { exact: true }).click();
  await expect(length).toHaveValue("24.5 cm");
  await length.fill("9 1/2");
  await page.getByRole("link", { name: "Terms" }).click();
  await page.getByText("cm", { exact: true }).click();
  await page.goBack();
  await expect(length).toHaveValue("9 1/2 in");
  await length.fill("");
});
