import { readFileSync } from "node:fs";
import { expect, finished, line, openCopy, openPiece, problem, problems, saved, strand, test, typeLine } from "./mala.ts";
import type { Page } from "@playwright/test";

const goTo = async (page: Page, step: RegExp) => page.getByRole("link", { name: step }).press("Enter");
const check = problem;
const cut = (page: Page) => page.getByTestId("cut");

test("by keyboard: a bracelet too tight for its wrist is found, fixed, and its target follows", async ({ page, mala }, info) => {
  await openCopy(page, "Slack Tide");
  await page.keyboard.press("Control+.");
  await expect(page.getByTestId("ease")).toContainText("comfortable");
  const inside = await page.getByTestId("inside").innerText();
  await page.getByRole("button", { name: /adult large/ }).press("Enter");
  await expect(page.getByTestId("ease")).toContainText("too tight");
  await expect(page.getByRole("link", { name: /Fit\s*: 1 problem/ })).toBeVisible();
  await problems(page);
  await expect(check(page, "Too tight on the wrist")).toContainText("an ease of -8.5 mm on 180 mm");
  await check(page, "Too tight on the wrist").getByRole("button", { name: /^Change 6P/ }).press("Enter");
  await expect(check(page, "Too tight on the wrist")).toHaveCount(0);
  await expect(page.getByTestId("ease")).toContainText(/snug|comfortable|loose/);
  for (let i = 0; i < 2; i++) await page.keyboard.press("Control+z");
  await expect(page.getByTestId("inside")).toHaveText(inside);
  // The reasoning leads to a target, which stays the designer's to overrule.
  await page.getByRole("button", { name: "Set target to 195 mm" }).press("Enter");
  await expect(page.getByText("✓ This is the target.")).toBeVisible();
  await page.keyboard.press("Control+z");
  await saved(page);
  // The command line gives the same figures and the same checks.
  await goTo(page, /Instructions/);
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Export piece file" }).press("Enter");
  const file = info.outputPath("piece.json");
  await (await download).saveAs(file);
  const analysis = mala.analyse(file);
  expect(`${Math.round(analysis.insideMm * 10) / 10} mm`).toBe(inside);
  expect(JSON.parse(readFileSync(file, "utf8")).house.tail).toBe("tucked");
});

test("a ring that must pass the hand is shown over it, in either unit", async ({ page }) => {
  await openCopy(page, "Moored Twice");
  await goTo(page, /Fit/);
  const over = page.getByRole("region", { name: "Over the hand" });
  await expect(over).toContainText("it passes: it opens to 277.6 mm, the hand needs 215 mm, estimated as a quarter more than the wrist.");
  await page.getByRole("textbox", { name: "Measure of the hand" }).fill("11 1/2 in");
  await page.getByRole("textbox", { name: "Measure of the hand" }).press("Enter");
  await problems(page);
  await expect(check(page, "Will not pass the hand")).toContainText("the hand needs 292.1 mm");
  await page.getByRole("button", { name: "in", exact: true }).click();
  await expect(check(page, "Will not pass the hand")).toContainText("the hand needs 11 1/2 in");
  await expect(page.getByTestId("inside")).toHaveText("7 in");
  await page.getByRole("button", { name: "mm", exact: true }).click();
  await page.keyboard.press("Control+z");
  await expect(over).toContainText("it passes");
  await goTo(page, /Ends and cutting/);
  await expect(page.getByRole("region", { name: "The knot" })).toContainText("It hides in Driftwood barrel, bead 28");
});

test("ends are built from suggestions, and each choice of the piece's own shows what it changed", async ({ page }) => {
  await openCopy(page, "Harbour Lights");
  const length = await finished(page).innerText();
  await goTo(page, /Ends and cutting/);
  await expect(page.getByRole("region", { name: "Left end" })).toContainText("the tail back through");
  const before = await cut(page).innerText();
  await page.getByRole("button", { name: "Use Wire guard, left" }).press("Enter");
  await expect(page.getByRole("group", { name: "Left", exact: true }).getByText("✓ in place")).toHaveCount(3);
  await expect(cut(page)).not.toHaveText(before);
  await page.keyboard.press("Control+z");
  await expect(cut(page)).toHaveText(before);

  const own = page.getByRole("region", { name: "House method of this piece" });
  await own.getByRole("combobox", { name: "Working allowance" }).selectOption("Generous, 120 mm an end");
  await expect(own.getByRole("status")).toContainText(`Working allowance: changed cut ${before} to`);
  await own.getByRole("combobox", { name: "Wire guards" }).selectOption("Always");
  await page.getByRole("button", { name: "Build both ends by the house method" }).press("Enter");
  await expect(page.getByRole("region", { name: "Right end" }).getByRole("img")).toHaveAttribute("aria-label", "Right end, from the last bead outwards: Crimp tube, Wire guard, Jump ring.");
  for (let i = 0; i < 3; i++) await page.keyboard.press("Control+z");
  await expect(cut(page)).toHaveText(before);

  // A cord already cut too short is found while there is something to be done about it.
  const have = page.getByRole("textbox", { name: "Length already cut" });
  await have.fill("400 mm");
  await have.press("Enter");
  await problems(page);
  await expect(check(page, "Cut too short")).toContainText("The cord is cut to 400 mm; it needs at least");
  await check(page, "Cut too short").getByRole("button", { name: `Cut a new one of ${before}` }).press("Enter");
  await expect(check(page, "Cut too short")).toHaveCount(0);
  await page.keyboard.press("Control+,");
  await page.getByTestId("inside").waitFor();
  await page.keyboard.press("Control+,");
  await expect(finished(page)).toHaveText(length);
});

