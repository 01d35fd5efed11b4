import { expect, openCopy, problem, problems, strand, test } from "./mala.ts";

const ends = async (page: Parameters<typeof openCopy>[0], name: string) => {
  await openCopy(page, name);
  await page.getByRole("link", { name: /Ends and cutting/ }).click();
  await page.getByRole("region", { name: "Cord and ends" }).waitFor();
};

test("a button gets its loop from the check, and the loop follows its bead line", async ({ page }) => {
  await ends(page, "Boathook");
  await page.getByLabel("Right end is made").selectOption("");
  await problems(page);
  await expect(page.getByText("No loop for the button")).toBeVisible();
  await page.getByRole("button", { name: /Make a loop of beads/ }).first().click();
  await expect(page.getByLabel("Right end is made")).toHaveValue("loop");
  const loop = page.getByLabel("Beads of the right loop");
  await expect(loop).toHaveValue("18R");
  await loop.fill("12R");
  await loop.press("Enter");
  await expect(page.getByText("The loop does not go over its button")).toBeVisible();
  await expect(page.getByText(/The loop of 12 beads is 22\.2 mm round inside/)).toBeVisible();
  await loop.fill("12Q");
  await loop.press("Enter");
  await expect(page.getByRole("alert").getByText(/No dish has the letter Q/)).toBeVisible();
  await expect(loop).toHaveValue("12Q");
  await loop.fill("18R");
  await loop.press("Enter");
  await expect((await problems(page)).getByText("No problems found")).toBeVisible();
});

test("a leg takes a bead and a length, by keyboard alone", async ({ page }) => {
  await ends(page, "Low Water");
  const cut = page.getByTestId("cut");
  const before = await cut.textContent();
  const leg = page.getByLabel("Length of the left leg");
  await leg.focus();
  await leg.fill("120");
  await leg.press("Enter");
  await expect(cut).not.toHaveText(before!);
  await page.getByRole("button", { name: "Bead on the left leg" }).press("Enter");
  await page.getByRole("combobox", { name: "Search the catalogue" }).fill("granite");
  await page.getByRole("option", { name: /Granite/ }).first().waitFor();
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: "Bead on the left leg" })).toHaveText("Granite round");
  await expect(page.getByRole("img", { name: /Left end, from the last bead outwards: Granite round, on a leg/ })).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("button", { name: "Bead on the left leg" })).toHaveText("Driftwood round");
});

test("the cord is folded round the clasp's ring and unfolded again", async ({ page }) => {
  await ends(page, "Lookout");
  await expect(page.getByRole("img", { name: "The left end, held with the fold of the cord." })).toBeVisible();
  await expect(page.getByText("round the fold, left")).toBeVisible();
  await page.getByLabel("Left end is made").selectOption("");
  await expect(page.getByText("round the fold, left")).toBeHidden();
  await page.getByLabel("Tail of the right end").fill("12");
  await page.getByLabel("Tail of the right end").press("Enter");
  await expect(page.getByRole("row", { name: /right tail/ })).toContainText("12 mm");
});

test("a tied end says how far its tail goes back, until it goes nowhere", async ({ page }) => {
  await ends(page, "Boathook");
  const left = page.getByRole("region", { name: "Left end" });
  await expect(left).toContainText("The cord is tied to this end with a knot. the working cord: do not cut; the tail back through 6 beads, 25 mm, then trimmed.");
  await expect(left).toContainText("takes 2 passes: they need 1.00 mm");
  await page.getByLabel("Tail of the left end").fill("0");
  await page.getByLabel("Tail of the left end").press("Enter");
  await expect(left).not.toContainText("back through");
  await expect(page.getByRole("row", { name: /left tail/ })).toBeHidden();
});

test("a ring gets a bead on its loose tail", async ({ page }) => {
  await ends(page, "First Tide");
  await page.getByLabel("Left end is made").selectOption({ label: "with a bead on its loose tail" });
  const cut = page.getByRole("region", { name: "Cut", exact: true });
  await expect(cut.getByRole("row", { name: /left loose tail/ })).toBeVisible();
  await expect(cut.getByRole("row", { name: /right loose tail/ })).toBeHidden();
  await page.getByRole("button", { name: "Bead on the left tails" }).click();
  await page.getByRole("combobox", { name: "Search the catalogue" }).fill("granite");
  await page.getByRole("option", { name: /Granite/ }).first().click();
  await expect(page.getByRole("button", { name: "Bead on the left tails" })).toHaveText("Granite round");
  await page.getByLabel("Left end is made").selectOption({ label: "trimmed at the knot" });
  await expect(cut.getByRole("row", { name: /left loose tail/ })).toBeHidden();
});

