import { expect, type Page, test } from "@playwright/test";
import {
  basket,
  cast,
  castOn,
  decide,
  isWhole,
  newSock,
  overheard,
  putAt,
  saved,
  where,
  written,
} from "./steps";

test.use({ serviceWorkers: "allow" });

/** kept waits until the browser has put aside all that the screen is made of. */
const kept = (page: Page) =>
  expect
    .poll(() =>
      page.evaluate(async () => {
        const parts = performance.getEntriesByType("resource").map((entry) => entry.name);
        const needed = ["/", ...parts.filter((name) => name.includes("/assets/"))];
        const there = await Promise.all(needed.map((name) => caches.match(name)));
        return there.every((answer) => answer !== undefined);
      }),
    )
    .toBe(true);

for (const size of [
  { width: 1280, height: 800 },
  { width: 390, height: 844 },
]) {
  test.describe(`at ${size.width} points`, () => {
    test.use({ viewport: size });
    /** at is a story for both sizes: each day at one of them, in the proof at both. */
    const at = (width: number) => (isWhole || width === size.width ? test : () => {});
    at(390)("rows are ticked, undone, ticked by halves and by ten", async ({ page }) => {
      await cast(page, `Sock to knit at ${size.width}`);
      await page.getByRole("button", { name: "Row done" }).click();
      await expect(where(page)).toContainText("toe, round 1 of 19 · right side");
      await page.keyboard.press(" ");
      await expect(where(page)).toContainText("toe, round 2 of 19");
      await expect(page.locator(".knit-row__instruction")).toContainText("k1, kfb, k12, kfb, k1");
      await expect(page.getByRole("img", { name: "Before the row: 32 in all, right side" })).toBeVisible();
      await expect(page.getByRole("img", { name: "After the row: 36 in all, right side" })).toBeVisible();
      await page.getByRole("button", { name: "Half" }).click();
      await expect(where(page)).toContainText("needle 2");
      await page.keyboard.press("Backspace");
      await expect(where(page)).not.toContainText("needle 2");
      // In the toe every round differs from the one before: ten are one, and on the foot they end with it.
      await page.getByRole("button", { name: "Ten more" }).click();
      await expect(where(page)).toContainText("toe, round 3 of 19");
      for (let i = 0; i < 3; i++) {
        await page.keyboard.press("Backspace");
      }
      await expect(where(page)).toContainText("cast on");
      await putAt(page, "foot-2");
      await page.getByRole("button", { name: "Ten more" }).click();
      await expect(where(page)).toContainText("foot, round 12 of 65");
      await putAt(page, "foot-60");
      await page.getByRole("button", { name: "Ten more" }).click();
      await expect(where(page)).toContainText("heel");
      await putAt(page, "toe-1");
      await written(page);
      await page.reload();
      await expect(where(page)).toContainText("toe, round 1 of 19");
      const over = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
      expect(over).toBeLessThanOrEqual(0);
    });

    at(1280)("a full disk is said as such, counting goes on, and nothing is lost", async ({ page }) => {
      await overheard(page);
      await cast(page, `Sock on a full disk at ${size.width}`);
      const full = "there is no room left on the disk: nothing was changed; make room and try again";
      await page.route("**/events", (route) =>
        route.fulfill({
          status: 507,
          contentType: "application/problem+json",
          json: { type: "about:blank", title: "Insufficient Storage", status: 507, detail: full },
        }),
      );
      await page.keyboard.press(" ");
      await page.keyboard.press(" ");
      await expect(page.getByRole("alert").filter({ hasText: full })).toBeVisible();
      await expect(page.locator(".knit__knit-state")).toContainText("not written down: 2 kept here");
      await expect(where(page)).toContainText("toe, round 2 of 19");
      await page.unroute("**/events");
      await page.keyboard.press(" ");
      await written(page);
      await expect(page.getByText(full)).toHaveCount(0);
      await page.reload();
      await expect(where(page)).toContainText("toe, round 3 of 19");
    });

    at(390)(
      "counting goes on without a connection, and merges when it is back",
      async ({ page, context }) => {
        await cast(page, `Sock on a train at ${size.width}`);
        await page.keyboard.press(" ");
        await written(page);
        const url = page.url();
        await kept(page);
        await context.setOffline(true);
        for (let i = 0; i < 5; i++) {
          await page.keyboard.press(" ");
        }
        await expect(where(page)).toContainText("toe, round 6 of 19");
        await expect(page.locator(".knit__knit-state")).toContainText("no connection: 5 kept here");
        // The screen opens again with nothing but what this device keeps.
        await page.goto(url);
        await expect(where(page)).toContainText("toe, round 6 of 19");
        await page.keyboard.press("Backspace");
        await expect(where(page)).toContainText("toe, round 5 of 19");
        await context.setOffline(false);
        await written(page);
        const other = await context.newPage();
        await other.goto(url);
        await expect(where(other)).toContainText("toe, round 5 of 19");
        await other.keyboard.press(" ");
        await expect(where(other)).toContainText("toe, round 6 of 19");
        await expect(where(page), "two devices agree").toContainText("toe, round 6 of 19");
      },
    );

    at(390)("where am I: what is seen beats the log, and puts the knitter there", async ({ page }) => {
      await cast(page, `Sock that was put down at ${size.width}`);
      await page.keyboard.press("?");
      await expect(page.getByText("Look at this next:")).toBeVisible();
      // The end of heel row 6, the turn aside: the wrong side is still in front, so that the four doubles lie at the right hand and the three at the left.
      await page.getByLabel("Stitches on needle 1").fill("34");
      await page.getByLabel("Stitches on needle 2").fill("many");
      await expect(page.getByText(/Stitches on needle 2 .*: a count is a whole number\./)).toBeVisible();
      await page.getByLabel("Stitches on needle 2").fill("34");
      await page.getByLabel("Double stitches at the right").fill("4");
      await page.getByLabel("Double stitches at the left").fill("3");
      await page.getByLabel("Side that faces you").click();
      await page.getByTitle("wrong").click();
      await expect(page.locator(".knit-panel__matches li").first()).toContainText("heel 7");
      await page
        .locator(".knit-panel__matches li")
        .first()
        .getByRole("button", { name: "I am here" })
        .click();
      await expect(where(page)).toContainText("heel, row 7 of");
      await expect(page.locator(".knit-row__instruction .knit-row__turn")).toHaveText("turn");
      await page.getByRole("button", { name: "My count is another" }).click();
      await page.getByLabel("I count, in all").fill("71");
      await page.getByRole("button", { name: "Why?" }).click();
      await expect(page.locator(".knit-panel__causes")).toContainText(
        "Both legs of a double stitch were counted.",
      );
    });

    at(1280)("tried on: the change is shown first, and the knitted rows stay", async ({ page }) => {
      await cast(page, `Sock that is tried on at ${size.width}`);
      // 50 rows: the cast-on, 19 of the toe, 30 of the foot.
      await putAt(page, "foot-31");
      await expect(where(page)).toContainText("foot, round 31 of 65");
      await page.keyboard.press("t");
      const length = page.getByLabel("From the tip of the toes to the needle");
      // What the tape should read is said; typed, it changes nothing.
      const should = page.locator("figcaption strong");
      await expect(should).toContainText("behind the tip of the toes");
      await length.fill(((await should.textContent()) ?? "").split(" ")[0] ?? "");
      await page.getByRole("button", { name: "What does it change?" }).click();
      await expect(page.locator(".knit-panel__proposal")).toContainText("It reads as it should");
      await expect(page.getByRole("button", { name: "Go on like that" })).toBeHidden();
      await length.fill("4");
      await page.getByRole("button", { name: "What does it change?" }).click();
      await expect(page.getByRole("alert")).toContainText("no gauge explains so much");
      await length.fill("");
      await page.getByRole("radiogroup", { name: "ball" }).getByText("tight", { exact: true }).click();
      await page.getByRole("button", { name: "What does it change?" }).click();
      await expect(page.locator(".knit-panel__proposal")).toContainText("a quarter of a millimetre thicker");
      await expect(page.locator(".knit-panel__proposal")).toContainText("rip back to the toe (30 rows");
      await expect(page.locator(".knit-panel__proposal")).toContainText("ask your clinician");
      await page.keyboard.press("Escape");
      await page.keyboard.press("t");
      await length.fill("12.2");
      await page.getByRole("button", { name: "What does it change?" }).click();
      // 11.6 cm are expected; 12.2 are a twentieth more: 60 rounds before the heel.
      await expect(page.locator(".knit-panel__proposal")).toContainText("5 fewer rounds before the heel");
      await expect(page.locator(".knit-panel__proposal")).toContainText("65 → 60");
      await expect(where(page)).toContainText("of 65");
      const second = page.getByRole("group", { name: "And the second sock?" });
      await expect(second.getByRole("button"), "what the tape says is likely to be so again").toHaveText([
        "Alike",
        "As planned",
        "Decide later",
      ]);
      await second.getByRole("button", { name: "Decide later" }).click();
      await expect(where(page)).toContainText("foot, round 31 of 60");
      // It is asked again where it is knitted, and shown before it is taken.
      await page.getByLabel("Which sock").getByText("Second").click();
      const open = page.getByRole("status").filter({ hasText: "Still to be decided." });
      await open.getByRole("button", { name: "Alike: what would change?" }).click();
      await expect(open).toContainText("5 fewer rounds before the heel");
      await page.getByRole("link", { name: "Log", exact: true }).click();
      await expect(page.getByText("The second sock: 5 more rounds before the heel")).toBeVisible();
      await page.goBack();
      await open.getByRole("button", { name: "Alike: what would change?" }).click();
      await open.getByRole("button", { name: "Knit it like that" }).click();
      await expect(open).toBeHidden();
      await page.getByLabel("Which sock").getByText("Second").click();
      await page.getByLabel("Which sock").getByText("First").click();
      await page.getByRole("link", { name: "Log", exact: true }).click();
      await expect(page.getByRole("heading", { name: "The plan changed" })).toBeVisible();
      await expect(page.locator(".log__log-list")).toContainText(
        "Tried on. 12.2 cm from the tip of the toes.",
      );
      await page.getByRole("button", { name: "Back to the plan before" }).first().click();
      await expect(page.getByText("5 more rounds before the heel")).toBeVisible();
      await page.getByRole("button", { name: "Go back to it" }).click();
      await expect(
        page.getByRole("listitem").filter({ hasText: "Back to plan 1: 5 more rounds" }).first(),
      ).toBeVisible();
      await page.getByRole("link", { name: "to the needles" }).click();
      await expect(where(page)).toContainText("foot, round 31 of 65");
    });

    at(390)(
      "tried on when the heel is knitted: what no row to come can mend is said, the leg is measured from the floor",
      async ({ page }) => {
        await cast(page, `Sock with its heel on at ${size.width}`);
        await putAt(page, "leg-21");
        await expect(where(page)).toContainText("leg, round 21");
        await page.keyboard.press("t");
        await page.getByLabel("The heel sits too far back by").fill("2");
        await page.getByRole("radiogroup", { name: "leg" }).getByText("loose", { exact: true }).click();
        await page.getByRole("button", { name: "What does it change?" }).click();
        const proposal = page.locator(".knit-panel__proposal");
        await expect(proposal).toContainText(
          "2.0 cm too long. No row to come can mend it. Rip back to the end of round",
        );
        await expect(proposal).toContainText("a rib holds it up");
        await expect(page.getByRole("button", { name: "Go on like that" })).toBeHidden();
        await page.getByLabel("The heel sits too far back by").fill("");
        const should = page.locator("figcaption strong");
        await expect(should).toContainText("above the floor");
        const high = Number.parseFloat((await should.textContent()) ?? "") + 1;
        await page.getByLabel("From the floor to the needle, at the back").fill(String(high));
        await page.getByRole("button", { name: "What does it change?" }).click();
        await expect(proposal).toContainText("leg rounds");
        await expect(page.locator(".knit-panel__knit-panel")).toContainText("ask your clinician");
      },
    );

    at(1280)("the ball is weighed, by hand where no scale is connected", async ({ page }) => {
      await cast(page, `Sock on the scale at ${size.width}`);
      await page.getByRole("button", { name: "Weigh" }).click();
      await page.getByRole("button", { name: "Read the scale" }).click();
      await expect(page.getByRole("alert")).toContainText("no scale is connected");
      await page.getByLabel("The ball weighs").fill("heavy");
      await expect(page.getByRole("alert")).toContainText("0 to 5000 g");
      await page.getByLabel("The ball weighs").fill("100");
      await page
        .locator(".knit-panel__knit-panel")
        .getByRole("button", { name: "Keep", exact: true })
        .click();
      await expect(page.locator(".knit-panel__moment").filter({ hasText: "In the ball" })).toContainText(
        "100 g",
      );
      await expect(page.locator(".knit-panel__moment").filter({ hasText: "In the ball" })).toContainText(
        "first guess",
      );
      await putAt(page, "foot-21");
      await page.getByRole("button", { name: "Weigh" }).click();
      await page.getByLabel("The ball weighs").fill("94");
      await page
        .locator(".knit-panel__knit-panel")
        .getByRole("button", { name: "Keep", exact: true })
        .click();
      await expect(page.locator(".knit-panel__moment").filter({ hasText: "In the ball" })).toContainText(
        "enough",
      );
      await expect(page.locator(".knit-panel__moment").filter({ hasText: "In the ball" })).not.toContainText(
        "first guess",
      );
    });

    at(390)("both socks interleave, and the second sees the notes of the first", async ({ page }) => {
      await cast(page, `Pair on one needle at ${size.width}`);
      await page.keyboard.press(" ");
      await page.keyboard.press("n");
      await page.getByLabel("A note at this row").fill("through the back loop, really");
      await page
        .locator(".knit-panel__knit-panel")
        .getByRole("button", { name: "Keep", exact: true })
        .click();
      await expect(page.locator(".knit-row__knit-note").filter({ hasText: "really" })).toBeVisible();
      await page.getByLabel("Which sock").getByText("Both").click();
      await expect(page.locator(".knit__knit-head")).toContainText("second sock");
      await page.keyboard.press(" ");
      await expect(page.locator(".knit__knit-head")).toContainText("both socks");
      await page.getByLabel("Which sock").getByText("Second").click();
      await expect(
        page.locator(".knit-row__knit-note").filter({ hasText: "On the first sock" }),
      ).toContainText("really");
    });
  });
}

