import { readFileSync } from "node:fs";
import { addDish, expect, finished, line, openPiece, problems, saved, searchCatalogue, strand, test, typeLine } from "./mala.ts";

/** tallyOf reads the tally as name and count. */
async function tallyOf(page: import("@playwright/test").Page): Promise<Record<string, string>> {
  const rows = await page.getByRole("region", { name: "Tally" }).getByRole("row").all();
  const out: Record<string, string> = {};
  for (const row of rows) {
    const [name, count] = [await row.getByRole("rowheader").innerText(), await row.getByRole("cell").innerText()];
    out[name.trim()] = count.trim();
  }
  return out;
}

test("a necklace described in words is typed, brought to length, recoloured, printed, reloaded and exported by keyboard alone", async ({ page, mala }, info) => {
  await page.goto("/pieces");
  await page.getByRole("listitem").first().getByRole("link").waitFor();

  // New piece: what, closes how, how long.
  await page.keyboard.press("n");
  await page.getByLabel("How long should it be, closed?").focus();
  await page.keyboard.press("ControlOrMeta+A");
  await page.keyboard.type('16 1/8"');
  await page.keyboard.press("Tab");
  await page.keyboard.type("Evening Told");
  await page.keyboard.press("Enter");
  await expect(strand(page)).toBeFocused();

  // The starter strand is of the right length already; its dish is in the way of none.
  await expect(page.locator(".verdict")).toContainText("✓");
  for (const bead of ["sea-pearl round", "lantern glass", "brass spacer", "tide stone", "amber chip", "brass cap", "enamel sail"]) await addDish(page, bead);

  // The story's own letters: each dish is given its own by keyboard.
  for (const [name, letter] of [["Sea-pearl round", "P"], ["Tide stone", "B"], ["Lantern glass", "L"], ["Brass spacer", "S"], ["Amber chip", "A"], ["Brass cap", "C"], ["Enamel sail", "E"]]) {
    const dish = page.locator(".dish", { has: page.locator(".name", { hasText: name }) });
    if ((await dish.locator(".letter").innerText()) === letter) continue;
    await dish.getByRole("button", { name: /change or remove/ }).press("Enter");
    await page.getByRole("menuitem", { name: /Change letter/ }).press("Enter");
    await page.getByRole("textbox", { name: "Letter", exact: true }).fill(letter);
    await page.keyboard.press("Enter");
    await expect(dish.locator(".letter")).toHaveText(letter);
  }
  const told = "<2S 19P B L B 11P S A S 7P | C E ~C>";
  await page.keyboard.press("/");
  await expect(line(page)).toBeFocused();
  await page.keyboard.press("ControlOrMeta+A");
  await page.keyboard.type(told);
  await page.keyboard.press("Enter");
  await expect(strand(page)).toBeFocused();

  await expect(page.getByText("93 beads", { exact: true })).toBeVisible();
  let tally = await tallyOf(page);
  const count = (name: string) => Object.entries(tally).find(([k]) => k.includes(name))?.[1];
  expect(count("Sea-pearl round")).toBe("74");
  expect(count("Brass spacer")).toBe("8");
  expect(count("Tide stone")).toBe("4");
  expect(count("Brass cap")).toBe("2");
  expect(count("Enamel sail")).toBe("1");
  expect(count("Fine crimp tube")).toBe("2");

  // Brought to length: the target is changed, then a run's count by arrow keys.
  await expect(page.locator(".verdict")).not.toContainText("✓");
  const fix = (await problems(page)).getByRole("button", { name: /^Change/ });
  await fix.focus();
  await page.keyboard.press("Enter");
  await expect(page.locator(".verdict")).toContainText("✓");
  await expect(line(page)).toHaveValue(/^<.* \| .*>$/);

  // Recoloured: one dish, another bead, the length following.
  const before = await finished(page).innerText();
  await page.getByRole("button", { name: "Dish P: change or remove" }).press("Enter");
  await page.getByRole("menuitem", { name: /Replace bead/ }).press("Enter");
  await searchCatalogue(page).fill("dusk-pearl 4");
  await page.getByRole("option", { name: /Dusk-pearl/ }).first().waitFor();
  await page.keyboard.press("Enter");
  await expect(page.locator(".dish .name", { hasText: "Sea-pearl round" })).toHaveCount(0);
  await expect(finished(page)).not.toHaveText(before);
  await saved(page);

  // Printed: a version is stamped on the page.
  await page.evaluate(() => (window.print = () => document.body.setAttribute("data-printed", "yes")));
  await strand(page).press("ControlOrMeta+P");
  await page.getByRole("button", { name: "Print", exact: true }).press("Enter");
  await expect(page.locator("body")).toHaveAttribute("data-printed", "yes");
  await expect(page.locator(".stamp")).toContainText("version 1 of");
  await expect(page.locator(".sheet")).toContainText("Dusk-pearl round");
  const cut = await page.locator(".sheet tr.sum", { hasText: "cut" }).getByRole("cell").innerText();

  // Exported: the command line gives the same numbers.
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Export piece file" }).press("Enter");
  const file = info.outputPath("piece.json");
  await (await download).saveAs(file);
  const analysis = mala.analyse(file);
  await page.reload();
  await page.getByRole("link", { name: /Lay out/ }).press("Enter");
  await expect(finished(page)).toHaveText(`${(Math.round(analysis.finishedMm * 10) / 10).toString()} mm`);
  expect(cut).toBe(`${Math.round(analysis.strands[0].cutMm * 10) / 10} mm`);
  tally = await tallyOf(page);
  for (const c of analysis.tally.filter((one: { cutMm?: number }) => one.cutMm === undefined)) {
    const { name } = JSON.parse(readFileSync(file, "utf8")).materials.find((m: { id: string }) => m.id === c.material);
    expect(count(name)).toBe(String(c.count));
  }
});

