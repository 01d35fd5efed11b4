import { defineConfig } from "@playwright/test";
import { browser } from "./browser.ts";

/** Measures the running app and prints what it finds: make bench. */
export default defineConfig({
  testDir: ".",
  testMatch: "speed.ts",
  outputDir: "results",
  workers: 1,
  timeout: 180_000,
  reporter: [["line"]],
  use: browser,
});
