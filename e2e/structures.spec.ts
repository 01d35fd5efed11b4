import { addDish, expect, finished, line, more, openCopy, openPiece, problem, problems, saved, startPiece, strand, test, typeLine } from "./mala.ts";

test("a long strand is wound round the wrist, and each turn is judged", async ({ page }) => {
  await openPiece(page, "Mooring Coil");
  await page.getByRole("link", { name: /^Fit/ }).click();
  const inside = page.getByTestId("inside");
  await expect(inside).toContainText("170.9 mm");
  await page.getByRole("button", { name: "One turn fewer" }).focus();
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

test("a bracelet is tied on a bar from three answers, with a gate before either tail is clipped", async ({ page }) => {
  await startPiece(page, "Gunwale", "On a bar", "465 mm");
  await expect(page.getByText(/necklace, tied on a bar/)).toBeVisible();
  await expect(page.getByText(/Curved dawn bar/).first()).toBeVisible();
  await page.getByRole("link", { name: /Ends and cutting/ }).click();
  await expect(page.getByRole("group", { name: "The bar" })).toContainText("Curved dawn bar");
  await expect(page.getByRole("img", { name: /Right end, from the last bead outwards: Curved dawn bar/ })).toBeVisible();
  await page.getByRole("link", { name: /Instructions/ }).click();
  await expect(page.locator(".sheet")).toContainText("Before either tail is clipped");
});

test("a bead's hole is set off its middle in the catalogue, and a wrong place is refused", async ({ page }) => {
  await page.goto("/materials");
  await page.getByLabel("Search materials").fill("slate paddle");
  await page.getByText("Slate paddle").first().click();
  const off = page.getByLabel(/Hole off the middle/);
  await expect(off).toHaveValue(/4.5/);
  await off.fill("9");
  await off.press("Tab");
  await expect(page.getByText(/here it lies less than 7 mm off the middle/).first()).toBeVisible();
  await expect(off).toHaveValue(/9/);
});

test("riders are put on a row, told off when they do not slide, and described in the plan", async ({ page }) => {
  await openPiece(page, "Sliding Buoys");
  const riders = page.getByLabel("Sliding beads as a bead line");
  const group = page.getByRole("group", { name: "Sliding beads" });
  await expect(group).toContainText("9 slide over 138.6 mm, take 81 mm and leave 57.6 mm of it to be seen");
  await riders.fill("16L");
  await riders.press("Enter");
  await problems(page);
  await problem(page, "Too many sliding beads").getByRole("button", { name: /Leave 15 sliding beads/ }).click();
  await page.getByRole("region", { name: "Problems" }).getByRole("button", { name: "Close" }).click();
  await expect(riders).toHaveValue("15L");
  await riders.fill("3L [2S . S]");
  await riders.press("Enter");
  await expect(group.getByRole("alert")).toContainText("Column 4: Nothing hangs in a cord among sliding beads");
  await expect(riders).toHaveValue("3L [2S . S]");
  await riders.fill("");
  await riders.press("Enter");
  await expect(riders).toHaveCount(0);
  await page.getByRole("button", { name: "More for the selected beads" }).click();
  await page.getByRole("menuitem", { name: "Add sliding beads" }).click();
  await expect(riders).toBeFocused();
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect(riders).toHaveValue("15L");
  await page.getByRole("link", { name: /Instructions/ }).click();
  await expect(page.locator(".sheet")).toContainText("15L slide over it");
  await expect(page.locator(".sheet")).toContainText("Slide the sliding beads over the others");
  // Versions are distinguished by what rides as well.
  await page.getByLabel("Name of this version").fill("fifteen");
  await page.getByRole("button", { name: "Save version" }).click();
  await expect(page.locator(".stamp")).toContainText("version");
  await page.getByRole("link", { name: /Lay out/ }).click();
  await riders.fill("12L");
  await riders.press("Enter");
  await expect(group).toContainText("12 slide over");
  await saved(page);
  await more(page, "History");
  await expect(page.getByRole("row", { name: /^Sliding beads/ })).toHaveText(/15L\s*12L/);
});

test("a cord is doubled, its fold made a loop for the button, and beads ride on one of it", async ({ page }) => {
  await openPiece(page, "Deckhand Loop");
  await page.getByRole("button", { name: "Dish L: change or remove" }).click();
  await page.getByRole("menuitem", { name: "Let it ride on one cord" }).click();
  await expect(page.locator(".dish").filter({ hasText: ", on one cord" })).toHaveCount(2);
  await page.getByRole("link", { name: /Ends and cutting/ }).click();
  await expect(page.getByTestId("legs")).toContainText("2 halves of the fold, 535.1 mm each");
  const girth = page.getByLabel("Inside girth of the left loop");
  await girth.fill("33 mm");
  await girth.press("Enter");
  await problems(page);
  await expect(page.getByText("The loop does not go over its button")).toBeVisible();
  await (await problems(page)).getByRole("button", { name: /Make the loop 39 mm round/ }).click();
  await expect(girth).toHaveValue("39 mm");
  await page.getByLabel("The cord runs through every bead").selectOption("3");
  await expect(page.getByTestId("legs")).toContainText("3 cords side by side");
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect(page.getByTestId("legs")).toContainText("2 halves of the fold");
  const made = page.getByLabel("Left end is made");
  await made.selectOption({ label: "in the fold of the cord" });
  await made.selectOption({ label: "in a loop of the bare cord" });
  await expect(page.getByTestId("legs")).toContainText("2 halves of the fold");
});

test("two rows are strung on one wire folded at the left, and parted again", async ({ page }) => {
  await openPiece(page, "Twin Halyards");
  await page.getByRole("link", { name: /Ends and cutting/ }).click();
  await expect(page.getByTestId("legs")).toContainText("2 halves of the fold");
  await expect(page.getByRole("region", { name: "Cut" })).toContainText("leg of row 2");
  await page.getByRole("link", { name: /Lay out/ }).click();
  await strand(page).focus();
  await page.keyboard.press("Control+ArrowDown");
  await page.getByRole("button", { name: "Row 2 …" }).click();
  await page.getByRole("menuitem", { name: "Give it a cord of its own" }).click();
  await page.getByRole("link", { name: /Ends and cutting/ }).click();
  await expect(page.getByTestId("legs")).toHaveCount(0);
  await expect(page.getByTestId("cut")).not.toContainText(/^0 mm/);
  await page.getByRole("link", { name: /Lay out/ }).click();
  await page.getByRole("button", { name: "Row 2 …" }).click();
  await page.getByRole("menuitem", { name: "String it on the other half of row 1’s cord" }).click();
  await page.getByRole("link", { name: /Instructions/ }).click();
  await expect(page.locator(".sheet")).toContainText("fold the cord in the middle round oval ring at the left");
  await expect(page.locator(".sheet")).toContainText("bring the leg of row 2 into the same crimp");
});

test("the fold of a wire lies through a bead that a loop goes over", async ({ page }) => {
  await openCopy(page, "Twin Halyards");
  await page.getByRole("link", { name: /Ends and cutting/ }).click();
  await page.getByLabel("Left end is made").selectOption({ label: "folded through a bead" });
  await expect(page.getByRole("button", { name: "Bead in the fold" })).toHaveText("Tide stone");
  await page.getByLabel("Right end is made").selectOption({ label: "in a loop of beads" });
  await expect(page.getByRole("region", { name: "Cut" })).toContainText("left neck");
  await expect(page.getByRole("img", { name: /Left end, from the last bead outwards: Tide stone, in the fold/ })).toBeVisible();
  const neck = page.getByLabel("Neck below the bead in the fold");
  const before = await page.getByTestId("cut").textContent();
  await neck.fill("5 mm");
  await neck.press("Enter");
  await expect(page.getByTestId("cut")).not.toHaveText(before ?? "");
  await page.getByRole("link", { name: /Instructions/ }).click();
  await expect(page.locator(".sheet")).toContainText("Leave 5 mm of both cords below it");
  await expect(page.locator(".sheet")).toContainText("tide stone goes through it with a little push");
});

test("a row of buttons is laced, overlapped, and strung again", async ({ page }) => {
  await openCopy(page, "Peacoat Row");
  const way = page.getByLabel("How the row is laced");
  const spacing = page.getByLabel("How the flats lie beside one another");
  await way.selectOption({ label: "laced diagonally" });
  await page.getByLabel("Laced on B").selectOption({ label: "nothing" });
  await typeLine(page, "10B");
  await spacing.selectOption({ label: "at a pitch of" });
  await expect(page.getByLabel("Pitch, middle to middle")).toHaveValue("16 mm");
  await expect(page.getByTestId("lace")).toHaveText("fronts 42.4 mm · holes 60 mm · back 120.1 mm");
  await expect(page.getByText("10 beads", { exact: true })).toBeVisible();
  await spacing.selectOption({ label: "overlapping by" });
  await expect(page.getByTestId("lace")).toContainText("a step of 3 mm");
  await page.getByLabel("How flats that overlap lie").selectOption({ label: "each leaning on the one before" });
  await expect(page.getByTestId("lace")).toContainText("tilted 13.3°");
  await line(page).fill("10B P");
  await expect(page.getByRole("alert").first()).toContainText("No dish has the letter P");
  await typeLine(page, "10B");
  await addDish(page, "Oyster disc");
  await line(page).fill("9B O");
  await expect(page.getByRole("alert").first()).toContainText("Oyster disc has two holes: lace the row straight");
  await expect(line(page)).toHaveValue("9B O");
  await typeLine(page, "9B");
  await way.selectOption({ label: "laced straight" });
  await typeLine(page, "8B O");
  await expect(page.getByText("9 beads", { exact: true })).toBeVisible();
  await page.getByRole("link", { name: /Instructions/ }).click();
  await expect(page.locator(".sheet")).toContainText("come up through the left hole of a flat");
  await page.getByRole("link", { name: /Lay out/ }).click();
  await way.selectOption({ label: "strung, through one hole" });
  await expect(spacing).toHaveCount(0);
  await expect(finished(page)).toContainText("75 mm");
});

test("an ornament is made from nothing, hung up, and its foot weighed", async ({ page }) => {
  await page.goto("/pieces");
  await page.getByRole("button", { name: "New piece" }).click();
  await page.getByRole("button", { name: "Ornament" }).click();
  await expect(page.getByRole("group", { name: "How does it close?" })).toHaveCount(0);
  await page.getByLabel("How long should it be, from its loop to its foot?").fill("260 mm");
  await page.getByLabel("Name (optional)").fill("From nothing");
  await page.getByRole("button", { name: "Create" }).click();
  await expect(strand(page)).toBeFocused();
  await expect(page.getByText("ornament, hangs by its loop")).toBeVisible();
  await page.getByRole("link", { name: /Fit/ }).first().click();
  await page.getByRole("button", { name: "Mirror" }).click();
  await expect(page.getByText("mind your local law")).toBeVisible();
  await page.getByRole("button", { name: "What holds it" }).click();
  const girth = page.getByLabel("Girth of what holds it");
  await girth.fill("150 mm");
  await girth.press("Enter");
  await page.getByRole("link", { name: /Ends and cutting/ }).click();
  await problems(page);
  await expect(page.getByText("The loop is too small")).toBeVisible();
  await (await problems(page)).getByRole("button", { name: /Make the loop 153 mm round/ }).click();
  await expect(page.getByLabel("Inside girth of the right loop")).toHaveValue("153 mm");
  await page.getByLabel("Left end is made").selectOption({ label: "behind its crimp or a knot alone" });
  await page.getByRole("link", { name: /Fit/ }).first().click();
  await expect(page.getByTestId("foot")).toContainText("the foot is light");
  await page.getByRole("link", { name: /Decide/ }).click();
  await page.getByRole("button", { name: "Necklace", exact: true }).click();
  await expect(page.getByText("necklace, closed by a clasp")).toBeVisible();
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await page.getByRole("link", { name: /Instructions/ }).click();
  await expect(page.locator(".sheet")).toContainText("Foot end: thread");
  await expect(page.locator(".sheet")).toContainText("must not block or draw away the driver's view");
});
