import { expect, openCopy, problem, problems, saved, test } from "./mala.ts";
import type { Page } from "@playwright/test";

const keep = async (page: Page) => {
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByRole("button", { name: "Save" })).toBeDisabled();
};

async function typeLength(page: Page, label: string, text: string) {
  await page.getByRole("textbox", { name: label, exact: true }).fill(text);
  await page.getByRole("textbox", { name: label, exact: true }).press("Enter");
}

test("the shop's own sizes and words of ease are edited, and offered where a piece is fitted", async ({ page }) => {
  await page.goto("/house");
  const sizes = page.getByRole("region", { name: "Standard sizes and ages" });
  await sizes.getByRole("button", { name: "Add a row" }).click();
  await page.getByRole("textbox", { name: "Name of size 9" }).fill("the shop's dummy");
  await typeLength(page, "Measure, the shop's dummy", "17,2 cm");
  const ease = page.getByRole("region", { name: "Ease ranges" });
  await ease.getByRole("button", { name: "Add a row" }).click();
  await page.getByRole("textbox", { name: "Word 10" }).fill("hugging");
  await ease.getByRole("combobox", { name: "Put on, hugging, wrist" }).selectOption("slipped on");
  await typeLength(page, "From, hugging, wrist", "-12 mm");
  await typeLength(page, "To, hugging, wrist", "-6");
  await keep(page);

  await openCopy(page, "Lamp in the Window");
  await page.getByRole("link", { name: /Fit/ }).click();
  await page.getByRole("button", { name: "the shop's dummy 172 mm" }).click();
  await expect(page.getByRole("textbox", { name: "Measure of the wrist" })).toHaveValue("172 mm");
  await page.getByRole("button", { name: "hugging", exact: true }).click();
  await problems(page);
  await expect(problem(page, "Too loose on the wrist")).toContainText("-12 mm to -6 mm is right");
  await page.keyboard.press("Control+z");
  await page.keyboard.press("Control+z");
  await saved(page);

  await page.getByRole("link", { name: "House method" }).click();
  await page.getByRole("button", { name: "Remove the shop's dummy" }).click();
  await page.getByRole("button", { name: "Remove hugging, wrist" }).click();
  await keep(page);
});

test("lengths typed one after the other are both kept, however slowly they are read", async ({ page }) => {
  let slow = 900;
  await page.route("**/api/length", async (route) => {
    const wait = (slow -= 300); // the later one is read first
    await new Promise((done) => setTimeout(done, wait));
    await route.continue();
  });
  await page.goto("/house");
  const ease = page.getByRole("region", { name: "Ease ranges" });
  await ease.getByRole("button", { name: "Add a row" }).click();
  await typeLength(page, "From, new, wrist", "-12 mm");
  await typeLength(page, "To, new, wrist", "-6");
  await expect(page.getByRole("textbox", { name: "To, new, wrist", exact: true })).toHaveValue("-6 mm");
  await expect(page.getByRole("textbox", { name: "From, new, wrist", exact: true })).toHaveValue("-12 mm");
  await expect(page.getByRole("textbox", { name: "To, new, wrist", exact: true })).toHaveValue("-6 mm");
  slow = 1200;
  await typeLength(page, "To, new, wrist", "-5");
  await keep(page);
  await expect(page.getByRole("textbox", { name: "To, new, wrist", exact: true })).toHaveValue("-5 mm");
  await page.reload();
  await expect(page.getByRole("textbox", { name: "To, new, wrist", exact: true })).toHaveValue("-5 mm");
  await page.getByRole("button", { name: "Remove new, wrist" }).click();
  await keep(page);
});

test("the house's unit is shown in a browser that has chosen none, and a browser's own stands", async ({ page, browser, mala }) => {
  await page.goto("/house");
  await page.getByRole("button", { name: "inches", exact: true }).click();
  await keep(page);
  await expect(page.getByRole("button", { name: "in", exact: true })).toHaveAttribute("aria-pressed", "true");
  const other = await browser.newContext({ baseURL: mala.url });
  const fresh = await other.newPage();
  await fresh.goto("/pieces");
  await expect(fresh.getByRole("button", { name: "in", exact: true })).toHaveAttribute("aria-pressed", "true");
  await fresh.getByRole("button", { name: "mm", exact: true }).click();
  await fresh.reload();
  await expect(fresh.getByRole("button", { name: "mm", exact: true })).toHaveAttribute("aria-pressed", "true");
  await other.close();
  await page.getByRole("group", { name: "Units" }).getByRole("button", { name: "mm", exact: true }).click();
  await keep(page);
});

test("a house changed in another window is not overwritten", async ({ page, context }) => {
  await page.goto("/house");
  await page.getByRole("button", { name: "Trimmed short" }).click();
  const other = await context.newPage();
  await other.goto("/house");
  await other.getByRole("button", { name: "Easy, 2 mm more" }).click();
  await keep(other);
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByRole("alert")).toContainText("changed elsewhere");
  await expect(page.getByRole("button", { name: "Trimmed short" })).toHaveAttribute("aria-pressed", "true");
  await other.getByRole("button", { name: "Snug, only what bending needs" }).click();
  await keep(other);
});

