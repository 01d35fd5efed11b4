import type { Locator, Page } from "@playwright/test";
import { expect, openCopy, saved, test } from "./mala.ts";

/** inOneLength asks for one length alone, and gives its column. */
async function inOneLength(page: Page, length: string): Promise<Locator> {
  for (const chip of await page.getByRole("group", { name: "Which sizes" }).getByRole("button", { pressed: true }).all()) await chip.click();
  const typed = page.getByLabel("Another finished length");
  await typed.fill(length);
  await typed.press("Enter");
  return page.getByRole("region", { name: `Size ${length}`, exact: true });
}

test("a bracelet in four sizes, one swapped by key, saved and taken", async ({ page }) => {
  await openCopy(page, "Ferry Bell");
  await page.getByRole("link", { name: /Fit/ }).first().click();
  await page.getByRole("link", { name: "Several sizes side by side (4 saved)" }).click();
  const column = (name: string) => page.getByRole("region", { name: `Size ${name}`, exact: true });
  await expect(page.getByRole("region", { name: /^Size / })).toHaveCount(4);
  await expect(page.getByRole("button", { name: "Saved with the piece" })).toBeDisabled();
  const small = column("adult small");
  await expect(small).toContainText("1 of 2");
  const first = await small.locator(".bead-line").textContent();
  await small.focus();
  await page.keyboard.press("ArrowRight");
  await expect(small).toContainText("2 of 2");
  const second = await small.locator(".bead-line").textContent();
  expect(second).not.toBe(first);
  await expect(page.getByText("The 4 sizes saved differ from these.")).toBeVisible();
  const chip = page.getByRole("button", { name: /^age 11-13/ });
  await chip.focus();
  await page.keyboard.press("Space");
  const typed = page.getByLabel("Another finished length");
  await typed.fill("7 3/16 in");
  await typed.press("Enter");
  await expect(page.getByRole("region", { name: /^Size / })).toHaveCount(6);
  await expect(column("182.6 mm")).toContainText("182.");
  await page.getByRole("button", { name: "Save as the sizes of this piece" }).press("Enter");
  await expect(page.getByRole("button", { name: "Saved with the piece" })).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(column("adult small").locator(".bead-line")).toHaveText(second!);
  await expect(page.getByRole("region", { name: /^Size / })).toHaveCount(6);
  await column("adult extra large").getByRole("button", { name: "Make the piece this size" }).press("Enter");
  await page.getByRole("link", { name: "Back to Fit" }).click();
  await expect(page.getByLabel("Measure of the wrist")).toHaveValue("195 mm");
  await expect(page.getByTestId("ease")).toContainText("✓");
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect(page.getByLabel("Measure of the wrist")).not.toHaveValue("195 mm");
});

test("sizes in inches, and those that cannot be had say why", async ({ page }) => {
  await openCopy(page, "Ferry Bell");
  await page.getByRole("button", { name: "in", exact: true }).click();
  await page.getByRole("link", { name: /Fit/ }).first().click();
  await page.getByRole("link", { name: /Several sizes/ }).click();
  await expect(page.getByRole("region", { name: "Size adult small" })).toContainText("5 7/8 in");
  const typed = page.getByLabel("Another finished length");
  await typed.fill("1/8 in");
  await typed.press("Enter");
  await expect(page.getByRole("region", { name: "Size 3.2 mm" }).getByRole("status")).toContainText("Nothing comes within ± 4 mm. The nearest is off by");
  await expect(page.getByRole("button", { name: "Save as the sizes of this piece" })).toBeDisabled();
});

test("a piece of two sections comes in another length, both sides alike, and becomes it", async ({ page }) => {
  await openCopy(page, "Strait Lamp");
  await page.goto(`${page.url().replace(/\/$/, "")}/sizes`);
  const column = await inOneLength(page, "378 mm");
  await expect(column.locator(".bead-line")).toHaveText(["43P B", "77K 5P B", "B 43P", "B 5P 77K"]);
  await expect(column).toContainText("rows 1 and 3: 52P to 43P");
  await page.getByRole("button", { name: "Save as the sizes of this piece" }).press("Enter");
  await expect(page.getByRole("button", { name: "Saved with the piece" })).toBeVisible();
  await column.getByRole("button", { name: "Make the piece this size" }).press("Enter");
  await expect(column).toContainText("the pattern as it is");
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect(column).toContainText("rows 2 and 4: 94K to 77K");
});

test("a row of chain takes other links in another length", async ({ page }) => {
  await openCopy(page, "Net Loft");
  await page.goto(`${page.url().replace(/\/$/, "")}/sizes`);
  const column = await inOneLength(page, "447 mm");
  await expect(column).toContainText("row 3: 80 links in place of 88");
  await column.getByRole("button", { name: "Make the piece this size" }).press("Enter");
  await expect(column).toContainText("the pattern as it is");
});

test("a piece of four rows comes in another length, each row by its own line, is saved and taken", async ({ page }) => {
  await openCopy(page, "Tidewrack");
  await page.getByRole("link", { name: /Fit/ }).first().click();
  await page.getByRole("link", { name: "Several sizes side by side" }).click();
  const column = await inOneLength(page, "410 mm");
  await expect(column.locator(".bead-line")).toHaveCount(4);
  const lines = await column.locator(".bead-line").allTextContents();
  await page.getByRole("button", { name: "Save as the sizes of this piece" }).press("Enter");
  await expect(page.getByRole("button", { name: "Saved with the piece" })).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(column.locator(".bead-line")).toHaveText(lines);
  await column.getByRole("button", { name: "Make the piece this size" }).press("Enter");
  await page.getByRole("link", { name: /Lay out/ }).click();
  await expect(page.getByLabel("Target length")).toHaveValue("410 mm");
  await expect(page.getByTestId("finished")).toContainText(/^4(0[6-9]|1[0-4])/);
  await expect(page.getByRole("textbox", { name: "Bead line" }).first()).toHaveValue(lines[0]);
});
