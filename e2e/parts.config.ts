import { defineConfig } from "@playwright/test";

/** What the interface is made of, each part by itself, without a browser or a server. */
export default defineConfig({
  testDir: "../ui/src",
  testMatch: "**/*.test.ts",
  outputDir: "results/parts",
  reporter: "list",
});
