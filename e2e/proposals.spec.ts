import { expect, finished, line, openCopy, problems, strand, test, typeLine } from "./mala.ts";

test("a piece off its target is brought right by keyboard, looked at before it is taken", async ({ page }) => {
  await openCopy(page, "Harbour Lights");
  const target = page.getByLabel("Target length");
  await target.fill("430 mm");
  await target.press("Enter");
  await expect(page.getByRole("button", { name: "Bring it right …" })).toBeVisible();
  await strand(page).focus();
  await page.keyboard.press("=");
  await expect(page.getByTestId("budget")).toHaveText(/^430 mm − ends and clasp 23.8 mm − slack .* = beads 403.6 mm$/);
  const first = page.getByRole("button", { name: "Use: 19P to 16P" });
  await first.focus();
  await expect(page.getByRole("img", { name: /The whole piece: 103 beads/ })).toBeVisible();
  await expect(finished(page)).toHaveText("450.6 mm");
  await page.getByRole("checkbox", { name: "only what is in stock" }).focus();
  await expect(page.getByRole("img", { name: /The whole piece: 109 beads/ })).toBeVisible();
  await page.keyboard.press("1");
  await expect(finished(page)).toHaveText("427.2 mm");
  await expect(line(page)).toHaveValue(/16P B L B/);
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect(finished(page)).toHaveText("450.6 mm");
});

test("what is pinned stays, in inches too, and the reason for no proposal is shown", async ({ page }) => {
  await openCopy(page, "Harbour Lights");
  await page.getByRole("button", { name: "in", exact: true }).click();
  const target = page.getByLabel("Target length");
  await target.fill("16.8 in");
  await target.press("Enter");
  await strand(page).press("Home");
  for (let i = 0; i < 5; i++) await page.keyboard.press("ArrowRight");
  await page.keyboard.press("!");
  await expect(page.locator(".chip.pinned")).toHaveText("19 P");
  await page.getByRole("button", { name: "Dish S: change or remove" }).click();
  await page.getByRole("menuitem", { name: "Keep its beads as they are" }).click();
  await page.keyboard.press("=");
  const proposals = page.getByRole("region", { name: "Proposals" });
  await expect(proposals.getByRole("listitem").first()).toContainText("17P to 14P");
  await expect(proposals.locator("b", { hasText: /^19P to/ })).toHaveCount(0);
  const tolerance = page.getByLabel("Tolerance", { exact: true });
  await tolerance.fill("0");
  await tolerance.press("Enter");
  await expect(proposals.getByRole("status")).toContainText("Nothing comes within ± 0 in. The nearest is off by");
  await target.fill("0.5 in");
  await target.press("Enter");
  await expect(proposals.getByRole("status")).toContainText("leaves nothing for beads");
});

test("a bracelet is brought to its wearer in Fit", async ({ page }) => {
  await openCopy(page, "Ferry Bell");
  await page.getByRole("link", { name: /Fit/ }).first().click();
  const measure = page.getByLabel("Measure of the wrist");
  await measure.fill("180 mm");
  await measure.press("Enter");
  const proposals = page.getByRole("region", { name: "Proposals" });
  await expect(proposals).toContainText("Ways to bring it right");
  await proposals.getByRole("button", { name: "Proposals" }).click();
  await proposals.getByLabel("Bring it to").selectOption({ label: "to its wearer" });
  await expect(proposals.getByRole("listitem").first()).toContainText("of ease");
  await proposals.getByRole("button", { name: /^Use:/ }).first().click();
  await expect(page.getByTestId("ease")).toContainText("✓");
});

test("all stops and warnings are fixed in one step, shown before and undone", async ({ page }) => {
  await openCopy(page, "Harbour Lights");
  await typeLine(page, "300P");
  await expect(page.getByRole("region", { name: "Tally" })).toContainText("240 in stock, 60 short");
  await expect(page.locator(".dish").filter({ hasText: "300 of 240" })).toContainText("60 short");
  await typeLine(page, "20P");
  await expect(page.locator(".dish").filter({ hasText: "20 of 240" })).not.toContainText("short");
  const checks = await problems(page);
  await expect(checks.locator(".check.stop, .check.warn").nth(1)).toBeVisible();
  const before = await checks.locator(".check.stop, .check.warn").count();
  await checks.getByRole("button", { name: "Fix all …" }).press("Enter");
  const all = page.getByRole("dialog", { name: "Fix what must or should be fixed" });
  await expect(all.getByRole("listitem").first()).toBeVisible();
  await all.getByRole("button", { name: "Fix all" }).press("Enter");
  await expect(checks.locator(".check.stop, .check.warn")).toHaveCount(0);
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect(checks.locator(".check.stop, .check.warn")).toHaveCount(before);
});
