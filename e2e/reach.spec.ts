import AxeBuilder from "@axe-core/playwright";
import { expect, type Page, test } from "@playwright/test";
import { isWhole, pathOf } from "./steps";

/** open goes straight to a page of a sock that is there. */
const open = async (page: Page, name: string, rest = "") => page.goto((await pathOf(page, name)) + rest);

const screens: Record<string, (page: Page) => Promise<unknown>> = {
  basket: (page) => page.goto("/"),
  "new sock": (page) => page.goto("/socks/new"),
  board: (page) => open(page, "Observatory roof socks"),
  "board with a decision": (page) => open(page, "Observatory roof socks", "?at=heel"),
  "half designed board": (page) => open(page, "Eclipse trip socks"),
  rows: (page) => open(page, "Observatory roof socks", "/rows"),
  "what if": (page) => open(page, "Observatory roof socks", "/what-if"),
  ways: (page) => open(page, "Observatory roof socks", "/ways"),
  "where it pulls": (page) => open(page, "Observatory roof socks", "?look=pull"),
  turned: (page) => open(page, "Observatory roof socks", "?look=turn"),
  compare: (page) => open(page, "Observatory roof socks", "/compare"),
  variants: (page) => open(page, "Observatory roof socks", "/variants"),
  pair: (page) => open(page, "Observatory roof socks", "?pair=side"),
  "board with news": (page) => open(page, "Dome keeper's thick socks"),
  feet: (page) => page.goto("/feet"),
  wearer: (page) => openWearer(page, "Marit"),
  tracing: async (page) => {
    await openWearer(page, "Isolde");
    await page.getByRole("link", { name: "Measure a tracing on the screen" }).click();
    await page.getByRole("button", { name: "Try the sample" }).click();
    await expect(page.locator(".feet-marking__marked-picture image")).toBeVisible();
  },
  moves: (page) => page.goto("/moves"),
  "a move": (page) => page.goto("/moves?of=heel.turn:german"),
  practice: (page) => page.goto("/practice"),
  "practice needle": (page) => page.goto("/practice?lesson=flap-turn"),
  swatches: (page) => page.goto("/swatches"),
  swatch: async (page) => {
    await page.goto("/swatches");
    await page.getByRole("link", { name: "Dusk, fine sock yarn on 2.25 mm" }).click();
    await expect(page.getByText("Knitted flat")).toBeVisible();
  },
  terms: (page) => page.goto("/terms"),
  keeping: (page) => page.goto("/keeping"),
  knitting: (page) => open(page, "Comet hunter's short socks", "/knit"),
  "where am I": async (page) => {
    await open(page, "Comet hunter's short socks", "/knit?panel=where");
    await expect(page.locator(".knit-panel__matches li").first()).toBeVisible();
  },
  "show me beside a row": async (page) => {
    await open(page, "Comet hunter's short socks", "/knit?panel=show");
    await expect(page.locator(".hands__move-steps li.hands__at")).toBeVisible();
  },
  charts: async (page) => {
    await open(page, "Observatory roof socks", "/rows");
    await page.getByText("Charts", { exact: true }).click();
    await expect(page.locator("figure.chart__chart").first()).toBeVisible();
  },
  weighing: (page) => open(page, "Comet hunter's short socks", "/knit?panel=yarn"),
  "what happened": (page) => open(page, "Comet hunter's short socks", "/knit?panel=happened"),
  "a note": (page) => open(page, "Comet hunter's short socks", "/knit?panel=note"),
  log: (page) => open(page, "Comet hunter's short socks", "/log"),
};

async function openWearer(page: Page, name: string) {
  await page.goto("/feet");
  await page.getByRole("link", { name, exact: true }).click();
  await expect(page.getByLabel("Name of the wearer")).toHaveValue(name);
}

/** A phone, 1280 at 200 % zoom, and a large screen: nothing is cut off. */
const widths = [360, 640, 1920];

