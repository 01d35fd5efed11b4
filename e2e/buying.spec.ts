import AxeBuilder from "@axe-core/playwright";
import { readFileSync } from "node:fs";
import { expect, more, openCopy, openPiece, problem, problems, test, typeLine } from "./mala.ts";

test("what to buy for this many of a piece follows from its sequence, the packs and the stock", async ({ page }) => {
  await openPiece(page, "Harbour Lights");
  await more(page, "What to buy");
  await expect(page.getByText("There is enough of everything in stock.")).toBeVisible();
  await page.getByLabel("For how many").fill("12");
  const pearls = page.getByRole("row", { name: /^Sea-pearl round.*1080/ });
  await expect(pearls).toContainText("240"); // from stock
  await expect(page.getByRole("row", { name: /Sea-pearl round, strand/ })).toContainText("56.30");
  await expect(page.getByTestId("bought")).toHaveText("81.80");
  expect((await new AxeBuilder({ page }).include(".buying").analyze()).violations).toEqual([]);
  await page.getByLabel("use what is in stock first").uncheck();
  await expect(page.getByRole("row", { name: /Crimp tube, bag/ })).toBeVisible();
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save as CSV" }).click();
  const csv = readFileSync(await (await download).path(), "utf8");
  expect(csv).toMatch(/^pack,sold,supplier,code,holds,holdsMm,packs,each,sum\r\n/);
  expect(csv).toContain('"Beading wire, 19 strands",spool,Loft and Line,LL-194,,9000,1,9.50,9.50');
  for (const typed of ["0", "10001", "two", ""]) {
    await page.getByLabel("For how many").fill(typed);
    await expect(page.getByText("A number from 1 to 10000.")).toBeVisible();
  }
});

test("packs are entered with the material, refused where they hold nothing, and bought by", async ({ page }) => {
  await page.goto("/materials");
  await page.getByRole("button", { name: "Lantern glass" }).first().click();
  const dialog = page.getByRole("dialog");
  await dialog.getByRole("button", { name: "Remove pack 1" }).click();
  await dialog.getByRole("button", { name: "Add pack" }).click();
  const pack = dialog.getByRole("group", { name: "Pack 1" });
  await pack.getByLabel("Price").fill("3,50");
  await dialog.getByRole("button", { name: "Save" }).click();
  await expect(dialog.getByText(/Pack 1: .*A pack holds something/)).toBeVisible();
  await expect(pack.getByLabel("Price")).toHaveValue("3,50");
  await pack.getByLabel("Holds").fill("1");
  await pack.getByText("Price breaks, sale, mixed set").click();
  await pack.getByRole("button", { name: "Add price break" }).click();
  await pack.getByLabel("From how many packs").fill("20");
  await pack.getByLabel("Each then costs").fill("3");
  await pack.getByRole("button", { name: "Add sale" }).click();
  await pack.getByLabel("Sale price").fill("3.20");
  await pack.getByRole("button", { name: "Add another material" }).click();
  const set = page.getByRole("dialog", { name: "What else is in the set" });
  await set.getByRole("combobox").fill("lantern glass");
  await expect(set.getByRole("option")).toHaveCount(1); // the other size alone, not the material itself
  await set.getByRole("combobox").fill("amber chip");
  await set.getByRole("option").first().click();
  await expect(set).toHaveCount(0);
  await expect(pack.getByRole("button", { name: "The set also holds Amber chip; choose another" })).toBeVisible();
  await pack.getByLabel("Pieces of it").fill("40");
  await pack.getByRole("button", { name: "The set also holds" }).click();
  await set.getByRole("combobox").fill("tide stone");
  await set.getByRole("option").first().click();
  await expect(pack.getByRole("button", { name: /The set also holds Tide stone/ })).toBeVisible();
  await expect(pack.getByLabel("Pieces of it")).toHaveValue("40");
  await pack.getByRole("button", { name: /^Remove Tide stone/ }).click();
  await dialog.getByRole("button", { name: "Save" }).click();
  await expect(dialog).toHaveCount(0);
  const name = (await (await page.request.get("/api/materials?search=lantern%20glass")).json()).items.find((one: { material: { packs?: { price: string }[] } }) => one.material.packs?.[0].price === "3,50").material.id;
  await openPiece(page, name === "lantern-10" ? "Quay Lanterns" : "Harbour Lights");
  await more(page, "What to buy");
  await page.getByLabel("use what is in stock first").uncheck();
  const lantern = page.getByRole("row", { name: /Lantern glass, bag/ });
  await expect(lantern).toContainText("3.20");
  await page.getByLabel("For how many").fill("12");
  await expect(lantern).toContainText("3.00");
});

test("what is short of stock is shown at the dish, in the tally, among the problems and with proposals", async ({ page }) => {
  await openCopy(page, "Harbour Lights");
  await typeLine(page, "400L");
  await problems(page);
  const [, needed, has, short] = (await problem(page, "Too few in stock").innerText()).match(/(\d+) needed, (\d+) in stock, (\d+) short/)!.map(Number);
  expect(needed).toBe(400);
  expect(short).toBe(needed - has);
  await expect(page.getByRole("region", { name: "Tally" }).getByText(`${has} in stock, ${short} short`)).toBeVisible();
  await expect(page.getByRole("region", { name: "Dishes" }).getByText(`${short} short`)).toBeVisible();
});
