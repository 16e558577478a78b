import { createHash } from "node:crypto";
import { basename } from "node:path";
import react from "@vitejs/plugin-react";
import { defineConfig, type Plugin } from "vite";

/**
 * parts writes into offline.js what a build is made of, so that a browser takes
 * all of it or none, and names the build in the page and to the server.
 */
function parts(): Plugin {
  return {
    name: "parts",
    enforce: "post",
    generateBundle(_options, bundle) {
      const names = Object.keys(bundle)
        .filter((name) => name.startsWith("assets/"))
        .sort();
      const build = createHash("sha256").update(names.join()).digest("hex").slice(0, 12);
      const index = bundle["index.html"];
      if (index?.type === "asset") {
        index.source = String(index.source).replace("__BUILD__", build);
      }
      this.emitFile({ type: "asset", fileName: "parts.js", source: partsOf(build, names) });
    },
  };
}

const partsOf = (build: string, names: string[]) =>
  `self.build = "${build}";\nself.parts = ${JSON.stringify(names.map((name) => `/${name}`))};\n`;

const sheetOf = (file: string) => basename(file.split("?")[0] ?? "", ".module.css");

export default defineConfig({
  plugins: [react(), parts()],
  // A class is named after its sheet, so that it can be found from the page: board__sheet. No two sheets have one name.
  css: {
    modules: {
      localsConvention: "camelCase",
      generateScopedName: (name, file) => `${sheetOf(file)}__${name}`,
    },
  },
  build: {
    target: "es2022",
    emptyOutDir: true,
    chunkSizeWarningLimit: 1500,
    assetsInlineLimit: 0,
    // One piece for all sheets, in the order of styles/order.ts, whichever page is opened first.
    rolldownOptions: { output: { codeSplitting: { groups: [{ name: "sheets", test: /src.*\.css$/ }] } } },
  },
  server: { proxy: { "/api": "http://127.0.0.1:7768" } },
});
