import { expect, finished, openCopy, openPiece, problem, problems, strand, test, typeLine } from "./mala.ts";
import type { Page } from "@playwright/test";

test.beforeEach(({ page }) => page.addInitScript(() => localStorage.setItem("mala.structure", "yes")));

const gauge = (page: Page) => page.getByRole("region", { name: "Length" });
const structure = (page: Page) => page.getByRole("group", { name: "Structure" });
const line = (page: Page) => page.getByLabel("The bead line as text");

test("a piece of three rows starts from New piece, and its rows are edited by keyboard", async ({ page }) => {
  await page.goto("/pieces");
  await page.getByRole("listitem").first().getByRole("link").waitFor();
  await page.keyboard.press("n");
  await page.getByLabel("How many rows?").fill("3");
  await page.getByRole("button", { name: "Own rings" }).click();
  await page.getByLabel("How long is the first row, closed?").fill("430");
  await page.getByRole("button", { name: "Create" }).click();
  await expect(gauge(page).getByRole("button", { name: "Row 3" })).toBeVisible();
  await expect(structure(page).getByRole("button", { name: /ring 3 on it/ })).toHaveCount(2);
  // Each row fills to a length of its own, a step longer than the one before.
  const lengths: number[] = [];
  await strand(page).focus();
  for (let i = 0; i < 3; i++) {
    await expect(gauge(page).getByRole("button", { name: `Row ${i + 1}` })).toHaveAttribute("aria-pressed", "true");
    lengths.push(parseFloat(await finished(page).innerText()));
    await page.keyboard.press("Control+ArrowDown");
  }
  expect(lengths[1]).toBeGreaterThan(lengths[0] + 8);
  expect(lengths[2]).toBeGreaterThan(lengths[1] + 8);
  // What is typed goes into the row in hand alone, and comes back with it.
  const before = await line(page).inputValue();
  await typeLine(page, "20S");
  await expect(page.getByTestId("at-caret")).toContainText("Row 3 of 3");
  await page.keyboard.press(".");
  await strand(page).press("Control+ArrowUp");
  await expect(line(page)).toHaveValue(before);
  await page.keyboard.press("ControlOrMeta+z");
  await expect(gauge(page).getByRole("button", { name: "Row 3" })).toHaveAttribute("aria-pressed", "true");
  await expect(line(page)).toHaveValue(before);
});

test("one strand grows rows at any time, and rows are copied, moved, reversed and removed", async ({ page }) => {
  await openPiece(page, "Harbour Lights");
  await expect(structure(page)).toHaveCount(0);
  await page.getByRole("button", { name: "Add row" }).click();
  await expect(gauge(page).getByRole("button", { name: "Row 2" })).toHaveAttribute("aria-pressed", "true");
  const first = await line(page).inputValue();
  await typeLine(page, "9P 3L");
  const menu = async (item: string) => {
    await structure(page).getByRole("button", { name: /^Row \d …$/ }).click();
    await page.getByRole("menuitem", { name: item }).click();
  };
  await menu("Reverse it, with its ends");
  await expect(line(page)).toHaveValue("~(9P 3L)");
  await menu("Swap beads L and P");
  await expect(line(page)).toHaveValue("~(9L 3P)");
  await menu("Move up");
  await expect(structure(page).getByRole("button", { name: "Row 1", exact: true })).toHaveAttribute("aria-pressed", "true");
  await menu("Copy it below");
  await expect(structure(page).getByRole("button", { name: "Row 3", exact: true })).toBeVisible();
  await menu("Remove it");
  await menu("Remove it");
  await expect(structure(page)).toHaveCount(0);
  await expect(line(page)).toHaveValue(first);
  for (let i = 0; i < 6; i++) await page.keyboard.press("ControlOrMeta+z");
  await expect(gauge(page).getByRole("button", { name: "Row 2" })).toBeVisible();
});

test("alike rows are edited together, and a click in the whole piece takes a row in hand", async ({ page }) => {
  await openPiece(page, "Slipway");
  await page.getByLabel("edit the 2 alike rows together").check();
  await strand(page).press("Home");
  await strand(page).press("b");
  await expect(page.getByRole("button", { name: "Bead line of row 5" })).toContainText("B 43F");
  await expect(page.getByRole("button", { name: "Bead line of row 2" })).toContainText("19(T B) T");
  const whole = page.locator(".felt-whole");
  const box = (await whole.boundingBox())!;
  // The rows lie straight side by side: the third runs through the middle.
  await whole.click({ position: { x: box.width / 2, y: box.height / 2 } });
  await expect(gauge(page).getByRole("button", { name: "Row 3" })).toHaveAttribute("aria-pressed", "true");
  await expect(page.getByTestId("at-caret")).toContainText("Row 3 of 5");
});

