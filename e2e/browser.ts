import type { PlaywrightTestConfig } from "@playwright/test";

/** browser is Debian's Chromium, kept from calling out. */
export const browser: PlaywrightTestConfig["use"] = {
  browserName: "chromium",
  locale: "en-GB",
  timezoneId: "UTC",
  viewport: { width: 1280, height: 800 },
  launchOptions: {
    executablePath: "/usr/bin/chromium",
    args: ["--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking", "--disable-component-update", "--disable-sync"],
  },
};
