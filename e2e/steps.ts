import { expect, type Page } from "@playwright/test";

/** pathOf is the address of a sock that is there. */
export async function pathOf(page: Page, name: string): Promise<string> {
  const { socks } = await (await page.request.get(`/api/socks?find=${encodeURIComponent(name)}`)).json();
  return `/socks/${socks.find((s: { name: string }) => s.name === name).id}`;
}

/** board goes straight to the board of a sock that is there. */
export async function board(page: Page, name: string): Promise<void> {
  await page.goto(await pathOf(page, name));
  await expect(page.getByLabel("Name of the sock")).toHaveValue(name);
}

/**
 * overheard has the browser ask us about every request of a page, from its
 * first one on. A route that is the first of a page that is open already may miss a request or two.
 */
export const overheard = (page: Page) => page.route("**/*", (route) => route.fallback());

/** Everyday stories take a sample of what is asked again and again; the proof asks all of it. */
export const isWhole = process.env.WHOLE === "1";

/** basket opens the basket on a sock that is looked for: other stories fill it meanwhile. */
export async function basket(page: Page, find: string): Promise<void> {
  await page.goto("/");
  await lookFor(page, find);
}

/** lookFor looks for a sock in the basket that is open; one that holds few socks has nothing to look with. */
export async function lookFor(page: Page, name: string): Promise<void> {
  const find = page.getByLabel("Find a sock or a wearer");
  const entry = page.locator(".basket__entry").filter({ hasText: name }).first();
  await expect(find.or(entry).first()).toBeVisible();
  if (await find.isVisible()) {
    await find.fill(name);
  }
  await expect(entry).toBeVisible();
}

/** newSock puts a sock into the basket and stands at its board. */
export async function newSock(page: Page, name: string, wearer = ""): Promise<void> {
  await page.goto("/socks/new");
  await expect(page.getByRole("heading", { name: "Your sock appears here" })).toBeVisible();
  await page.getByLabel("Name of the sock").fill(name);
  if (wearer) {
    await page.getByLabel("Wearer").fill(wearer);
  }
  await saved(page);
}

/** decide opens a decision of the path. */
export async function decide(page: Page, title: string): Promise<void> {
  const step = page.locator(".path__step h2 button").filter({ has: page.getByText(title, { exact: true }) });
  await expect(step).toBeVisible();
  // The drawing may come while the button is pressed, and moves it away from under the finger.
  await expect(async () => {
    if ((await step.getAttribute("aria-expanded")) === "false") {
      await step.click();
    }
    await expect(step).toHaveAttribute("aria-expanded", "true", { timeout: 1_000 });
  }).toPass();
}

/** said is the sentence of a decision. */
export const said = (page: Page, title: string) =>
  page
    .locator(".path__step")
    .filter({ has: page.locator(".path__step-title").getByText(title, { exact: true }) });

/** way is a way of the decision that is open. */
export const way = (page: Page, text: string) =>
  page.locator("label.ways__way").filter({ hasText: text }).first();

/** choose takes a way of a decision: of its cards, or of a word in its sentence. */
export async function choose(page: Page, decision: string, text: string, word?: string): Promise<void> {
  await decide(page, decision);
  if (word) {
    const button = page.getByRole("button", { name: new RegExp(`^${word} .*: other ways$`) });
    if ((await button.getAttribute("aria-expanded")) === "false") {
      await button.click();
    }
  }
  const group = word ? page.locator(".path__word-ways") : page.locator(".path__step-content > .ways__ways");
  const option = group.locator("label.ways__way").filter({ hasText: text }).first();
  await expect(group.locator("label.ways__way").first()).toBeVisible();
  if (!(await option.isVisible())) {
    await group.locator("summary").click();
  }
  await option.click();
  await expect(option.getByRole("radio")).toBeChecked();
}

/** typeFoot types Isolde's foot and swatch, and how tall the leg is. */
export async function typeFoot(page: Page): Promise<void> {
  await page.getByLabel("Length", { exact: true }).fill("25.1");
  await page.getByLabel("Girth round the ball").fill("23.6");
  await page.getByLabel("Stitches", { exact: true }).fill("32");
  await page.getByLabel("Rounds", { exact: true }).fill("44");
  await decide(page, "Leg");
  await page.getByLabel("Leg with its cuff").fill("18");
}

