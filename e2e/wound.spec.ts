import { expect, openPiece, strand, test } from "./mala.ts";

test("a long strand is wound round the wrist, and each turn is judged", async ({ page }) => {
  await openPiece(page, "Mooring Coil");
  await page.getByRole("link", { name: /^Fit/ }).click();
  const inside = page.getByTestId("inside");
  await expect(inside).toContainText("170.9 mm");
  await page.getByRole("button", { name: "Once less" }).focus();
  await page.keyboard.press("Enter");
  await expect(page.getByLabel("Times round the wrist")).toHaveText("2 times");
  // Half of the strand at each turn, less π times the thickness, and much too loose.
  await expect(inside).toContainText(/^26\d/);
  await expect(page.getByTestId("ease")).toContainText("too loose");
  await expect(page.getByRole("region", { name: "Suggested length" })).toContainText("× 2");
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect(inside).toContainText("170.9 mm");
});

test("a row is given a length of its own", async ({ page }) => {
  await openPiece(page, "Parted Moorings");
  await strand(page).focus();
  await page.keyboard.press("Control+ArrowDown");
  const own = page.getByLabel("Length asked of row 2");
  await expect(own).toHaveValue("475 mm");
  await own.fill("490");
  await own.press("Enter");
  await expect(page.getByText(/15 mm over|1[0-9.]* mm under|490/).first()).toBeVisible();
  await page.getByLabel("Row 2 follows").selectOption("longer");
  await expect(page.getByLabel("By how much row 2 is longer")).toBeVisible();
  await page.getByLabel("Row 2 follows").selectOption("own");
  await expect(page.getByLabel("Length asked of row 2")).toHaveValue(/^4\d\d/);
});
