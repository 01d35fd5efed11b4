import { defineConfig } from "@playwright/test";
import { browser } from "./browser.ts";

/** Renews docs/screenshots from the demo shop: make screenshots. */
export default defineConfig({
  testDir: ".",
  testMatch: "zz-shots.ts",
  outputDir: "results",
  workers: 1,
  timeout: 180_000,
  reporter: "list",
  use: browser,
});
