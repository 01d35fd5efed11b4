import { expect, line, openCopy, saved, startPiece, strand, test, typeLine } from "./mala.ts";
import AxeBuilder from "@axe-core/playwright";
import type { Page } from "@playwright/test";

const decide = (page: Page) => page.getByRole("link", { name: /^Decide/ }).click();
const from = (page: Page, start: string) => page.getByRole("button", { name: start, exact: true }).press("Enter");
const follows = (page: Page) => page.getByRole("region", { name: "What follows" });

test("from the beads in hand: how long it can be, and whom it suits; the pattern only changes when asked", async ({ page }) => {
  await openCopy(page, "Ferry Bell");
  await decide(page);
  await from(page, "Beads in hand");
  await page.getByLabel("Foam rondelle in hand").fill("9");
  const cord = page.getByLabel("Cord in hand");
  await cord.fill("20 1/2 in");
  await cord.press("Enter");
  const longest = page.getByRole("region", { name: "The longest it can be" });
  await expect(longest).toContainText("9(2T S F)");
  await expect(longest).toContainText("Foam rondelle runs out");
  await expect(follows(page)).toContainText("44 beads");
  const sizes = page.getByRole("region", { name: "Sizes it would fit" });
  await expect(sizes.getByRole("row")).toHaveCount(8);
  await expect(sizes.getByRole("row", { name: /adult large/ })).toContainText("not enough in hand");
  await sizes.getByRole("row", { name: /age 5-7/ }).getByRole("button", { name: /^Use/ }).press("Enter");
  await expect(follows(page)).toContainText("✓ comfortable");
  await expect(follows(page)).toContainText("140 mm");
  await expect(follows(page)).not.toContainText("44 beads");
  await saved(page);
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect(follows(page)).toContainText("44 beads");
});

test("from a piece already made: so much longer, as roomy inside, and better than it sat", async ({ page }) => {
  await openCopy(page, "Last Ferry");
  await decide(page);
  await from(page, "A piece already made");
  const piece = page.getByRole("combobox", { name: "A piece of the shop" });
  await piece.fill("Ferry Bell");
  await page.getByRole("option", { name: "Ferry Bell", exact: true }).waitFor();
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("Enter");
  const longer = page.getByLabel("Longer by");
  await longer.fill("9");
  await longer.press("Enter");
  const before = await follows(page).textContent();
  await page.getByRole("button", { name: "Set target to 196.4 mm" }).press("Enter");
  await expect(follows(page)).toContainText(/too (short|long)|as asked/);
  expect((await follows(page).textContent())!.match(/takes.*/)![0]).toBe(before!.match(/takes.*/)![0]);
  const measured = page.getByLabel("What it measured");
  await measured.fill("181");
  await measured.press("Enter");
  await page.getByLabel("How did it sit?").selectOption("too tight");
  const sum = page.getByRole("table", { name: "The wearer's measure" });
  await expect(sum).toContainText("so the wrist measures about");
  await page.getByRole("button", { name: /^Use wrist 170\.\d mm, target/ }).press("Enter");
  await expect(follows(page)).toContainText("on a wrist of 170.");
  await from(page, "A wearer");
  await expect(page.getByLabel("Measure of the wrist")).toHaveValue(/^170\./);
  await expect(page.getByText("(tried on: too tight)")).toBeVisible();
});

test("from a wearer who tried something on, in inches; and from nothing at all", async ({ page }) => {
  await page.goto("/pieces");
  await page.getByRole("button", { name: "in", exact: true }).click();
  await page.getByRole("button", { name: "New piece" }).click();
  await page.getByRole("button", { name: "Bracelet", exact: true }).click();
  await page.getByLabel("How long should it be, closed?").fill("");
  await page.getByLabel("Name (optional)").fill("Started from nothing");
  await page.getByRole("button", { name: "Create" }).click();
  await expect(strand(page)).toBeFocused();
  await decide(page);
  await expect(page.getByLabel("Target length")).toHaveValue("");
  await expect(follows(page)).toContainText("20 beads");
  await from(page, "A wearer");
  await page.getByText("No tape measure?").press("Enter");
  const inside = page.getByLabel("Inside length of what was tried on");
  await inside.fill("7");
  await inside.press("Enter");
  await page.getByLabel("How did it sit?").selectOption("comfortable");
  await page.getByRole("button", { name: /^Use wrist 6 9\/16 in, target/ }).press("Enter");
  await expect(page.getByLabel("Measure of the wrist")).toHaveValue("6 9/16 in");
  await expect(follows(page)).toContainText("▲ too tight");
  await expect(follows(page)).toContainText("20 beads");
  await from(page, "A length");
  await expect(page.getByLabel("Target length")).toHaveValue("7 11/16 in");
});

