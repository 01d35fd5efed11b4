import { expect, finished, openPiece, problem, problems, refusedInTheLine, startPiece, strand, test, typeLine } from "./mala.ts";

test("beads are hung on the strand's own cord by keyboard, cut for and described in the plan", async ({ page }) => {
  await startPiece(page, "Fringe", "A clasp", "430 mm");
  await typeLine(page, "20D");
  await expect(page.getByText("20 beads", { exact: true })).toBeVisible();
  const before = parseFloat(await finished(page).innerText());
  await strand(page).focus();
  await page.keyboard.press("End");
  for (let i = 0; i < 5; i++) await page.keyboard.press("ArrowLeft");
  for (let i = 0; i < 5; i++) await page.keyboard.press("Shift+ArrowLeft");
  await page.keyboard.press("|");
  await expect(page.getByLabel("The bead line as text")).toHaveValue("10D [4D . D] 5D");
  // Five beads less of strand, none less in all; the cord that leaves takes its own thickness.
  await expect(page.getByText("20 beads", { exact: true })).toBeVisible();
  const after = parseFloat(await finished(page).innerText());
  expect(after).toBeLessThan(before - 15);
  await expect(page.getByRole("group", { name: "drop", exact: true })).toContainText(/mm deep, .* mm of cord/);
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect(finished(page)).toContainText(`${before} mm`);
  await page.getByRole("button", { name: "Redo", exact: true }).click();
  await page.getByRole("link", { name: /Ends and cutting/ }).click();
  await expect(page.getByRole("row", { name: /^drops/ }).or(page.getByText("drops", { exact: true })).first()).toBeVisible();
  await page.getByRole("link", { name: /Instructions/ }).click();
  await expect(page.locator(".sheet")).toContainText("drop [4D . D]");
  await expect(page.locator(".sheet")).toContainText("At the place of this drop go down through 4 ×");
});

test("a drop's beads are counted by its chips, and wrong drops are shown at their column", async ({ page }) => {
  await openPiece(page, "Fringe of Foam");
  await page.getByRole("button", { name: /^6 ?S/ }).focus();
  await page.keyboard.press("ArrowUp");
  await expect(page.getByLabel("The bead line as text")).toHaveValue("<{S} 4(B 3S) [7S R . B] 3R [9S R . B] 3R | [12S 2R . T]>");
  // Two drops, each a seed deeper, and as much strand as before.
  await expect(page.getByText("231 beads", { exact: true })).toBeVisible();
  await expect(finished(page)).toContainText("428.3 mm");
  await refusedInTheLine(page, {
    "B [5S B": "Column 3: This drop is not closed",
    "B [5S B]": "a loop stands right behind the bead",
    "B [5S . 2B]": "Column 9: The cord of a drop turns round one bead",
    "B [[5S . B] . B]": "Column 4: Nothing can hang in a drop",
    "B . S": "Column 3: . stands only inside a drop",
  });
});

test("beads are hung in a loop through a bead by keyboard, and its chips count it", async ({ page }) => {
  await startPiece(page, "Loops", "A clasp", "430 mm");
  await typeLine(page, "20D");
  await strand(page).focus();
  await page.keyboard.press("Home");
  for (let i = 0; i < 5; i++) await page.keyboard.press("ArrowRight");
  for (let i = 0; i < 9; i++) await page.keyboard.press("Shift+ArrowRight");
  await page.keyboard.press("&");
  const line = page.getByLabel("The bead line as text");
  await expect(line).toHaveValue("5D D[8D] 6D");
  await expect(page.getByText("20 beads", { exact: true })).toBeVisible();
  const loop = page.getByRole("group", { name: "loop", exact: true });
  await expect(loop).toContainText(/mm deep, .* mm of cord/);
  // The chip of the bead that it runs through counts the whole loop.
  await loop.getByRole("button", { name: /D$/ }).first().focus();
  await page.keyboard.press("ArrowUp");
  await expect(line).toHaveValue("5D 2D[8D] 6D");
  await expect(page.getByText("29 beads", { exact: true })).toBeVisible();
  await line.fill("5D D[D] 6D");
  await page.keyboard.press("Enter");
  await problems(page);
  await expect(problem(page, "The loop does not reach round its bead")).toBeVisible();
  await problem(page, "The loop does not reach round its bead").getByRole("button", { name: /Hang 1 more/ }).click();
  await expect(line).toHaveValue("5D D[2D] 6D");
  await page.getByRole("link", { name: /Instructions/ }).click();
  await expect(page.locator(".sheet")).toContainText("loop D[2D]");
  await expect(page.locator(".sheet")).toContainText("again from the same side");
});
