// Writes what classes each style sheet has, as types beside it: a class that no sheet has does not compile.
import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";

/** classesOf are the classes of a sheet's own, in order; what other sheets or every screen have is not among them. */
export const classesOf = (css) => {
  const text = css.replaceAll(/\/\*.*?\*\//gs, "");
  const selectors = [...text.matchAll(/([^{};]+)\{/g)].map((rule) =>
    rule[1].replaceAll(/:global\([^)]*\)/g, ""),
  );
  const found = selectors.flatMap((selector) =>
    [...selector.matchAll(/\.([a-zA-Z][\w-]*)/g)].map((name) => name[1]),
  );
  return [...new Set(found)].sort();
};

/** camel is how the program spells a class: needleName. */
export const camel = (name) => name.replaceAll(/-(\w)/g, (_, letter) => letter.toUpperCase());

/** sheetsIn are the style sheets that are scoped, from a folder down. */
export const sheetsIn = (folder) =>
  readdirSync(folder, { recursive: true })
    .filter((file) => file.endsWith(".module.css"))
    .map((file) => join(folder, file));

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  for (const sheet of sheetsIn("src")) {
    const types = classesOf(readFileSync(sheet, "utf8")).map((name) => `  readonly ${camel(name)}: string;`);
    writeFileSync(
      `${sheet}.d.ts`,
      `declare const classes: {\n${types.join("\n")}\n};\nexport default classes;\n`,
    );
  }
}