/** pin is the text of the drawing's pins. */
export const pins = (page: Page) => page.locator(".drawing__sock .drawing__pin");

export const saved = (page: Page) =>
  expect(page.getByRole("status").getByText("kept", { exact: true })).toBeVisible();

/** castOn goes from a board to its needles, and casts on. */
export async function castOn(page: Page): Promise<void> {
  await page.getByRole("link", { name: "Knit", exact: true }).click();
  await page.getByRole("button", { name: /^Cast on \d+$/ }).click();
  await expect(page.getByRole("button", { name: "Row done" })).toBeVisible();
}

/** castByHand types Isolde's figures and casts on, as somebody who begins a sock does. */
export async function castByHand(page: Page, name: string): Promise<void> {
  await newSock(page, name, "Isolde");
  await typeFoot(page);
  await saved(page);
  await castOn(page);
  await expect(where(page)).toContainText("cast on");
}

/** Isolde's figures, as they are typed. */
const isolde = {
  "foot.length_mm": "25.1",
  "foot.ball_girth_mm": "23.6",
  "gauge.stitches_per_100mm": "32",
  "gauge.rounds_per_100mm": "44",
  "leg.height_mm": "18",
};

/** cast stands before the same sock, of which it was told in one request. */
export async function cast(page: Page, name: string): Promise<void> {
  const data = { name, wearer: "Isolde", unit: "cm", draft: { design: {}, entries: isolde } };
  const { id } = await (await page.request.post("/api/socks", { data })).json();
  expect((await page.request.post(`/api/socks/${id}/knit`)).ok()).toBe(true);
  await page.goto(`/socks/${id}/knit`);
  await expect(where(page)).toContainText("cast on");
}

/** where says which row is next. */
export const where = (page: Page) => page.locator(".knit-row__knit-where");

/** putAt tells the program that a sock of the pair stands before a row, as another device would. */
export async function putAt(page: Page, row: string, sock = 1): Promise<void> {
  const id = sockID(page);
  // The other device has heard of every tick that was made here, or its clock might stand where ours does.
  await expect(page.locator(".knit__knit-state")).toHaveText("written down");
  const view = await (await page.request.get(`/api/socks/${id}/knit`)).json();
  const event = {
    id: `put-${id}-${sock}-${row}`,
    device: "another",
    clock: 1000 + view.events.length,
    at_ms: Date.now(),
    kind: "place",
    version: view.version,
    sock,
    row: view.rows.findIndex((r: { id: string }) => r.id === row),
  };
  const answer = await page.request.post(`/api/socks/${id}/events`, { data: { after: 0, events: [event] } });
  expect(answer.ok()).toBe(true);
  await page.reload();
  await expect(page.locator(".knit__knit-head")).toBeVisible();
}

/** onDevice reads a shelf of what the browser keeps. */
export const onDevice = (page: Page, shelf: "events" | "aside" | "drafts" | "answers") =>
  page.evaluate(
    (name) =>
      new Promise<{ name: string }[]>((resolve, reject) => {
        const opening = indexedDB.open("acorn-step");
        opening.onerror = () => reject(opening.error);
        opening.onsuccess = () => {
          const all = opening.result.transaction(name).objectStore(name).getAll();
          all.onsuccess = () => {
            opening.result.close();
            resolve(all.result);
          };
        };
      }),
    shelf,
  );

/** written waits until the program has every tick. */
export const written = (page: Page) =>
  expect(page.locator(".knit__knit-state")).toContainText("written down");

/** sockID is that of the sock that the page shows. */
export const sockID = (page: Page) => /socks\/([^/?]+)/.exec(page.url())?.[1] ?? "";

/** heard are the events that the program has of the sock on the page. */
export async function heard(page: Page): Promise<{ id: string; kind: string; row: number }[]> {
  const view = await page.evaluate(async (id) => (await fetch(`/api/socks/${id}/knit`)).json(), sockID(page));
  return view.events;
}
