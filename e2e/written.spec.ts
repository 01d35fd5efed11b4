import AxeBuilder from "@axe-core/playwright";
import type { Page } from "@playwright/test";
import { more, expect, line, openCopy, saved, test } from "./mala.ts";

const paper = (page: Page) => page.getByRole("textbox", { name: "The written pattern" });

async function toWritten(page: Page, piece: string) {
  await openCopy(page, piece);
  await more(page, "Written pattern");
  await expect(page.getByRole("heading", { name: "Written pattern" })).toBeVisible();
}

test("an old text is held against its piece, corrected one by one and all at once, and given back", async ({ page }) => {
  await toWritten(page, "Crossed Lines");
  await expect(page.getByRole("heading", { name: "3 statements disagree" })).toBeVisible();
  await expect(page.getByRole("group", { name: "Line 8" })).toContainText("45 cm is too short: the path alone takes 46.6 cm.");
  expect((await new AxeBuilder({ page }).include(".written").analyze()).violations).toEqual([]);
  await page.getByRole("group", { name: "Line 5" }).getByRole("button", { name: "Correct the text" }).click();
  await expect(paper(page)).toHaveValue(/\n70 brass spacers\n/);
  await expect(page.getByRole("heading", { name: "2 statements disagree" })).toBeVisible();
  await page.getByRole("button", { name: "Correct all in the text" }).click();
  await expect(paper(page)).toHaveValue(/large lobster clasp\n(.*\n)?1 oval ring\n/);
  await expect(paper(page)).toHaveValue(/beading wire, 59 cm each/);
  await expect(page.getByText(/^1[0-9] statements agree$/)).toBeVisible();
  await expect(page.getByRole("heading", { name: /disagree/ })).toHaveCount(0);
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save as text" }).click();
  expect((await download).suggestedFilename()).toMatch(/\.txt$/);
  await saved(page);
  await page.reload();
  await expect(paper(page)).toHaveValue(/59 cm each/);
});

test("a name that may mean several things is asked for once, and the answer is kept", async ({ page }) => {
  await toWritten(page, "Quay Lanterns");
  await paper(page).fill("88 ivory pearls\n6 ivory pearls on the sides\n6 lanterns, 3 gold bails\n2 rings, 1 clasp");
  await expect(page.getByText("“gold bails”")).toBeVisible();
  await page.getByRole("combobox", { name: "“ivory pearls”, 2 times" }).click();
  await page.getByRole("option", { name: /Dusk-pearl/ }).click();
  await expect(page.getByText("“ivory pearls”", { exact: true })).toHaveCount(0);
  await page.getByRole("combobox", { name: "“gold bails”" }).click();
  await page.getByRole("option", { name: "Not in this piece" }).click();
  await expect(page.getByText("The piece has no gold bails.")).toBeVisible();
  await expect(page.getByText("Left out: 1 granite round")).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.getByText("The piece has no gold bails.")).toBeVisible();
});

test("a figure of the text is taken into the piece", async ({ page }) => {
  await toWritten(page, "Quay Lanterns");
  await paper(page).fill("Finished length 440 mm.\n90 dusk-pearls, of which two more at each end");
  await page.getByRole("group", { name: "Line 1" }).getByRole("button", { name: "Make it the target" }).click();
  await page.getByRole("group", { name: "Line 2" }).getByRole("button", { name: "Change the piece" }).click();
  await expect(page.getByRole("group", { name: "Line 2" })).toHaveCount(0);
  await page.getByRole("link", { name: /Lay out/ }).click();
  await expect(page.getByLabel("Target length")).toHaveValue("440 mm");
  await expect(page.getByText("97 beads", { exact: true })).toBeVisible();
  await expect(line(page)).not.toHaveValue("<L 12P L 19P L 13P | G>");
});

test("too much text, another language and no text each get a sentence, and lose nothing", async ({ page }) => {
  await toWritten(page, "Tide Table");
  await expect(page.getByText(/^11 statements agree$/)).toBeVisible();
  const before = await paper(page).inputValue();
  await paper(page).evaluate((field) => {
    const data = new DataTransfer();
    data.setData("text/plain", "50 pearls\n".repeat(110_000));
    if (field.dispatchEvent(new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }))) throw new Error("a megabyte is pasted");
  });
  await expect(page.getByRole("alert")).toContainText("That text has 1074 kB; the most is 64 kB.");
  await expect(paper(page)).toHaveValue(before);
  await paper(page).fill("Man nimmt 50 Perlen und 8 Scheiben.");
  await expect(page.getByText("Nothing in this text could be read.")).toBeVisible();
  await expect(page.getByText("Not understood, 1 with figures")).toBeVisible();
  await paper(page).fill("");
  await expect(page.getByText("What cannot be read is listed, never dropped.")).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(paper(page)).toHaveValue("");
});
