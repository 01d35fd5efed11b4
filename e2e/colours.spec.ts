import AxeBuilder from "@axe-core/playwright";
import { more, expect, openCopy, saved, test } from "./mala.ts";

test("a piece is seen in its sizes and colourways, and what a larger bead makes wrong is said", async ({ page }) => {
  await openCopy(page, "Tide Table");
  await more(page, "Colourways");
  await expect(page.getByRole("columnheader", { name: "Medium" })).toBeVisible();
  const row = (name: string) => page.locator(".cloth tbody tr", { has: page.getByRole("rowheader", { name, exact: true }) });
  await expect(row("Original colours").getByRole("cell")).toHaveCount(3);
  await expect(row("Original colours")).toContainText("389.3 mm");
  await expect(row("Dusk")).not.toContainText("Too");
  // The open fill of the piece itself takes fewer large pearls; a size has counts of its own.
  await expect(row("Large pearls").getByRole("cell").first().getByRole("listitem")).toHaveCount(0);
  await expect(row("Large pearls").getByRole("cell").nth(1)).toContainText(/\(\+[\d.]+ mm\)/);
  await expect(row("Large pearls").getByRole("cell").nth(1).getByRole("listitem").first()).toBeVisible();
  expect((await new AxeBuilder({ page }).include(".colours").analyze()).violations).toEqual([]);
  await page.getByRole("region", { name: "Colourway Large pearls" }).getByRole("button", { name: "Remove colourway" }).click();
  await expect(row("Large pearls")).toHaveCount(0);
  await page.getByRole("button", { name: "Add colourway" }).click();
  const added = page.getByRole("region", { name: "Colourway Colourway 1" });
  await added.getByLabel("Name").fill("Frost");
  await added.getByLabel("Name").press("Enter");
  const frost = page.getByRole("region", { name: "Colourway Frost" });
  await frost.getByRole("button", { name: /^Sea-pearl round/ }).click();
  await page.getByRole("combobox", { name: "Search the catalogue" }).fill("lamp 6");
  await page.getByRole("option", { name: /Lamp-pearl round/ }).first().click();
  await expect(frost.getByRole("button", { name: /^Sea-pearl round: Lamp-pearl/ })).toBeVisible();
  await frost.getByRole("button", { name: /^Lobster clasp/ }).click();
  await expect(page.getByRole("option", { name: /Toggle/ })).toHaveCount(0);
  await page.keyboard.press("Escape");
  await saved(page);
  await page.reload();
  await expect(row("Frost").getByRole("cell")).toHaveCount(3);
  await page.getByRole("link", { name: /Lay out/ }).click();
  await more(page, "What to buy");
  await expect(page.getByRole("row", { name: /Lamp-pearl/ })).toHaveCount(0);
});

test("two colourways of one name are refused, and what was there stays", async ({ page }) => {
  await openCopy(page, "Tide Table");
  await more(page, "Colourways");
  const name = page.getByRole("region", { name: "Colourway Dusk" }).getByLabel("Name");
  await name.fill("Large pearls");
  await name.press("Enter");
  await expect(page.getByRole("alert")).toContainText("A colourway has a name of its own");
  await expect(name).toHaveValue("Large pearls");
});
