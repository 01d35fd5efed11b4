import { defineConfig } from "@playwright/test";
import { browser } from "./browser.ts";

/** Measures the page of a large shop that is served already, for make load, which reads what it prints. */
export default defineConfig({
  testDir: ".",
  testMatch: "load.ts",
  outputDir: "results",
  workers: 1,
  timeout: 120_000,
  reporter: [["line"]],
  use: { ...browser, baseURL: process.env.MALA_LOAD_URL },
});
