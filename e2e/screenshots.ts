import { expect, openPiece, strand, test } from "./mala.ts";

const FOLDER = "docs/screenshots";

test("pictures of every main view", async ({ page }) => {
  const keep = async (name: string) => {
    await page.evaluate(() => document.fonts.ready);
    await page.waitForTimeout(400);
    await page.screenshot({ path: `${FOLDER}/${name}.png` });
  };
  await page.goto("/pieces");
  await page.getByRole("link", { name: "Harbour Lights", exact: true }).waitFor();
  await page.waitForTimeout(800);
  await keep("pieces");
  await page.keyboard.press("n");
  await keep("new-piece");
  await openPiece(page, "Harbour Lights");
  await strand(page).press("Home");
  for (let i = 0; i < 21; i++) await strand(page).press("ArrowRight");
  for (let i = 0; i < 3; i++) await strand(page).press("Shift+ArrowRight");
  await keep("lay-out");
  await page.getByRole("link", { name: /Decide/ }).click();
  await keep("decide");
  await openPiece(page, "Quay Lanterns");
  await page.getByRole("button", { name: "Show where" }).first().click();
  await keep("checks");
  await strand(page).press("+");
  await page.getByRole("combobox").fill("brass");
  await keep("catalogue");
  await page.keyboard.press("Escape");
  await page.evaluate(() => (window.print = () => undefined));
  await openPiece(page, "Slack Tide");
  await page.getByRole("link", { name: /Printed plan/ }).click();
  await page.evaluate(() => (window.print = () => undefined));
  await page.getByRole("button", { name: "Print", exact: true }).click();
  await expect(page.locator(".stamp")).toContainText("version 1");
  await page.setViewportSize({ width: 1280, height: 1240 });
  await keep("printed-plan");
});
