import { readdirSync, readFileSync } from "node:fs";
import { basename, join, relative } from "node:path";
import { expect, test } from "@playwright/test";
import { camel, classesOf, sheetsIn } from "../ui/classes.mjs";

const source = join(import.meta.dirname, "../ui/src");
const sheets = sheetsIn(source);
const text = (file: string) => readFileSync(file, "utf8");

test("every sheet has a name of its own, a place in the order, and fits on a few screens", () => {
  const names = sheets.map((sheet) => basename(sheet));
  expect(names.length).toBeGreaterThan(20);
  expect(new Set(names).size).toBe(names.length);
  const ordered = [...text(join(source, "styles/order.ts")).matchAll(/import "\.\.\/(.+)";/g)].map(
    (line) => line[1],
  );
  expect(ordered.toSorted()).toEqual(sheets.map((sheet) => relative(source, sheet)).toSorted());
  for (const sheet of [...sheets, join(source, "styles/base.css"), join(source, "styles/words.css")]) {
    expect(text(sheet).split("\n").length, sheet).toBeLessThanOrEqual(250);
  }
});

test("what a sheet says of another one's classes is there", () => {
  const named = new Map(
    sheets.map((sheet) => [basename(sheet, ".module.css"), new Set(classesOf(text(sheet)))]),
  );
  const borrowed = sheets.flatMap((sheet) => [...text(sheet).matchAll(/:global\(\.([\w-]+)__([\w-]+)\)/g)]);
  expect(borrowed.length).toBeGreaterThan(5);
  for (const [, sheet, name] of borrowed) {
    expect(named.get(sheet ?? "")?.has(name ?? ""), `${sheet} ${name}`).toBe(true);
  }
});

// Classes that are told by a word, as in among(css, place.level), cannot be seen from the program's text.
const told = new Set([
  "caution",
  "stop",
  "saving",
  "refused",
  "unsaved",
  "conflict",
  "large",
  "huge",
  "short",
  "long",
]);
const numbered = /^(over|pull|stroke|part|rim|other|repeat|n)[A-Z\d-]/;

test("no sheet dresses what nobody wears", () => {
  const program = readdirSync(source, { recursive: true })
    .map((file) => join(source, String(file)))
    .filter((file) => /\.tsx?$/.test(file) && !file.endsWith(".css.d.ts"))
    .map(text)
    .join("\n");
  for (const sheet of sheets) {
    for (const name of classesOf(text(sheet)).map(camel)) {
      const worn = program.includes(`.${name}`) || told.has(name) || numbered.test(name);
      expect(worn, `${basename(sheet)} ${name}`).toBe(true);
    }
  }
});
