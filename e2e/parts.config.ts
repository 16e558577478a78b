import { defineConfig } from "@playwright/test";

/** What the interface is made of, each part by itself, without a browser or a server. */
export default defineConfig({
  testDir: "..",
  testMatch: ["ui/src/**/*.test.ts", "e2e/*.test.ts"],
  outputDir: "results/parts",
  reporter: "list",
});