test("the heel's place is seen on the foot, and both socks follow the plan", async ({ page }) => {
  await cast(page, "Sock with a heel to find");
  await putAt(page, "leg-4", 2);
  await putAt(page, "foot-31");
  await expect(where(page)).toContainText("foot, round 31 of 65");
  await expect(page.locator(".knit-panel__moment").filter({ hasText: "From the tip" })).toContainText(
    "the heel starts at 19.1 cm, at the bend in front of the ankle",
  );
  await page.keyboard.press("t");
  await page.getByLabel("From the needle to the heel's place").fill("-1.5");
  await page.getByRole("button", { name: "What does it change?" }).click();
  await expect(page.locator(".knit-panel__proposal")).toContainText(
    "rip back to the end of round 23 of the foot",
  );
  // 6.6 cm are 29 rounds: with the 30 that are done 59 instead of 65.
  await page.getByLabel("From the needle to the heel's place").fill("6.6");
  await page.getByRole("button", { name: "What does it change?" }).click();
  await expect(page.locator(".knit-panel__proposal")).toContainText("65 → 59");
  await page.getByRole("button", { name: "Go on like that" }).click();
  await expect(where(page)).toContainText("foot, round 31 of 59");
  await page.getByLabel("Which sock").getByText("Second").click();
  await expect(where(page), "six rounds fewer, the same round of the leg").toContainText("leg, round 4 of");
});

