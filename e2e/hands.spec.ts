import { addDish, caret, expect, finished, line, openPiece, saved, searchCatalogue, shown, startPiece, strand, test, typeLine } from "./mala.ts";

test.describe("by keyboard on the strand", () => {
  test.beforeEach(async ({ page }, info) => {
    await startPiece(page, info.title.slice(0, 100));
    await addDish(page, "lantern glass 8");
    await expect(page.locator(".dish .letter", { hasText: "L" })).toBeVisible();
    await typeLine(page, "");
    await expect(caret(page)).toContainText("The cord is bare");
  });

  test("letters drop beads, digits first drop runs, and undo takes them back", async ({ page }) => {
    await strand(page).press("9");
    await strand(page).press("d");
    await expect(line(page)).toHaveValue("9D");
    await strand(page).press("L");
    await expect(line(page)).toHaveValue("9D L");
    await strand(page).pressSequentially("12D");
    await expect(line(page)).toHaveValue("9D L 12D");
    await expect(caret(page)).toContainText("At the right end");
    await strand(page).press("ControlOrMeta+Z");
    await strand(page).press("ControlOrMeta+Z");
    await expect(line(page)).toHaveValue("9D");
    await strand(page).press("ControlOrMeta+Y");
    await expect(line(page)).toHaveValue("9D L");
    await strand(page).press("ControlOrMeta+Shift+Z");
    await expect(line(page)).toHaveValue("9D L 12D");
    await strand(page).press("q");
    await expect(page.getByRole("alert")).toContainText("No dish has the letter Q");
  });

  test("selections are counted, grouped, mirrored, turned, filled and written out", async ({ page }) => {
    await typeLine(page, "6D L");
    await strand(page).press("End");
    for (let i = 0; i < 3; i++) await strand(page).press("Shift+ArrowLeft");
    await expect(page.locator(".felt-note")).toContainText("3 beads");
    await strand(page).press("(");
    await expect(line(page)).toHaveValue("4D (2D L)");
    await strand(page).press("~");
    await expect(line(page)).toHaveValue("4D ~(2D L)");
    await strand(page).press(")");
    await expect(line(page)).toHaveValue("4D ~L ~D ~D".replace("~D ~D", "2~D"));
    await strand(page).press("ControlOrMeta+A");
    await strand(page).press("<");
    await expect(line(page)).toHaveValue("<4D ~L 2~D |>");
    await strand(page).press("Home");
    await strand(page).press("Shift+ArrowRight");
    await strand(page).press("{");
    await expect(line(page)).toHaveValue("<{D} 3D ~L 2~D |>");
    await expect(page.locator(".verdict")).toContainText("✓");
  });

  test("what is cut or copied is put in elsewhere", async ({ page, context }) => {
    await context.grantPermissions(["clipboard-read", "clipboard-write"]);
    await typeLine(page, "3(D L) 5D");
    await expect(page.getByText("11 beads", { exact: true })).toBeVisible();
    await strand(page).press("Home");
    for (let i = 0; i < 6; i++) await strand(page).press("Shift+ArrowRight");
    await strand(page).press("ControlOrMeta+C");
    await expect.poll(() => page.evaluate(() => navigator.clipboard.readText())).toBe("3(D L)");
    await strand(page).press("End");
    await strand(page).press("ControlOrMeta+V");
    await expect(line(page)).toHaveValue("3(D L) 5D 3(D L)");
    await strand(page).press("Home");
    await strand(page).press("Shift+ArrowRight");
    await strand(page).press("ControlOrMeta+X");
    await expect(line(page)).toHaveValue("3L 5D 3(D L)");
  });

  test("an edit in the mirrored half edits the half it mirrors", async ({ page }) => {
    await typeLine(page, "<4D L | L>");
    await strand(page).press("End");
    await strand(page).press("ArrowLeft");
    await strand(page).press("L");
    await expect(line(page)).toHaveValue("<D L 3D L | L>");
    await strand(page).press("Backspace");
    await expect(line(page)).toHaveValue("<4D L | L>");
    await strand(page).press("ArrowUp");
    await expect(line(page)).toHaveValue("<5D L | L>");
    await strand(page).press("ArrowDown");
    await strand(page).press("ArrowDown");
    await expect(line(page)).toHaveValue("<3D L | L>");
    await strand(page).press("ControlOrMeta+ArrowLeft");
    await expect(caret(page)).toContainText("After bead");
  });

  test("keys that come faster than the answers each count once, where the last left off", async ({ page }) => {
    await typeLine(page, "9D 2L D");
    await strand(page).press("End");
    await page.route("**/api/edit*", async (route) => {
      await new Promise((done) => setTimeout(done, 400));
      await route.continue();
    });
    for (const key of ["Backspace", "Backspace", "Backspace", "ArrowDown", "ArrowDown", "ArrowUp", "L", "L", "Backspace"]) await strand(page).press(key);
    await expect(line(page)).toHaveValue("7D L D", { timeout: 15_000 });
  });
});