test("a problem is ignored for a reason, which goes on the papers", async ({ page }) => {
  await openCopy(page, "Quay Lanterns");
  await problems(page);
  await check(page, "Crimp slips into the bead").first().getByRole("button", { name: "Ignore …" }).press("Enter");
  await page.getByRole("textbox", { name: "Reason" }).fill("A knot goes in behind it.");
  await page.keyboard.press("Enter");
  await expect(check(page, "Crimp slips into the bead")).toHaveCount(1);
  await expect(page.getByRole("group", { name: "Crimp slips into the bead, ignored" })).toContainText("A knot goes in behind it.");
  await goTo(page, /Instructions/);
  await expect(page.locator(".sheet")).toContainText("Ignored: A knot goes in behind it.");
  await goTo(page, /Lay out/);
  await page.getByRole("button", { name: "Do not ignore it" }).press("Enter");
  await expect(check(page, "Crimp slips into the bead")).toHaveCount(2);
});

test("each place of an extender has its length, and the plan its gates", async ({ page }) => {
  await openCopy(page, "Tide Table");
  await goTo(page, /Fit/);
  const places = page.getByRole("region", { name: "Places to close it" });
  await expect(places.getByRole("row")).toHaveCount(13);
  await expect(places.getByRole("row").nth(2)).toContainText("392.5 mm");
  await goTo(page, /Instructions/);
  const gates = page.locator(".sheet .gate");
  await expect(gates).toHaveCount(5);
  await expect(gates.nth(0)).toContainText("Before you cut");
  await expect(gates.nth(2)).toContainText("Before the right crimp is closed");
});

test("the house method is tried on every piece before it is kept", async ({ page }) => {
  await openPiece(page, "Lamplighter's Round");
  await goTo(page, /Ends and cutting/);
  const before = await cut(page).innerText();
  await page.goto("/house");
  await page.getByRole("button", { name: "Generous, 120 mm an end" }).press("Enter");
  const effects = page.getByRole("complementary", { name: "Effect on pieces" });
  await expect(effects).toContainText(/\d+ of \d+ pieces would change/);
  await expect(effects).toContainText(`cut ${before} →`);
  // Wrong input is answered with its place, and keeps what was typed.
  await page.getByRole("textbox", { name: "Name of size 1" }).fill("");
  await expect(effects.getByRole("alert")).toContainText("Give the row a name");
  await page.getByRole("textbox", { name: "Name of size 1" }).fill("first school year");
  await page.getByRole("button", { name: "Save" }).press("Enter");
  await expect(page.getByRole("button", { name: "Save" })).toBeDisabled();
  await openPiece(page, "Lamplighter's Round");
  await goTo(page, /Ends and cutting/);
  await expect(cut(page)).not.toHaveText(before);
  await page.getByRole("link", { name: "House method" }).press("Enter");
  await page.getByRole("button", { name: "Standard, 60 mm an end" }).press("Enter");
  await page.getByRole("button", { name: "Save" }).press("Enter");
  await expect(page.getByRole("button", { name: "Save" })).toBeDisabled();
  await openPiece(page, "Lamplighter's Round");
  await goTo(page, /Ends and cutting/);
  await expect(cut(page)).toHaveText(before);
});

test("a slip in a pattern, a pattern that does not meet itself, and a cap turned away are found and mended", async ({ page }) => {
  await openCopy(page, "Ferry Bell");
  const was = await line(page).inputValue();
  await typeLine(page, `${was} 2T`);
  await problems(page);
  await check(page, "The pattern does not meet itself").getByRole("button", { name: "Finish the repeat" }).press("Enter");
  await expect(check(page, "The pattern does not meet itself")).toHaveCount(0);
  await page.keyboard.press("Control+z");
  await page.keyboard.press("Control+z");
  await openCopy(page, "Slack Tide");
  const caps = await line(page).inputValue();
  await typeLine(page, caps.replace("C D ~C", "~C D C"));
  await problems(page);
  await expect(check(page, "Cap faces away from its bead")).not.toHaveCount(0);
  await check(page, "Cap faces away from its bead").first().getByRole("button", { name: "Show where" }).press("Enter");
  await expect(strand(page)).toBeFocused();
  await typeLine(page, caps);
  await expect(check(page, "Cap faces away from its bead")).toHaveCount(0);
});