test("a stretch ring is converted to a clasp and back with its pattern, by keyboard, and its target rounded", async ({ page }) => {
  await openCopy(page, "Ferry Bell");
  await decide(page);
  await page.getByText("Convert it, keeping the pattern").press("Enter");
  await page.getByLabel("Closed by").selectOption("clasp");
  const ways = page.locator(".convert").getByRole("listitem");
  await expect(ways).not.toHaveCount(0);
  await expect(ways.first()).toContainText("Lobster clasp");
  await ways.first().getByRole("button", { name: /^Use/ }).focus();
  await page.keyboard.press("1");
  await expect(page.getByText("bracelet, closed by a clasp")).toBeVisible();
  await expect(follows(page)).toContainText("45 beads");
  await page.getByRole("button", { name: "in", exact: true }).click();
  await page.getByLabel("Closed by").selectOption("knot");
  const to = page.getByLabel("Length to convert it to");
  await to.fill("7 1/2");
  await to.press("Enter");
  await expect(ways.first()).toContainText("target to 7 1/2 in");
  await ways.first().getByRole("button", { name: /^Use/ }).press("Enter");
  await expect(page.getByText("bracelet, tied in a ring")).toBeVisible();
  await expect(page.getByLabel("Target length")).toHaveValue("7 1/2 in");
  await page.getByRole("button", { name: "Round to 190 mm" }).press("Enter");
  await page.getByRole("button", { name: "mm", exact: true }).click();
  await expect(page.getByLabel("Target length")).toHaveValue("190 mm");
  await page.getByRole("button", { name: "Round to 7 1/2 in" }).press("Enter");
  await expect(page.getByLabel("Target length")).toHaveValue("190.5 mm");
});

test("a new piece is offered round lengths in either unit, and nonsense is refused in a sentence", async ({ page }) => {
  await page.goto("/pieces");
  await page.getByRole("button", { name: "New piece" }).click();
  const length = page.getByLabel("How long should it be, closed?");
  await expect(length).toHaveValue("450 mm");
  const rows = page.getByLabel("How many rows?");
  for (const wrong of ["0", "99", "1.5", ""]) {
    await rows.fill(wrong);
    await expect(page.getByText("A piece has 1 to 20 rows.")).toBeVisible();
    await expect(page.getByRole("button", { name: "Create" })).toBeDisabled();
  }
  await rows.fill("1");
  await length.fill("5 mm");
  await page.getByRole("button", { name: "Create" }).click();
  await expect(page.getByText("That is too short for a piece. Give at least 50 mm.")).toBeVisible();
  await expect(length).toHaveValue("5 mm");
  await page.getByRole("button", { name: "Cancel" }).click();
  await page.getByRole("button", { name: "in", exact: true }).click();
  await page.getByRole("button", { name: "New piece" }).click();
  await expect(page.getByLabel("How long should it be, closed?")).toHaveValue("18 in");
});

test("a new piece starts from a template, which sets the answers and has nothing to mend", async ({ page }) => {
  await page.goto("/pieces");
  for (const [template, written, closed] of [
    ["Spaced stretch", /^\{\d[A-Z] [A-Z]\}$/, "bracelet, tied in a ring"],
    ["Bracelet with accents", /^<\{\d[A-Z] [A-Z]\} \| \d[A-Z]>$/, "bracelet, closed by a clasp"],
    ["Necklace with a pendant", /^<\{[A-Z]\} .*\| [A-Z]>$/, "necklace, closed by a clasp"],
  ] as const) {
    await page.getByRole("button", { name: "New piece" }).click();
    await page.getByRole("button", { name: template }).click();
    await expect(page.getByRole("button", { name: template })).toHaveAttribute("aria-pressed", "true");
    expect((await new AxeBuilder({ page }).include(".new-piece").analyze()).violations).toEqual([]);
    await page.getByRole("button", { name: "Create" }).click();
    await expect(strand(page)).toBeFocused();
    await expect(line(page)).toHaveValue(written);
    await expect(page.getByText(closed)).toBeVisible();
    await expect(page.getByText("No problems")).toBeVisible();
    await page.goto("/pieces");
  }
});