test("a click on either band places the caret, and a chip selects its run", async ({ page }) => {
  await openPiece(page, "Ferry Bell");
  const box = (await strand(page).boundingBox())!;
  await strand(page).click({ position: { x: box.width - 30, y: box.height / 2 } });
  await expect(caret(page)).toContainText(/After bead \d+/);
  const there = await caret(page).innerText();
  await page.getByRole("img", { name: /The whole piece/ }).click({ position: { x: 350, y: 290 } });
  await expect(caret(page)).not.toHaveText(there);
  await page.locator(".chip", { hasText: "2 T" }).click();
  await expect(page.locator(".felt-note")).toContainText("2 beads");
  await page.locator(".chip", { hasText: "2 T" }).press("ArrowUp");
  await expect(line(page)).toHaveValue("11(3T S F)");
  await page.keyboard.press("ControlOrMeta+Z");
  await expect(line(page)).toHaveValue("11(2T S F)");
});

test("a cap dropped after a wider bead opens towards it", async ({ page }) => {
  await openPiece(page, "Slack Tide");
  await typeLine(page, "3P G");
  await strand(page).press("End");
  await strand(page).press("c");
  await expect(line(page)).toHaveValue("3P G ~C");
});

test("ends, cord and slack are changed from the catalogue, and the length follows", async ({ page }) => {
  await openPiece(page, "Harbour Lights");
  const before = await finished(page).innerText();
  await page.getByRole("button", { name: "Change the cord and the ends" }).click();
  const ends = page.getByRole("region", { name: "Cord and ends" });
  await ends.getByRole("button", { name: /^Lobster clasp/ }).click();
  await searchCatalogue(page).fill("hook");
  await page.getByRole("option", { name: /Mooring hook/ }).waitFor();
  await page.keyboard.press("Enter");
  await expect(ends.getByRole("button", { name: /^Mooring hook/ })).toBeVisible();
  await expect(finished(page)).not.toHaveText(before);
  await ends.getByLabel("Slack").fill("1/4 in");
  await ends.getByLabel("Slack").press("Enter");
  await expect(ends.getByLabel("Slack")).toHaveValue("6.3 mm");
  await ends.getByLabel("Slack").fill("a bit");
  await ends.getByLabel("Slack").press("Enter");
  await expect(ends.getByRole("alert")).toContainText("A length starts with a number");
  await expect(ends.getByLabel("Slack")).toHaveValue("a bit");
  await ends.getByLabel("Slack").press("Escape");
  await ends.getByRole("button", { name: /^Mooring hook/ }).click();
  await page.getByRole("button", { name: "Remove" }).click();
  await expect(ends.getByRole("button", { name: /^Mooring hook/ })).toHaveCount(0);
  for (let i = 0; i < 3; i++) await page.keyboard.press("ControlOrMeta+Z");
  await expect(finished(page)).toHaveText(before);
  await saved(page);
});

/** onStrand is the place of a gap on the close-up, from its own scale. */
async function onStrand(page: import("@playwright/test").Page, mm: number): Promise<{ x: number; y: number }> {
  const box = (await strand(page).boundingBox())!;
  const [px, left] = await strand(page).evaluate((el) => [Number(el.dataset.px), Number(el.dataset.left)]);
  return { x: box.x + (mm - left) * px, y: box.y + box.height * 0.58 };
}

