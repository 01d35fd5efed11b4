import { readdirSync, readFileSync } from "node:fs";
import { expect, finished, openPiece, strand, test, typeLine } from "./mala.ts";

// A plan is right if the piece can be made again from the paper alone.
for (const file of readdirSync("demo/pieces")) {
  const doc = JSON.parse(readFileSync(`demo/pieces/${file}`, "utf8"));
  test(`${doc.name} is rebuilt from its printed plan of one page`, async ({ page }) => {
    await openPiece(page, doc.name);
    const before = await finished(page).innerText();
    const beads = await page.locator(".list tr.sum").getByRole("rowheader").innerText();
    await page.getByRole("link", { name: /Printed plan/ }).click();
    await page.locator(".sheet").waitFor();
    const pages = (await page.pdf({ format: "A4" })).toString("latin1").match(/\/Type\s*\/Page[^s]/g);
    expect(pages).toHaveLength(1);
    const letters = new Map<string, string>();
    for (const row of await page.locator(".sheet table", { hasText: "Materials" }).getByRole("rowheader").allInnerTexts()) {
      const [, letter, name] = /^([A-Z][a-z]?) (.+?),/.exec(row) ?? [];
      if (letter) letters.set(name, letter);
    }
    const runs = await page.locator(".sheet .runs li").allInnerTexts();
    const line = runs.map((run) => {
      const [, count, name, turned] = /^(\d+)\s+(.+?)(\s+turned)?\s+[\d.]+ mm$/.exec(run.replace(/\s+/g, " ").trim())!;
      return `${count}${turned ? "~" : ""}${letters.get(name)}`;
    });
    await page.getByRole("link", { name: /Lay out/ }).click();
    await expect(strand(page)).toBeFocused();
    await typeLine(page, line.join(" "));
    await expect(finished(page)).toHaveText(before);
    await expect(page.locator(".list tr.sum").getByRole("rowheader")).toHaveText(beads);
    await page.keyboard.press("ControlOrMeta+Z");
    await expect(page.locator(".save-state")).toHaveText("saved");
  });
}
