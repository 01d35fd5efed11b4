import { more, expect, line, saved, startPiece, strand, test, typeLine } from "./mala.ts";

test("versions are named, compared, made the draft again and started from", async ({ page }) => {
  await startPiece(page, "With a past");
  await typeLine(page, "50D");
  await saved(page);
  await page.getByRole("link", { name: /Instructions/ }).click();
  await page.getByLabel("Name of this version").fill("fifty");
  await page.getByRole("button", { name: "Save version" }).click();
  await expect(page.locator(".stamp")).toContainText("version 1, fifty,");
  await page.getByRole("link", { name: /Lay out/ }).click();
  await typeLine(page, "60D");
  await saved(page);

  await more(page, "History");
  const row = (what: string) => page.getByRole("row", { name: new RegExp(`^${what}`) });
  await expect(row("Beads")).toHaveText(/50\s*60\s*\+10/);
  await expect(row("Dusk-pearl round")).toHaveClass(/differs/);
  await expect(row("Slack")).not.toHaveText(/\+10/);
  await page.getByLabel("Name of this version").fill("fifty pearls");
  await page.getByRole("button", { name: "Save name" }).click();
  await expect(page.getByRole("navigation", { name: "Time line" })).toContainText("fifty pearls");

  await page.getByRole("button", { name: "Restore this version" }).click();
  await expect(page.getByRole("status").filter({ hasText: "is restored" })).toBeVisible();
  await expect(page.getByRole("navigation", { name: "Time line" }).getByRole("listitem")).toHaveCount(3);
  await page.getByRole("link", { name: /Lay out/ }).click();
  await expect(line(page)).toHaveValue("50D");
  await page.keyboard.press("ControlOrMeta+Z");
  await expect(line(page)).toHaveValue("60D");
  await saved(page);

  await more(page, "History");
  await page.getByRole("button", { name: /fifty pearls/ }).click();
  await page.getByRole("button", { name: "Copy to a new piece" }).click();
  await expect(page.getByRole("textbox", { name: "Name of the piece" })).toHaveValue("With a past, from version 1");
  await expect(strand(page)).toBeFocused();
  await expect(line(page)).toHaveValue("50D");
});

test("what was typed and never sent is there again when the tab is opened again", async ({ page, context }) => {
  await startPiece(page, "Torn off");
  const address = page.url();
  await page.route("**/api/pieces/*", (route) => (route.request().method() === "PUT" ? route.abort() : route.continue()));
  await typeLine(page, "71D");
  await expect(page.locator(".save-state")).toContainText("server unavailable");
  await page.close({ runBeforeUnload: false });
  const again = await context.newPage();
  await again.goto(address);
  await expect(line(again)).toHaveValue("71D");
  await saved(again);
});
