import type { Page } from "@playwright/test";
import { expect, finished, openCopy, problem, problems, refusedInTheLine, startPiece, strand, test, typeLine } from "./mala.ts";

const chips = (page: Page) => page.getByRole("group", { name: "The bead line as chips" });
const gapFacts = (page: Page) => page.getByRole("dialog", { name: "Gap" });

test("beads are set apart by keyboard, held by knots, and described in the plan", async ({ page }) => {
  await startPiece(page, "Stations", "A clasp", "430 mm");
  await typeLine(page, "9(D _14mm) D");
  await expect(page.getByText("10 beads", { exact: true })).toBeVisible();
  const before = parseFloat(await finished(page).innerText());
  await strand(page).focus();
  await page.keyboard.press("End");
  await page.keyboard.press("ArrowLeft");
  await page.keyboard.press("_");
  // What goes into a group goes into each of its repeats: nine gaps of 10 mm, and no bead more.
  await expect(finished(page)).toContainText(`${Math.round((before + 90) * 10) / 10} mm`);
  await expect(page.getByText("10 beads", { exact: true })).toBeVisible();
  await page.keyboard.press("Backspace");
  await expect(finished(page)).toContainText(`${before} mm`);
  await problems(page);
  await expect(problem(page, "Nothing holds the beads apart")).toBeVisible();
  await page.getByRole("button", { name: "Change the cord and the ends" }).click();
  await page.getByLabel("Beads are held apart by").selectOption("knots");
  await expect(page.getByText("Nothing holds the beads apart")).toHaveCount(0);
  await page.getByRole("link", { name: /Ends and cutting/ }).click();
  await expect(page.getByText("knots between beads")).toBeVisible();
  await page.getByRole("link", { name: /Instructions/ }).click();
  await expect(page.locator(".sheet")).toContainText("gap of 14 mm");
  await expect(page.locator(".sheet")).toContainText(/tie an overhand knot tight against every bead .* 18 in all/);
  await expect(page.locator(".sheet")).toContainText(/knot 2 lies .* from the start, 14 mm from the one before/);
});

test("a gap read from middle to middle shows both lengths before it is taken", async ({ page }) => {
  await openCopy(page, "Nine Buoys");
  const before = await finished(page).innerText();
  await chips(page).getByRole("button", { name: "a gap of 25mm" }).click();
  await expect(gapFacts(page)).toContainText("the row is then 396.3 mm strung");
  // Eight gaps of 25 mm become eight pitches of 25 mm between brass rounds of 3 mm.
  await expect(gapFacts(page)).toContainText(/the row is then 37\d\.\d mm strung/);
  await expect(finished(page)).toHaveText(before);
  await gapFacts(page).getByRole("button", { name: "from middle to middle" }).click();
  await expect(finished(page)).not.toHaveText(before);
  await page.keyboard.press("Escape");
  await expect(chips(page).getByRole("button", { name: "a pitch of 25mm" })).toBeVisible();
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect(finished(page)).toHaveText(before);
  await chips(page).getByRole("button", { name: "a gap of 37mm" }).click();
  await gapFacts(page).getByLabel("Length of the gap").fill("30 mm");
  await page.keyboard.press("Enter");
  await expect(finished(page)).toContainText("406.5");
});

test("a gap that cannot be is shown at its column, and what was typed stays", async ({ page }) => {
  await openCopy(page, "Nine Buoys");
  await refusedInTheLine(page, {
    "T _0mm T": "Column 3: A gap is 0.1 mm to 1 m long.",
    "T _10m T": "Column 3",
    "T _-4mm T": "Column 3: A length cannot be negative",
    "T @4mm T": "Column 3: A pitch of 4mm is too short: from middle to middle these beads take",
    "@20mm T": "Column 1: A pitch goes from the middle of a bead to the middle of the next",
  });
});
