import { readFileSync, writeFileSync } from "node:fs";
import { execFileSync } from "node:child_process";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, openCopy, test } from "./mala.ts";

test("runs in any order are marked, sized from least to most, and counted into the bag as they are", async ({ page }) => {
  await openCopy(page, "First Tide");
  const field = page.getByRole("textbox", { name: "Bead line" });
  await field.fill("?(3S 4A) L T");
  await expect(page.getByRole("alert").or(page.locator(".fault")).first()).toBeVisible(); // those dishes are not all there
  const line = (await page.request.get("/api/pieces?search=beachcomber").then((r) => r.json())).pieces[0];
  await page.goto(`/pieces/${line.id}`);
  await expect(page.getByTestId("any-order")).toHaveText("in any order 185.3 mm to 186.4 mm");
  await expect(page.getByRole("button", { name: "any order, 1 times" })).toContainText("?(");
  await page.getByRole("link", { name: /Instructions/ }).click();
  await expect(page.locator(".runs li", { hasText: "Driftwood round" })).toContainText("any order");
  await expect(page.locator(".steps")).toContainText("may be mixed as you like");
  await expect(page.locator(".steps")).toContainText("closed it measures 185.3 mm to 186.4 mm");
  const kit = (await page.request.get("/api/kits?search=beachcomber").then((r) => r.json())).kits[0];
  await page.goto(`/kits/${kit.id}/bag/0-0-0`);
  await expect(page.getByRole("region", { name: "Bag Beads" }).getByRole("listitem").filter({ hasText: "Driftwood round" })).toContainText("8 + 1 spare");
  await expect(page.getByRole("region", { name: "The buyer's own" })).toContainText("Lantern glass");
  const file = join(tmpdir(), `free-${Math.random()}.pdf`);
  writeFileSync(file, await (await page.request.get(`/api/kits/${kit.id}/papers/instructions`)).body());
  expect(execFileSync("pdftotext", [file, "-"], { encoding: "utf8" })).toContain("any order");
  expect(readFileSync(file).length).toBeGreaterThan(1000);
});

test("a selection is let loose by a key, and taken back", async ({ page }) => {
  await openCopy(page, "Beachcomber");
  await page.getByRole("button", { name: "any order, 1 times" }).click();
  await page.getByRole("application", { name: /strand/i }).or(page.locator(".felt-close")).first().focus();
  await page.keyboard.press("%");
  await expect(page.getByRole("button", { name: "group, 1 times" })).toBeVisible();
  await expect(page.getByTestId("any-order")).toHaveCount(0);
  await page.keyboard.press("Control+z");
  await expect(page.getByRole("button", { name: "any order, 1 times" })).toBeVisible();
});