test("the printed plan can be kept as a page that stands by itself", async ({ page }, info) => {
  await openPiece(page, "Quay Lanterns");
  await page.getByRole("link", { name: /Instructions/ }).click();
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: /Save as a page/ }).click();
  const file = info.outputPath("plan.html");
  await (await download).saveAs(file);
  const html = readFileSync(file, "utf8");
  expect(html).toContain("<h1>Quay Lanterns</h1>");
  expect(html).toMatch(/version \d+[ ,]/);
  expect(html).toContain("data:image/png;base64,");
  expect(html).toContain("Crimp slips into the bead");
  expect(html).toContain("see your local rules");
  expect(html).not.toMatch(/<(script|link)/);
  await page.goto(`file://${file}`);
  await expect(page.getByRole("heading", { name: "Quay Lanterns" })).toBeVisible();
});

test("a piece file is imported, and a bad one is answered with its place", async ({ page }, info) => {
  await page.goto("/pieces");
  const file = info.outputPath("in.json");
  const good = readFileSync("demo/pieces/ferry-bell.json", "utf8");
  const { writeFileSync } = await import("node:fs");
  writeFileSync(file, good.replace("Ferry Bell", "Ferry Bell of another shop <i>").replace('"holeMm": 1', '"holeMm": 9'));
  await page.getByTestId("file").setInputFiles(file);
  await expect(page.getByText(/was not imported\. materials\[0\].*: The hole is 9 mm/)).toBeVisible();
  writeFileSync(file, good.replace("Ferry Bell", "Ferry Bell of another shop <i>"));
  await page.getByTestId("file").setInputFiles(file);
  await expect(page.getByRole("textbox", { name: "Name of the piece" })).toHaveValue("Ferry Bell of another shop <i>");
  await expect(finished(page)).toHaveText("187.4 mm");
  await typeLine(page, "9(T S)");
  await saved(page);
});
