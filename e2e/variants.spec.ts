import { expect, line, openCopy, saved, test, typeLine } from "./mala.ts";

test("two variants lie side by side with the difference; one is set aside, and gone on with, by keyboard", async ({ page }) => {
  await openCopy(page, "Ferry Bell");
  await page.getByRole("link", { name: /^Decide/ }).click();
  await page.getByRole("link", { name: "Two variants side by side" }).press("Enter");
  await expect(page.getByText("Set this one aside, then change the piece")).toBeVisible();
  await page.getByRole("button", { name: "Set this one aside" }).press("Enter");
  await expect(page.getByText("Set aside as Variant 1.")).toBeVisible();
  await page.getByRole("link", { name: /Lay out/ }).click();
  await typeLine(page, "10(2T S F)");
  await saved(page);
  await page.getByRole("link", { name: /^Decide/ }).click();
  await page.getByRole("link", { name: "Two variants side by side" }).press("Enter");
  const beads = page.getByRole("row", { name: /^Beads/ });
  await expect(beads).toHaveText("Beads4044+4");
  await page.getByRole("button", { name: "in", exact: true }).click();
  await expect(page.getByRole("row", { name: /^Inside length/ })).toContainText("in+");
  await page.getByRole("button", { name: "Set this one aside" }).press("Enter");
  await expect(page.getByRole("combobox", { name: "The other variant" })).toContainText("Variant 2");
  await expect(beads).toHaveText("Beads4040");
  await page.getByRole("region", { name: "The other variant" }).focus();
  await page.keyboard.press("ArrowRight");
  await expect(beads).toHaveText("Beads4044+4");
  await page.getByRole("button", { name: "Go on with this one" }).press("Enter");
  await expect(page.getByText("Its previous state was saved as a version.")).toBeVisible();
  await expect(beads).toContainText("Beads44");
});

test("a proposal is compared with the piece as it is, and carried out from there", async ({ page }) => {
  await openCopy(page, "Harbour Lights");
  const own = await line(page).inputValue();
  const target = page.getByLabel("Target length");
  await target.fill("430");
  await target.press("Enter");
  const proposals = page.getByRole("region", { name: "Proposals" });
  await page.getByRole("button", { name: "Bring it right …" }).press("Enter");
  await proposals.getByRole("link", { name: /^Compare: 19P to 16P/ }).press("Enter");
  await expect(page.getByRole("combobox", { name: "The other variant" })).toContainText("Proposal: 19P to 16P");
  await expect(page.getByRole("row", { name: /^Beads/ })).toHaveText(/^Beads109103.6$/);
  await page.getByRole("button", { name: "Go on with this one" }).press("Enter");
  await expect(page.getByRole("row", { name: /^Beads/ })).toHaveText("Beads103103");
  await page.getByRole("link", { name: /Lay out/ }).click();
  await expect(line(page)).toHaveValue(/16P B L B/);
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect(line(page)).toHaveValue(own);
});