test("a piece with the tag template is one: a copy of it opens, without the tag", async ({ page }) => {
  await startPiece(page, "House strand");
  await typeLine(page, "3D");
  await page.getByRole("link", { name: /Decide/ }).click();
  await page.getByRole("combobox", { name: /Tags/ }).fill("template");
  await page.keyboard.press("Enter");
  await saved(page);
  await page.goto("/pieces");
  await page.getByRole("button", { name: "New piece" }).click();
  await page.getByRole("group", { name: "Templates of the shop" }).getByRole("button", { name: "House strand" }).click();
  await expect(page.getByRole("heading", { name: "New House strand" })).toBeVisible();
  await expect(line(page)).toHaveValue("3D");
  await page.getByRole("link", { name: /Decide/ }).click();
  await expect(page.getByRole("button", { name: "template" })).toHaveCount(0);
  await page.goto("/pieces");
  await page.getByRole("button", { name: "Delete House strand" }).click();
});

test("the bead line takes lower case and inches with a blank before their fraction", async ({ page }) => {
  await startPiece(page, "In a hurry");
  await typeLine(page, "3d _1 1/2in 3d");
  await expect(line(page)).toHaveValue("3D _1-1/2in 3D");
});

test("a bracelet of a chosen bead for a wrist is there in few clicks, suits it and has nothing that must be fixed", async ({ page }) => {
  let clicks = 0;
  const click = async (name: string | RegExp) => {
    clicks++;
    await page.getByRole("button", { name, exact: typeof name === "string" }).first().click();
  };
  await page.goto("/pieces");
  await click("New piece");
  await click("Bracelet");
  await click("For a wearer");
  await page.getByRole("button", { name: "Create" }).click();
  await expect(page.getByRole("alert")).toContainText("Choose a size, or give the measure of the wrist.");
  await click(/^adult medium/);
  await click(/Choose …/);
  await page.getByRole("combobox", { name: "Search the catalogue" }).fill("lantern glass 8");
  await page.getByRole("option", { name: /Lantern glass/ }).first().waitFor();
  await page.keyboard.press("Enter");
  await expect(page.locator(".first-bead")).toContainText("Lantern glass");
  // The piece is shown before it is made.
  const preview = page.getByRole("figure");
  await expect(preview.getByRole("img", { name: "The new bracelet" })).toBeVisible();
  await expect(preview).not.toHaveAttribute("aria-busy", "true");
  const beads = /(\d+) beads/.exec((await preview.textContent())!)![1]!;
  await click("Create");
  await expect(page.locator(".side.right")).toContainText(`${beads} beads`);
  expect(clicks).toBeLessThanOrEqual(9);
  await expect(strand(page)).toBeFocused();
  await expect(page.locator(".dish .name")).toContainText(["Lantern glass"]);
  await expect(page.locator(".gauge .fits")).toContainText("✓");
  await expect(page.locator(".verdict")).toContainText("✓");
  await expect(page.locator(".problems-line")).not.toHaveClass(/stop/);
});

for (const [template, length] of [["Necklace with a pendant", "450"], ["Bracelet of three rows", "190"], ["Spaced stretch", "190"]] as const) {
  test(`${template.toLowerCase()}: three clicks, near its length, and nothing that must be fixed`, async ({ page }) => {
    await page.goto("/pieces");
    for (const name of ["New piece", template, "Create"]) await page.getByRole("button", { name, exact: true }).click();
    await expect(strand(page)).toBeFocused();
    for (const verdict of await page.locator(".verdict").all()) await expect(verdict).toContainText("✓");
    await expect(page.getByLabel("Target length")).toHaveValue(new RegExp(`^${length}`));
    await expect(page.locator(".problems-line")).not.toHaveClass(/stop/);
  });
}

test("a kit in two sizes, from nothing: no more than eleven clicks", async ({ page }) => {
  let clicks = 0;
  const click = async (name: string | RegExp, role: "button" | "menuitem" | "link" = "button") => {
    clicks++;
    await page.getByRole(role, { name, exact: typeof name === "string" }).first().click();
  };
  await page.goto("/pieces");
  for (const name of ["New piece", "Spaced stretch", "Create"]) await click(name);
  await saved(page);
  await click(/^More/);
  await click("Several sizes", "menuitem");
  // Those of an adult are offered at first; two are wanted.
  const offered = page.getByRole("group", { name: "Which sizes" }).getByRole("button", { pressed: true });
  await offered.first().waitFor();
  for (let n = await offered.count(); n > 2; n--, clicks++) {
    await offered.last().click();
    await expect(offered).toHaveCount(n - 1);
  }
  await expect(page.getByRole("region", { name: /^Size / })).toHaveCount(2);
  await click("Save as the sizes of this piece");
  await saved(page);
  await click(/^Instructions/, "link");
  await click("Add to a kit");
  await click("A new kit of this piece", "menuitem");
  await page.waitForURL(/\/kits\//);
  await expect(page.getByRole("group", { name: "Sizes" }).getByRole("checkbox")).toHaveCount(3); // and the piece as it is
  expect(clicks).toBeLessThanOrEqual(11);
});