test("by mouse alone: a dish is dragged in, a run is selected, carried along and pulled longer", async ({ page }) => {
  await startPiece(page, "By mouse");
  await addDish(page, "lantern glass 8");
  await typeLine(page, "4D L 3D");
  await expect(page.getByText("8 beads", { exact: true })).toBeVisible();

  // Dragged from its dish to the left end.
  const left = await onStrand(page, 0);
  const box = (await strand(page).boundingBox())!;
  await page.locator(".dish", { hasText: "Lantern" }).locator(".drop").dragTo(strand(page), { targetPosition: { x: left.x - box.x, y: 100 } });
  await expect(line(page)).toHaveValue("L 4D L 3D");

  // A double click takes the run; dragged, it goes along.
  let at = await onStrand(page, 12);
  await page.mouse.dblclick(at.x, at.y);
  await expect(page.locator(".felt-note")).toContainText("4 beads");
  const to = await onStrand(page, 40);
  await page.mouse.move(at.x, at.y);
  await page.mouse.down();
  await page.mouse.move(to.x, to.y, { steps: 6 });
  await page.mouse.up();
  await expect(line(page)).toHaveValue("2L 7D");

  // Its right end pulled: two more.
  await page.locator(".chip", { hasText: "7 D" }).click();
  await expect(page.locator(".felt-note")).toContainText("7 beads");
  const [pitch, end] = [3.91, 2 * 7.92 + 7 * 3.91];
  at = await onStrand(page, end - 0.2);
  await page.mouse.move(at.x, at.y);
  await page.mouse.down();
  const px = Number(await strand(page).getAttribute("data-px"));
  await page.mouse.move(at.x + 2 * pitch * px, at.y, { steps: 6 });
  await page.mouse.up();
  await expect(line(page)).toHaveValue("2L 9D");

  // The tools do what the keys do.
  await page.getByRole("toolbar").getByRole("button", { name: "Group", exact: true }).click();
  await expect(line(page)).toHaveValue("2L (9D)");
  await page.getByRole("toolbar").getByRole("button", { name: "Delete" }).click();
  await expect(line(page)).toHaveValue("2L");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(line(page)).toHaveValue("2L (9D)");
});

test("chips take a count by typing, go by Delete, and shuffling parts the alike", async ({ page }) => {
  await startPiece(page, "Chips");
  await addDish(page, "lantern glass 8");
  await typeLine(page, "4D 4L");
  await expect(page.locator(".chip", { hasText: "4 D" })).toBeVisible();
  await page.locator(".chip", { hasText: "4 D" }).focus();
  await page.keyboard.type("12");
  await page.keyboard.press("Enter");
  await expect(line(page)).toHaveValue("12D 4L");
  await page.locator(".chip", { hasText: "12 D" }).press("Delete");
  await expect(line(page)).toHaveValue("4L");
  await typeLine(page, "5D 5L");
  await expect(page.locator(".chip", { hasText: "5 L" })).toBeVisible();
  await strand(page).press("ControlOrMeta+A");
  await strand(page).press("*");
  await expect(line(page)).toHaveValue(/^(D L D L D L D L D L|L D L D L D L D L D)$/);
});

test("the felt is enlarged, looked along, lettered, and shown at true size", async ({ page }) => {
  await openPiece(page, "Harbour Lights");
  const scale = async () => Number(await strand(page).getAttribute("data-px"));
  const edge = async () => Number(await strand(page).getAttribute("data-left"));
  const before = await scale();
  await strand(page).press("]");
  await expect.poll(scale).toBeGreaterThan(before);
  await strand(page).press("[");
  await expect.poll(scale).toBe(before);
  const from = await edge();
  await strand(page).hover();
  await page.mouse.wheel(0, 400);
  await expect.poll(edge).toBeGreaterThan(from + 10);
  await shown(page, "Letters on the beads");
  await page.getByRole("toolbar").getByRole("button", { name: "View" }).click();
  await expect(page.getByRole("menuitemcheckbox", { name: "Letters on the beads" })).toBeChecked();
  await page.keyboard.press("Escape");
  await shown(page, "True size");
  await page.getByRole("slider", { name: "Length of the bar" }).press("ArrowRight");
  const bar = (await page.getByTestId("bar").boundingBox())!.width;
  await page.getByRole("button", { name: "It measures 100 mm" }).click();
  await expect.poll(scale).toBeCloseTo(bar / 100, 2);
  await page.reload();
  await shown(page, "True size");
  await expect.poll(scale).toBeCloseTo(bar / 100, 2);
});
