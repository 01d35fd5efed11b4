import { readdirSync, readFileSync } from "node:fs";
import { expect, finished, openCopy, strand, test, typeLine } from "./mala.ts";

// A plan is right if the piece can be made again from the paper alone.
for (const file of readdirSync("demo/pieces")) {
  const doc = JSON.parse(readFileSync(`demo/pieces/${file}`, "utf8"));
  test(`${doc.name} is rebuilt from its printed plan of one page`, async ({ page }) => {
    await openCopy(page, doc.name);
    const rows = doc.sections.flatMap((section: { rows: { line: string }[] }) => section.rows);
    const toRow = async (i: number) => {
      const other = page.getByRole("button", { name: `Bead line of row ${i + 1}`, exact: true }); // there is none of the row in hand
      if (await other.count()) await other.click();
    };
    const before: string[] = [];
    for (let i = 0; i < rows.length; i++) {
      await toRow(i);
      before.push(await finished(page).innerText());
    }
    const beads = await page.locator(".list tr.sum").getByRole("rowheader").innerText();
    await page.getByRole("link", { name: /Instructions/ }).click();
    await page.locator(".sheet").waitFor();
    const pages = (await page.pdf({ format: "A4" })).toString("latin1").match(/\/Type\s*\/Page[^s]/g);
    // Several rows take a second page.
    expect(pages!.length).toBeLessThanOrEqual(rows.length > 1 ? 2 : 1);
    const letters = new Map<string, string>();
    for (const row of await page.locator(".sheet table", { hasText: "Materials" }).getByRole("rowheader").allInnerTexts()) {
      const [, letter, name, size] = /^([A-Z][a-z]?) (.+?), ([^,]+)/.exec(row) ?? [];
      if (letter) letters.set(name, letters.has(name) ? "?" : letter).set(`${name} ${size}`, letter);
    }
    const sections = await page.locator(".sheet .runs").all();
    expect(sections).toHaveLength(rows.length);
    const lines: string[] = [];
    for (const section of sections) {
      const runs = await section.locator("li").allInnerTexts();
      const line = runs.map((run) => {
        const text = run.replace(/\s+/g, " ").trim();
        const [, gap] = /^gap of ([\d.]+) mm/.exec(text) ?? [];
        if (gap) return `_${gap}mm`;
        const [, drops, drop, back] = /^(\d+) (?:drop|loop) (.*\])( reversed)?/.exec(text) ?? [];
        if (drop) return `${drops}${back ? "~" : ""}${drop}`;
        const [, count, name, turned] = /^(\d+)\s+(.+?)(\s+turned)?\s+[\d.]+ mm$/.exec(text)!;
        return `${count}${turned ? "~" : ""}${letters.get(name)}`;
      });
      lines.push(line.join(" "));
    }
    await page.getByRole("link", { name: /Lay out/ }).click();
    await expect(strand(page)).toBeFocused();
    for (const [i, line] of lines.entries()) {
      await toRow(i);
      await typeLine(page, line);
      await expect(finished(page)).toHaveText(before[i]);
    }
    await expect(page.locator(".list tr.sum").getByRole("rowheader")).toHaveText(beads);
  });
}