/** Every screen in both lights takes minutes: that is for the proof. Each day has what is open most, in one of them. */
const daily = [
  "basket",
  "new sock",
  "board with a decision",
  "rows",
  "wearer",
  "tracing",
  "moves",
  "practice needle",
  "knitting",
  "where am I",
  "what happened",
  "log",
];
const read = Object.entries(screens).filter(([name]) => isWhole || daily.includes(name));

for (const [nth, [name, go]] of read.entries()) {
  const schemes = isWhole ? ["light", "dark"] : [nth % 2 === 0 ? "light" : "dark"];
  test(`${name} is within reach, ${schemes.join(" and ")}, on every width`, async ({ page }) => {
    await go(page);
    for (const scheme of schemes) {
      if (scheme === "dark") {
        await page.getByRole("button", { name: "Evening" }).click();
      }
      await expect(page.locator("html")).toHaveAttribute("data-scheme", scheme);
      await page.waitForLoadState("networkidle");
      // Only what is wrong is described: describing all that is right takes most of the time.
      const { violations } = await new AxeBuilder({ page })
        .options({ resultTypes: ["violations"] })
        .analyze();
      const serious = violations.filter((v) => v.impact === "serious" || v.impact === "critical");
      expect(serious.map((v) => `${scheme} ${v.id}: ${v.nodes.map((n) => n.html).join(" ")}`)).toEqual([]);
    }
    for (const width of widths) {
      await page.setViewportSize({ width, height: 740 });
      await expect
        .poll(
          () => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth),
          `at ${width}`,
        )
        .toBeLessThanOrEqual(0);
    }
  });
}

test("a sock is made by keyboard alone", async ({ page }) => {
  await page.goto("/socks/new");
  await expect(page.getByLabel("Name of the sock")).toBeFocused();
  await page.keyboard.type("Sock by keys");
  await expect(page.getByLabel("Name of the sock")).toHaveValue("Sock by keys");
  await page.getByLabel("Length", { exact: true }).focus();
  const count = (stitches: number) =>
    page
      .getByRole("group", { name: "Stitches round the foot" })
      .getByRole("radio", { name: new RegExp(`^${stitches}`) });
  const tabTo = async (label: string) => {
    const field =
      label === "68"
        ? count(68)
        : label === "Round"
          ? page.locator("#decision-round-head")
          : page.getByLabel(label, { exact: true });
    for (let i = 0; i < 9 && !(await field.evaluate((e) => e === document.activeElement)); i++) {
      await page.keyboard.press("Tab");
    }
    await expect(field).toBeFocused();
  };
  await page.keyboard.type("25.1");
  await tabTo("Girth round the ball");
  await page.keyboard.type("23.6");
  await tabTo("Stitches");
  await page.keyboard.type("32");
  await tabTo("Rounds");
  await page.keyboard.type("44");
  await tabTo("Round");
  await page.keyboard.press("Enter");
  await expect(count(68)).toBeChecked();
  await tabTo("68");
  await page.keyboard.press("ArrowRight");
  await expect(count(72)).toBeChecked();
});

test("no request leaves the machine, the script is small and the sock is there at once", async ({
  page,
  baseURL,
}) => {
  const foreign: string[] = [];
  let script = 0;
  page.on("request", (request) => {
    const url = request.url();
    if (!url.startsWith(baseURL ?? "") && !url.startsWith("data:") && !url.startsWith("blob:")) {
      foreign.push(url);
    }
  });
  page.on("response", async (response) => {
    if (response.url().endsWith(".js")) {
      script += Number((await response.allHeaders())["content-length"] ?? 0);
    }
  });
  const faults: string[] = [];
  page.on("console", (message) => message.type() === "error" && faults.push(message.text()));
  await open(page, "Observatory roof socks");
  await page.waitForLoadState("networkidle");
  await page.reload();
  await expect(page.locator(".drawing__sock")).toBeVisible();
  expect(foreign).toEqual([]);
  expect(faults).toEqual([]);
  expect(script).toBeGreaterThan(0);
  expect(script / 2, "two loads of the page").toBeLessThan(300_000);
});