test("a child's band is cut shorter and carries its cautions", async ({ page }) => {
  await openCopy(page, "First Tide");
  await page.getByRole("link", { name: /Ends and cutting/ }).click();
  const tie = page.getByRole("region", { name: "Cut", exact: true }).getByRole("row", { name: /knot tail/ });
  await expect(tie.first()).toContainText("30 mm");
  await page.getByRole("link", { name: /Instructions/ }).click();
  await expect(page.locator(".sheet .cautions")).toContainText("a cord that does not break away can strangle");
  await expect(page.locator(".sheet")).toContainText("age 3-4");
  await page.getByRole("link", { name: /Fit/ }).click();
  const child = page.getByRole("checkbox", { name: "For a child" });
  await child.click();
  await expect(child).not.toBeChecked();
  await page.getByRole("link", { name: /Ends and cutting/ }).click();
  await expect(tie.first()).toContainText("75 mm");
  await page.keyboard.press("Control+z");
  await expect(tie.first()).toContainText("30 mm");
  await saved(page);
});

test("strung from the spool, the start is drawn on its spool and the plan says so", async ({ page }) => {
  await openCopy(page, "Slack Tide");
  await page.getByRole("link", { name: /Ends and cutting/ }).click();
  await expect(page.getByRole("region", { name: "The start" })).toContainText("held with a bead stopper");
  await expect(page.getByRole("region", { name: "Left end" }).getByRole("img")).toHaveAttribute("aria-label", /Toggle, its ring\.$/);
  await expect(page.getByRole("region", { name: "Right end" }).getByRole("img")).toHaveAttribute("aria-label", /Toggle, its bar\.$/);
  await expect(page.getByRole("combobox", { name: /Cord through a guard|Loop of a pin/ })).toHaveCount(0);
  const field = page.getByRole("combobox", { name: "Starting end held with" });
  await field.selectOption("A spare crimp");
  await expect(page.getByRole("region", { name: "Cut" })).toContainText("left start");
  await expect(page.getByRole("region", { name: "The start" })).toContainText("held with a spare crimp, 98 mm from its tip");
  await field.selectOption("Its crimp, made first");
  await expect(page.getByRole("region", { name: "The start" })).toContainText("made before any bead goes on");
  await expect(page.getByRole("region", { name: "Cut" })).not.toContainText("left start");
  await field.selectOption("The spool itself");
  await expect(page.getByRole("region", { name: "The start" }).getByRole("img")).toHaveAttribute("aria-label", "The left end, held with the spool itself.");
  await expect(page.getByRole("region", { name: "House method of this piece" }).getByRole("status")).toContainText("the instructions");
  await page.getByRole("link", { name: /Instructions/ }).click();
  await expect(page.locator(".sheet .steps")).toContainText("on its spool");
  for (let i = 0; i < 3; i++) await page.keyboard.press("Control+z");
  await expect(page.locator(".sheet .steps")).toContainText("a bead stopper");
  await saved(page);
});

test("a necklace tied on guards chooses its knot and how its guards are threaded, and the cut follows", async ({ page }) => {
  await openCopy(page, "Net Mender");
  await page.getByRole("link", { name: /Ends and cutting/ }).click();
  const cut = page.getByRole("region", { name: "Cut" });
  await expect(cut).toContainText("left guard x 2");
  await expect(page.getByRole("combobox", { name: "Glue on the knot" })).toBeVisible();
  await page.getByRole("combobox", { name: "Cord through a guard" }).selectOption("Twice");
  await expect(cut).toContainText("left guard x 4");
  await page.getByRole("link", { name: /Instructions/ }).click();
  await expect(page.locator(".sheet .steps")).toContainText("thread the guard twice");
  await saved(page);
});

test("choices of the house and figures of the shop that are not saved are there after a reload", async ({ page }) => {
  page.on("dialog", (dialog) => void dialog.accept()); // the warning of a tab with unsaved work
  const back = page.getByRole("button", { name: "Show it as it is saved" });
  await page.goto("/house");
  const tail = page.getByLabel("Beads a tail goes back through");
  const was = await tail.inputValue();
  await tail.fill("7");
  await page.reload();
  await expect(tail).toHaveValue("7");
  await back.click();
  await expect(tail).toHaveValue(was);
  await expect(back).toHaveCount(0);
  await page.goto("/kits/selling");
  const hour = page.getByLabel("An hour costs");
  const costs = await hour.inputValue();
  await hour.fill("99");
  await page.reload();
  await expect(hour).toHaveValue("99");
  await page.getByRole("button", { name: "Reset" }).click();
  await expect(hour).toHaveValue(costs);
  await page.reload();
  await expect(hour).toHaveValue(costs);
});