test("the first end is held in its own way", async ({ page }) => {
  await ends(page, "Tide Table");
  await page.getByLabel("Left end is held while stringing").selectOption({ label: "held by a clip" });
  await expect(page.getByRole("img", { name: "The left end, held with a clip." })).toBeVisible();
  await page.getByLabel("Left end is held while stringing").selectOption("");
  await expect(page.getByRole("img", { name: "The left end, held with a bead stopper." })).toBeVisible();
});

test("a charm hangs on a loop of beads, and stays there", async ({ page }) => {
  await ends(page, "Boathook");
  await page.getByRole("button", { name: "Hang something on the right loop" }).click();
  await page.getByRole("combobox", { name: "Search the catalogue" }).fill("star on a ring");
  await page.getByRole("option", { name: /Star on a ring/ }).first().click();
  await expect(page.getByRole("button", { name: "Star on a ring, hangs on the loop" })).toBeVisible();
  await page.reload();
  await page.getByRole("button", { name: "Star on a ring, hangs on the loop" }).click();
  await page.getByRole("button", { name: /Remove/ }).click();
  await expect(page.getByRole("button", { name: "Star on a ring, hangs on the loop" })).toBeHidden();
});

test("a chain is counted by its links or by its length", async ({ page }) => {
  await ends(page, "Breakwater");
  const left = page.getByRole("group", { name: "Clasp at the left" });
  const links = left.getByLabel("Links of the chain");
  await expect(links).toHaveValue("38");
  await links.fill("30");
  await expect(left.getByLabel("Length of the chain")).toHaveValue("90 mm");
  const by = left.getByLabel("Length of the chain");
  await by.fill("100");
  await by.press("Enter");
  await expect(links).toHaveValue("33");
  await page.getByRole("link", { name: /Lay out/ }).click();
  await expect(page.getByRole("row", { name: /Brass chain 71 links/ })).toContainText("213 mm");
});

test("chain at both sides fills up to the target, alike, and follows it", async ({ page }) => {
  await ends(page, "Capped Light");
  const left = page.getByRole("group", { name: "Clasp at the left" });
  const right = page.getByRole("group", { name: "Clasp at the right" });
  await left.getByLabel("fills up").click();
  await expect(right.getByLabel("fills up")).not.toBeChecked();
  await right.getByLabel("fills up").click();
  await expect(left.getByLabel("fills up")).toBeChecked();
  await expect(right.getByLabel("fills up")).toBeChecked();
  const before = Number(await left.getByLabel("Links of the chain").inputValue());
  await page.getByRole("link", { name: /Lay out/ }).click();
  await strand(page).press("Control+A");
  await strand(page).press("Delete");
  await page.getByRole("link", { name: /Ends and cutting/ }).click();
  const after = Number(await left.getByLabel("Links of the chain").inputValue());
  expect(after).toBeGreaterThan(before + 20);
  await expect(right.getByLabel("Links of the chain")).toHaveValue(String(after));
  await right.getByLabel("Links of the chain").fill("30");
  await expect(left.getByLabel("fills up")).not.toBeChecked();
});

test("fittings are moved within their end by key, by hand, in the catalogue, and by the fix", async ({ page }) => {
  await ends(page, "Harbour Lights");
  const left = page.getByRole("group", { name: "Clasp at the left" });
  const order = () => left.getByRole("button", { name: /ring|lobster/i }).filter({ hasNotText: "hang" });
  await expect(order()).toHaveText([/ring/i, /lobster/i]);
  await order().nth(1).focus();
  await page.keyboard.press("Alt+ArrowLeft");
  await expect(order()).toHaveText([/lobster/i, /ring/i]);
  await problems(page);
  const found = problem(page, "The clasp cannot close");
  await expect(found).toContainText(/outside of it, so it takes hold of nothing/);
  await found.getByRole("button", { name: /Move .*ring inwards/ }).click();
  await expect(found).toBeHidden();
  await page.keyboard.press("Escape");
  await expect(order()).toHaveText([/ring/i, /lobster/i]);
  await order().nth(0).click();
  await expect(page.getByRole("button", { name: "Move towards the strand" })).toBeHidden();
  await page.getByRole("button", { name: "Move outwards" }).click();
  await expect(order()).toHaveText([/lobster/i, /ring/i]);
  await order().nth(0).dragTo(order().nth(1));
  await expect(order()).toHaveText([/ring/i, /lobster/i]);
});