test("what the program will not write down is set aside, and the rest goes on", async ({ page }) => {
  await cast(page, "Sock with a faulty tick");
  const id = /socks\/([^/]+)/.exec(page.url())?.[1] ?? "";
  await page.evaluate((sock) => {
    const faulty = { id: "f-1", device: "d", clock: 5, at_ms: 1, kind: "note", version: 99, sock: 1, row: 0 };
    localStorage.setItem(
      `acorn-step.outbox.${sock}`,
      JSON.stringify([{ ...faulty, text: "from the future" }]),
    );
  }, id);
  await page.reload();
  const aside = page.locator(".aside-note");
  await expect(aside).toContainText("from the future");
  await expect(aside).toContainText("this sock has 1 versions of its plan");
  await page.keyboard.press(" ");
  await expect(where(page)).toContainText("toe, round 1 of 19");
  await written(page);
  await page.keyboard.press(" ");
  await written(page);
  await page.reload();
  await expect(where(page)).toContainText("toe, round 2 of 19");
  await aside.locator("summary").click();
  // The browser's store is busy for a while: what is put away is said to be gone only once it is.
  await page.evaluate(
    () =>
      new Promise<void>((held) => {
        const open = indexedDB.open("acorn-step");
        open.onsuccess = () => {
          const busy = open.result.transaction("aside", "readwrite").objectStore("aside");
          const until = performance.now() + 1500;
          const on = () => {
            if (performance.now() < until) {
              busy.count().onsuccess = on;
            } else {
              open.result.close();
            }
          };
          busy.count().onsuccess = () => {
            held();
            on();
          };
        };
      }),
  );
  await page.getByRole("button", { name: "Put away for good" }).click();
  await expect(aside).toHaveCount(0);
  await page.reload();
  await expect(where(page)).toContainText("toe, round 2 of 19");
  await expect(aside).toHaveCount(0);
});

