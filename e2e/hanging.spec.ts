import { expect, openPiece, shown, test } from "./mala.ts";

test("a necklace hangs on its neck, and can be laid flat", async ({ page }) => {
  await openPiece(page, "Harbour Lights");
  const whole = page.locator(".felt-whole");
  await expect(whole).toHaveAttribute("aria-label", /109 beads, as it hangs/);
  await shown(page, "Laid flat");
  await expect(whole).toHaveAttribute("aria-label", /on the circle of its finished length/);
  await page.reload();
  await expect(whole).toHaveAttribute("aria-label", /on the circle of its finished length/);
  await shown(page, "Laid flat");
  await expect(whole).toHaveAttribute("aria-label", /as it hangs/);
});

test("a bead is picked where it hangs", async ({ page }) => {
  await openPiece(page, "Harbour Lights");
  const whole = page.locator(".felt-whole");
  await expect(whole).toHaveAttribute("aria-label", /as it hangs/);
  const box = (await whole.boundingBox())!;
  // The middle of the strand hangs lowest.
  await whole.click({ position: { x: box.width / 2, y: box.height - 32 } });
  await expect(page.getByTestId("at-caret")).toContainText(/5[3-6]/);
});

test("on a neck that it follows, a necklace is not said to hang", async ({ page }) => {
  await openPiece(page, "Harbour Lights");
  await page.getByRole("link", { name: /Fit/ }).click();
  const neck = page.getByLabel("Measure of the neck");
  await neck.fill("440");
  await neck.press("Enter");
  await page.getByRole("link", { name: /Lay out/ }).click();
  await expect(page.locator(".felt-whole")).toHaveAttribute("aria-label", /on the circle/);
  await page.getByRole("toolbar").getByRole("button", { name: "View" }).click();
  await expect(page.getByRole("menuitemcheckbox", { name: "Letters on the beads" })).toBeVisible();
  await expect(page.getByRole("menuitemcheckbox", { name: "Laid flat" })).toHaveCount(0);
});
