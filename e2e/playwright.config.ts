import { defineConfig } from "@playwright/test";
import { browser } from "./browser.ts";

export default defineConfig({
  testDir: ".",
  testMatch: "*.spec.ts",
  outputDir: "results",
  fullyParallel: true,
  workers: 2,
  timeout: 150_000,
  expect: { timeout: 15_000 },
  retries: process.env.CI ? 1 : 0,
  forbidOnly: !!process.env.CI,
  reporter: [["list"], ["./countReporter.ts"]],
  use: { ...browser, actionTimeout: 15_000, trace: "retain-on-failure" },
});