test("holes are chosen in the structure map, and rows that change places are found and set right", async ({ page }) => {
  await openPiece(page, "Slipway");
  await structure(page).getByRole("button", { name: /clasp 5 on it/ }).click();
  const facts = page.getByRole("dialog", { name: "Five-hole tube clasp" });
  await facts.getByLabel("Hole of row 1 at the right").selectOption("2");
  await expect(facts.getByLabel("Hole of row 2 at the right")).toHaveValue("1");
  await page.keyboard.press("Escape");
  await page.getByRole("link", { name: /Ends and cutting/ }).click();
  const found = await problems(page);
  await expect(found).toContainText("Rows 1 and 2 are in holes 1 and 2 at the left and 2 and 1 at the right");
  await found.getByRole("button", { name: "Order the right side as the left" }).click();
  await expect(found).not.toContainText("they cross on the way");
});

test("rows are sized together by a proposal, and what crosses is fixed", async ({ page }) => {
  await openPiece(page, "Crossed Lines");
  const found = await problems(page);
  await expect(found).toContainText("row 2 crosses row 1");
  await page.getByLabel("twisted").click();
  await expect(found).not.toContainText("crosses");
  await page.getByLabel("twisted").click();
  await expect(found).toContainText("crosses");
  await structure(page).getByRole("button", { name: "Size together …" }).click();
  const sizing = page.getByRole("dialog", { name: "Size the rows together" });
  await sizing.getByLabel("All rows").selectOption("step");
  await sizing.getByLabel("The step").fill("36");
  await sizing.getByLabel("The step").press("Enter");
  await expect(sizing.getByRole("listitem").first()).toContainText("470.5 mm"); // no longer what the step before gave
  await sizing.getByRole("button", { name: "Use" }).first().click();
  await expect(found).not.toContainText("crosses");
  await gauge(page).getByRole("button", { name: "Row 2" }).click();
  await expect(page.getByLabel("By how much row 2 is longer")).toHaveValue("36 mm");
  await page.getByLabel("Row 2 follows").selectOption("equal");
  await expect(found).toContainText("39.5 mm over the target");
});

test("fit, ends and the plan are given for the row in hand", async ({ page }) => {
  await openPiece(page, "Tidewrack");
  await page.getByRole("link", { name: /Fit/ }).click();
  await expect(page.getByRole("region", { name: "Rows" })).toContainText("row 1 is felt first");
  await page.getByRole("button", { name: "Row 4" }).click();
  await expect(page.locator(".cross-section")).toHaveAttribute("aria-label", /of 93 beads touch/);
  await page.getByRole("link", { name: /Ends and cutting/ }).click();
  await expect(page.getByRole("heading", { name: "Cord and ends of row 4" })).toBeVisible();
  const cut = await page.getByTestId("cut").innerText();
  await page.getByRole("button", { name: "Row 1" }).click();
  await expect(page.getByTestId("cut")).not.toHaveText(cut);
  await page.getByRole("link", { name: /Instructions/ }).click();
  await expect(page.locator(".rows-table")).toContainText(cut);
  await expect(page.locator(".sheet")).toContainText("Before any end is made");
});

test("a strand runs on through a shared bead and taken apart again, and has a row of chain beside it", async ({ page }) => {
  await openPiece(page, "Harbour Lights");
  await page.getByRole("button", { name: "Add row" }).click();
  const pick = async (item: string, wanted: string) => {
    await structure(page).getByRole("button", { name: /^Row \d …$/ }).click();
    await page.getByRole("menuitem", { name: item }).click();
    await page.getByRole("combobox").fill(wanted);
    await page.getByRole("option", { name: new RegExp(wanted, "i") }).first().click();
  };
  await pick("Add a section behind, through a shared bead", "Buoy large-hole");
  await expect(structure(page).getByRole("button", { name: "bead shared" })).toBeVisible();
  await expect(structure(page).getByRole("button", { name: "Row 4", exact: true })).toBeVisible();
  await expect(page.locator(".save-state")).toHaveText("saved");
  await page.getByRole("link", { name: /Instructions/ }).click();
  await expect(page.locator(".sheet")).toContainText("with the same cord go through buoy large-hole, and on.");
  await page.getByRole("link", { name: /Ends and cutting/ }).click();
  await expect(page.getByRole("group", { name: "Right end", exact: true })).toContainText("the cord runs on through buoy large-hole");
  await page.getByRole("link", { name: /Lay out/ }).click();
  await structure(page).getByRole("button", { name: /^Row \d …$/ }).click();
  await page.getByRole("menuitem", { name: "Remove its section" }).click();
  await expect(structure(page).getByRole("button", { name: "bead shared" })).toHaveCount(0);
  await pick("Add a row of chain below", "Brass chain");
  const chain = structure(page).getByRole("button", { name: "Row 2", exact: true });
  await expect(chain).toContainText("links");
  await chain.click();
  await expect(page.getByRole("region", { name: "Cord and ends" })).toContainText("none: its links hang in one another");
  await strand(page).focus();
  await strand(page).press("p");
  await expect(page.getByRole("alert").first()).toContainText("Beads need a cord");
});

