import type { Page } from "@playwright/test";
import { expect, openCopy, saved, test } from "./mala.ts";

/** joins puts the piece that is open into a stack, by keyboard. */
async function joins(page: Page, stack: string) {
  await page.getByRole("link", { name: /^Fit/ }).first().click();
  await page.getByRole("link", { name: /^Worn together/ }).press("Enter");
  const name = page.getByRole("combobox", { name: "Stack" });
  await name.fill(stack);
  await name.press("Enter");
  await expect(page.getByRole("region", { name: /^Piece / }).first()).toContainText("this piece");
  await saved(page);
}

test("pieces worn together are shown side by side and brought to one length, and a change of another is undone", async ({ page }) => {
  await openCopy(page, "Moored Twice");
  await joins(page, "A stack for one test");
  await expect(page.getByRole("status").filter({ hasText: "No other piece" })).toBeVisible();
  await openCopy(page, "Lamp in the Window");
  await joins(page, "A stack for one test");
  const pieces = page.getByRole("region", { name: /^Piece / });
  await expect(pieces).toHaveCount(2);
  const other = pieces.nth(1);
  await expect(page.getByText(/^Of one inside length they differ by/)).toBeVisible();
  const to = page.getByLabel("Length to bring them to");
  await to.fill("6 1/2 in");
  await to.press("Enter");
  await expect(pieces.first()).toContainText("now 174 mm");
  await other.focus();
  await expect(other).toContainText("1 of 1");
  await other.getByRole("button", { name: /^Use for/ }).press("Enter");
  await expect(other).toContainText("is saved so");
  await expect(other).toContainText("✓ alike as it is");
  await page.getByRole("button", { name: "One strung length" }).press("Enter");
  await expect(other).toContainText("strung");
  await page.getByRole("button", { name: "One inside length" }).press("Enter");
  await other.getByRole("button", { name: /^Undo the change/ }).press("Enter");
  await expect(other).toContainText("is as it was");
  await expect(other).not.toContainText("✓ alike");
  await pieces.first().getByRole("button", { name: /^Use for/ }).press("Enter");
  await expect(pieces.first()).toContainText("✓ alike as it is");
  await saved(page);
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect(pieces.first()).not.toContainText("✓ alike");
  const name = page.getByRole("combobox", { name: "Stack" });
  await name.fill("");
  await name.press("Enter");
  await expect(page.getByRole("status").filter({ hasText: "Give the stack a name" })).toBeVisible();
});

test("another piece that was changed meanwhile is not overwritten", async ({ page }) => {
  await openCopy(page, "Moored Twice");
  await joins(page, "Another stack for a test");
  const changed = page.url().match(/pieces\/([^/]+)/)![1];
  await openCopy(page, "Lamp in the Window");
  await joins(page, "Another stack for a test");
  const other = page.getByRole("region", { name: /^Piece / }).nth(1);
  const to = page.getByLabel("Length to bring them to");
  await to.fill("190");
  await to.press("Enter");
  await expect(other.getByRole("button", { name: /^Use for/ })).toBeVisible();
  const state = await (await page.request.get(`/api/pieces/${changed}`)).json();
  state.document.notes = "changed meanwhile";
  await page.request.put(`/api/pieces/${changed}`, { data: { base: state.revision, document: state.document } });
  await other.getByRole("button", { name: /^Use for/ }).press("Enter");
  await expect(other.getByRole("status").filter({ hasText: "changed elsewhere" })).toBeVisible();
  const now = await (await page.request.get(`/api/pieces/${changed}`)).json();
  expect(now.document.notes).toBe("changed meanwhile");
});