test("a sock that was taken out elsewhere says so, and is there when it comes back", async ({ page }) => {
  await cast(page, "Sock taken out elsewhere");
  const id = /socks\/([^/]+)/.exec(page.url())?.[1] ?? "";
  await page.request.delete(`/api/socks/${id}`);
  await page.keyboard.press(" ");
  await expect(page.getByRole("alert")).toContainText("taken out of the basket on another device");
  await page.request.post(`/api/socks/${id}/restore`);
  await page.reload();
  await expect(where(page)).toContainText("toe, round 1 of 19");
});

test("the basket shows how far a sock on the needles is", async ({ page }) => {
  await basket(page, "Comet hunter's short socks");
  const entry = page.locator(".basket__entry").filter({ hasText: "Comet hunter's short socks" });
  await expect(entry.locator(".basket__next")).toContainText(/Knit on: heel, row 7 of \d+ \d+ % to go/);
  await expect(entry.locator(".drawing__strip-now")).toHaveCount(1);
  await entry.getByRole("button", { name: "To the needles" }).click();
  await expect(where(page)).toContainText("heel, row 7 of");
});

test("a whole baby sock is knitted to the bind-off, and has its page", async ({ page }) => {
  await newSock(page, "Sock for a newborn observer", "Nils");
  await page.getByLabel("Length", { exact: true }).fill("9");
  await page.getByLabel("Girth round the ball").fill("9.5");
  await page.getByLabel("Stitches", { exact: true }).fill("30");
  await page.getByLabel("Rounds", { exact: true }).fill("40");
  await decide(page, "Leg");
  await page.getByLabel("Leg with its cuff").fill("5");
  await decide(page, "Cuff");
  await page.getByRole("textbox", { name: "Height of the cuff" }).fill("3");
  await saved(page);
  await castOn(page);
  await expect(where(page)).toContainText("cast on");
  const sections = new Set<string>();
  for (let rows = 0; rows < 200; rows++) {
    if (await page.getByRole("heading", { name: "Off the needles" }).isVisible()) {
      break;
    }
    const before = (await where(page).textContent()) ?? "";
    sections.add(before.split(",")[0] ?? "");
    await page.keyboard.press(" ");
    await expect(page.locator(".knit__knit")).not.toContainText(before);
  }
  expect([...sections]).toEqual(["cast on", "toe", "foot", "heel", "leg", "cuff", "bind off"]);
  await page.getByRole("button", { name: "It is finished" }).click();
  // The end of the first leads to the second.
  await page.getByRole("button", { name: "Cast on the second sock" }).click();
  await expect(page.locator(".knit__knit-head small")).toHaveText("second sock");
  await expect(where(page)).toContainText("cast on");
  await page.getByLabel("Which sock").getByText("First").click();
  await page.getByRole("link", { name: "To the page of this pair" }).click();
  await expect(page.getByRole("rowheader", { name: "second sock, foot" })).toBeVisible();
  await page.getByLabel("For the next time").fill("Next time: 4 stitches fewer.");
  await page.getByRole("button", { name: "Keep" }).click();
  await expect(page.locator(".log__log-list")).toContainText("Next time: 4 stitches fewer.");
});