test("a row of bead links is added with chain between them, and fills up to its length", async ({ page }) => {
  await openPiece(page, "Harbour Lights");
  await page.getByRole("button", { name: "Add row" }).click();
  await structure(page).getByRole("button", { name: /^Row \d …$/ }).click();
  await page.getByRole("menuitem", { name: "Add a row of bead links below" }).click();
  await page.getByRole("combobox").fill("stone link");
  await page.getByRole("option", { name: /Stone link/ }).click();
  const row = structure(page).getByRole("button", { name: "Row 3", exact: true });
  await expect(row).toContainText("links");
  await row.click();
  await page.getByRole("button", { name: "Change the cord and the ends" }).click();
  const ends = page.getByRole("region", { name: "Cord and ends" });
  const links = ends.getByLabel("Links of the chain");
  const before = Number(await links.inputValue());
  await ends.getByRole("checkbox", { name: "fills up" }).click();
  await expect(ends.getByRole("checkbox", { name: "fills up" })).toBeChecked();
  await ends.getByRole("button", { name: "Put chain between them" }).click();
  await page.getByRole("option", { name: /Brass chain/ }).click();
  await expect(ends.getByLabel("Links of chain between two")).toHaveValue("3");
  // With 9 mm of chain between each two, fewer links make the length.
  await expect.poll(async () => Number(await links.inputValue())).toBeLessThan(before - 4);
  const count = Number(await links.inputValue());
  await expect(page.getByRole("row", { name: /Brass chain/ })).toContainText(`${3 * (count - 1)} links`);
  await page.getByRole("link", { name: /Instructions/ }).click();
  await expect(page.locator(".sheet")).toContainText(`hook ${count} × stone link into a row with 3 links of chain between each two`);
});

test("how far rows may hang apart is the designer's to say", async ({ page }) => {
  await openPiece(page, "Tidewrack");
  await problems(page);
  await expect(page.getByText("A wide gap between rows")).toHaveCount(0);
  await structure(page).getByRole("button", { name: /Size together/ }).click();
  await page.getByLabel("Widest gap at the front").fill("2");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Escape");
  await expect(page.getByText("A wide gap between rows").first()).toBeVisible();
});

test("the cord of all rows is held against what is in stock", async ({ page }) => {
  await openPiece(page, "Tidewrack");
  await expect(page.getByRole("row", { name: /Beading wire/ })).toContainText(/1500 mm in stock, 973 mm short/);
  await openPiece(page, "Two Currents");
  await expect(page.getByRole("row", { name: /Beading wire/ })).toContainText(/1500 mm in stock/);
  await expect(page.getByRole("row", { name: /Beading wire/ })).not.toContainText("short");
});

test("a charm hangs on a ring that rows share, and counts once", async ({ page }) => {
  await openPiece(page, "Tidewrack");
  await structure(page).getByRole("button", { name: "ring 4 on it" }).first().click();
  await page.getByRole("button", { name: "Hang something on it" }).click();
  await page.getByRole("combobox").fill("star");
  await page.getByRole("option").first().click();
  await expect(page.getByText(/hangs on it/)).toBeVisible();
  await expect(page.locator(".list tr", { hasText: "Star" }).first().locator("td").last()).toHaveText("1");
  await page.getByRole("button", { name: /^Take .* off$/ }).click();
  await expect(page.getByText(/hangs on it/)).toHaveCount(0);
});

test("a problem between two rows is ignored with its reason, and taken back", async ({ page }) => {
  await openCopy(page, "Crossed Lines");
  await problems(page);
  const cross = problem(page, "Rows cross");
  await cross.getByRole("button", { name: "Ignore …" }).click();
  await cross.getByLabel("Reason").fill("meant to lie on each other");
  await cross.getByRole("button", { name: "Ignore", exact: true }).click();
  const waived = problem(page, "Rows cross, ignored");
  await expect(waived).toContainText("meant to lie on each other");
  await waived.getByRole("button", { name: "Do not ignore it" }).click();
  await expect(cross).toBeVisible();
});

test("the same problem in several rows is listed once, and shown in its row", async ({ page }) => {
  await openCopy(page, "Crossed Lines");
  await typeLine(page, "30P S 9P");
  await strand(page).focus();
  await page.keyboard.press("Control+ArrowDown");
  await expect(page.getByTestId("at-caret")).toContainText("Row 2 of 2");
  await typeLine(page, "30P S 9P");
  await problems(page);
  const alike = page.getByRole("group").filter({ hasText: "Rows 1 and 2: " });
  await expect(alike.last()).toContainText("the other 39 are");
  await alike.last().getByRole("button", { name: "Show where" }).click();
  await expect(page.getByTestId("at-caret")).toContainText("Row 1 of 2");
});
