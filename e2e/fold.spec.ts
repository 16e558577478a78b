import { readFileSync } from "node:fs";
import { expect, test } from "@playwright/test";
import { type Courses, type Event, merge, type Place, places, standing, today } from "../ui/src/knit/logbook";

// The browser's log comes to the same places as the server's, for the same
// events heard in any order.
test("the browser folds events as the server does", () => {
  const file = new URL("../sock/needles/logbook/testdata/places.json", import.meta.url);
  const vectors: { events: Event[]; course: Courses; places: [Place, Place] }[] = JSON.parse(
    readFileSync(file, "utf8"),
  );
  expect(vectors.length).toBeGreaterThan(40);
  for (const vector of vectors) {
    const read = (events: Event[]) => places(standing(today(events, vector.course)));
    expect(read(merge(vector.events))).toEqual(vector.places);
    const half = Math.floor(vector.events.length / 2);
    const parts = merge(vector.events.slice(half).reverse(), vector.events.slice(0, half + 1));
    expect(read(parts)).toEqual(vector.places);
  }
});
