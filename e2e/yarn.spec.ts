import { expect, type Page, test } from "@playwright/test";
import { cast, newSock, putAt, saved, sockID, typeFoot, where } from "./steps";

const panel = (page: Page) => page.locator(".knit-panel__knit-panel");

async function weigh(page: Page, grams: string, yarn = "") {
  await page.getByRole("button", { name: "Weigh" }).click();
  if (yarn) {
    await page.getByLabel("Which yarn").click();
    await page.getByTitle(yarn).click();
  }
  await page.getByLabel("The ball weighs").fill(grams);
  await panel(page).getByRole("button", { name: "Keep", exact: true }).click();
  await expect(panel(page)).toBeHidden();
}

test("stripes are told in rounds, lead back to the row, and begin alike on both socks", async ({ page }) => {
  await cast(page, "Sock with stripes");
  await page.getByRole("button", { name: "Weigh" }).click();
  const repeat = page.getByLabel("One repeat of the stripes is");
  await repeat.fill("many");
  await expect(panel(page).getByText("up to 100 m of yarn")).toBeVisible();
  // A round of 68 takes 0.821 m: a repeat of 8.2 m is ten rounds.
  await repeat.fill("8.2");
  await page.getByLabel("The first sock began").fill("after the grey");
  await page.getByRole("button", { name: "Keep the stripes" }).click();
  await expect(panel(page)).toContainText("is 10.0 rounds of the foot");
  await expect(panel(page)).toContainText("began after the grey");

  await page.keyboard.press("Escape");
  await expect(panel(page)).toBeHidden();
  await putAt(page, "foot-31");
  await page.keyboard.press("?");
  await page.getByLabel("Stripe repeats from the tip of the toe").fill("5");
  await page.getByLabel("Stitches on needle 1").fill("34");
  await expect(page.locator(".knit-panel__matches li").first()).toContainText("before foot");
  await page.keyboard.press("Escape");
  await page.getByLabel("Which sock").getByText("Second").click();
  await expect(
    page.locator(".knit-row__knit-note").filter({ hasText: "wind off to the same place" }),
  ).toContainText("after the grey");
});

test("a scrap for the toe is enough for one sock or for both", async ({ page }) => {
  await newSock(page, "Sock of scraps", "Isolde");
  await typeFoot(page);
  await saved(page);
  const id = /socks\/([^/?]+)/.exec(page.url())?.[1];
  const sock = await (await page.request.get(`/api/socks/${id}`)).json();
  sock.draft.design.yarn = { contrast: ["toe", "heel"] };
  const { name, wearer, revision, draft, notes } = sock;
  const kept = await page.request.put(`/api/socks/${id}`, {
    data: { name, wearer, revision, draft, notes, unit: "cm" },
  });
  expect(kept.ok()).toBe(true);
  await page.goto(`/socks/${id}/knit`);
  await page.getByRole("button", { name: /^Cast on/ }).click();
  await expect(where(page)).toContainText("cast on");
  // Cast-on, toe and heel, of which nothing is knitted yet; the cuff is of the sock's own yarn.
  await expect(page.locator(".drawing__strip-row.drawing__contrast.drawing__to-do")).toHaveCount(3);
  await weigh(page, "5", "a scrap for the toe alone");
  await page.getByRole("button", { name: "Weigh" }).click();
  const toe = page.locator(".knit-panel__scraps li").filter({ hasText: "toe" });
  // 964 stitches of 12.1 mm are 11.6 m, 2.8 g, with the reserve 3.0 g.
  await expect(toe).toContainText("takes 3.0 g more for this sock, 6.0 g for the pair");
  await expect(toe).toContainText("enough for this sock only");
  await page.keyboard.press("Escape");
  await weigh(page, "2", "a scrap for the toe alone");
  await page.getByRole("button", { name: "Weigh" }).click();
  await expect(toe).toContainText("not enough");
  await expect(page.locator(".knit-panel__scraps li").filter({ hasText: "heel" })).not.toContainText(
    "are there",
  );
});

test("the leg follows the yarn: so many rounds, then the cuff", async ({ page }) => {
  await cast(page, "Sock to the last metre");
  await putAt(page, "leg-10");
  await weigh(page, "16");
  await page.getByRole("button", { name: "Weigh" }).click();
  const panel = page.locator(".knit-panel__knit-panel");
  await expect(panel, "16 g are no second sock").toContainText("enough for this sock only");
  const rounds = /alone: (\d+) rounds/.exec((await panel.textContent()) ?? "")?.[1];
  expect(Number(rounds)).toBeGreaterThan(9);
  await expect(page.locator(".working-line")).toContainText("(16.0 g × 0.92 − 0.0 g below the leg");
  await page.getByRole("button", { name: "Let this leg follow the yarn" }).click();
  await expect(panel).toContainText("more leg rounds");
  await expect(where(page), "it is seen before it is taken").toContainText("leg, round 10 of 61");
  await page.getByRole("button", { name: "Knit it like that" }).click();
  await expect(where(page)).toContainText(`leg, round 10 of ${rounds}`);
  // Of 90 g both legs are knitted.
  await page.getByLabel("Which sock").getByText("Second").click();
  await expect(where(page)).toContainText("cast on");
  await page.getByLabel("Which sock").getByText("First").click();
  await weigh(page, "90");
  await page.getByRole("button", { name: "Weigh" }).click();
  const both = /Both legs from this ball: (\d+) rounds/.exec((await panel.textContent()) ?? "")?.[1];
  await page.getByRole("button", { name: "Let both legs follow the yarn" }).click();
  await page.getByRole("button", { name: "Knit it like that" }).click();
  await expect(where(page)).toContainText(`leg, round 10 of ${both}`);
  const view = await (await page.request.get(`/api/socks/${sockID(page)}/knit`)).json();
  const legs = (rows: { section: string }[]) => rows.filter((r) => r.section === "leg").length;
  expect([legs(view.rows), legs(view.second ?? view.rows)]).toEqual([Number(both), Number(both)]);
});
