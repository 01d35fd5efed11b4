import AxeBuilder from "@axe-core/playwright";
import { expect, openCopy, test } from "./mala.ts";
import type { Page } from "@playwright/test";

/** openKit opens a kit of its own, as the demo's of that name. */
async function openKit(page: Page, name: string) {
  const list = await (await page.request.get(`/api/kits?search=${encodeURIComponent(name)}`)).json();
  const kit = list.kits.find((k: { name: string }) => k.name === name);
  const { kit: doc } = await (await page.request.get(`/api/kits/${kit.id}`)).json();
  const made = await (await page.request.post("/api/kits", { data: { ...doc, name: `${name} ${Math.random().toString(36).slice(2, 8)}` } })).json();
  await page.goto(`/kits/${made.id}`);
  await expect(page.getByRole("textbox", { name: "Name of the kit" })).toHaveValue(made.kit.name);
  return made;
}

const saved = (page: Page, version: number) => expect(page.locator(".head .sub")).toContainText(`version ${version} · saved`);

test("a kit is made of a piece, seen in what it is sold in, changed, undone and deleted", async ({ page }) => {
  await page.goto("/kits");
  await expect(page.getByRole("heading", { name: "Last Ferry", exact: true })).toBeVisible();
  expect((await new AxeBuilder({ page }).include("main").analyze()).violations).toEqual([]);
  await page.getByRole("button", { name: "New kit" }).click();
  await page.getByRole("button", { name: "Add a piece" }).click();
  await page.getByRole("combobox", { name: "Search the pieces" }).fill("tide ta");
  await page.getByRole("option", { name: /Tide Table/ }).first().click();
  await saved(page, 2);
  await expect(page.getByRole("textbox", { name: "Name of the kit" })).toHaveValue("Tide Table");
  await expect(page.locator(".cloth tbody tr")).toHaveCount(4);
  await page.getByRole("checkbox", { name: "Large pearls" }).uncheck();
  await expect(page.locator(".cloth tbody tr")).toHaveCount(3);
  await page.getByRole("group", { name: "Tide Table" }).getByRole("textbox", { name: "Number" }).fill("2");
  await page.keyboard.press("Enter");
  await expect(page.locator(".cloth tbody td").first()).toContainText("2 × 389.3 mm");
  await page.locator("body").click({ position: { x: 600, y: 90 } });
  await page.keyboard.press("Control+z");
  await expect(page.locator(".cloth tbody td").first()).not.toContainText("2 ×");
  await page.getByRole("button", { name: "Redo" }).click();
  await expect(page.locator(".cloth tbody td").first()).toContainText("2 × 389.3 mm");
  await page.getByRole("textbox", { name: "Set price" }).fill("dear");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert")).toContainText("no amount");
  await expect(page.getByRole("textbox", { name: "Set price" })).toHaveValue("dear");
  await page.getByRole("textbox", { name: "Set price" }).fill("45,00");
  await page.keyboard.press("Enter");
  await expect(page.locator(".cloth .price").first()).toHaveText("45.00");
  await page.reload();
  await expect(page.locator(".cloth .price").first()).toHaveText("45.00");
  await page.getByRole("link", { name: "Kits" }).click();
  await page.getByRole("textbox", { name: "Search kits" }).fill("tide table");
  await page.getByRole("button", { name: "Delete Tide Table" }).first().click();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("heading", { name: "Tide Table" }).first()).toBeVisible();
});

test("a bag opens with its heaps, spares apart, the price below, and what is the buyer's own left out", async ({ page }) => {
  await openKit(page, "Last Ferry");
  await page.getByRole("link", { name: "Open the bag of 18 in, Dusk" }).click();
  const beads = page.getByRole("region", { name: "Bag Beads" });
  const pearls = beads.getByRole("listitem").filter({ hasText: "Dusk-pearl round 4 mm" });
  await expect(pearls).toContainText("102 + 6 spare");
  await expect(pearls).toContainText(/about [\d.]+ g \([\d.]+ to [\d.]+\), \d+(\.\d)? mm in a tube/);
  await expect(page.getByRole("region", { name: "Bag Components" })).toContainText("Rain drop");
  await expect(page.getByRole("region", { name: "Bag For repairs" })).toContainText("1 spare");
  const gross = await page.getByTestId("gross").textContent();
  expect((await new AxeBuilder({ page }).include("main").analyze()).violations).toEqual([]);
  await page.getByLabel("For how many").fill("0");
  await expect(page.getByText("A number from 1 to 10000.")).toBeVisible();
  await page.getByLabel("For how many").fill("100");
  await expect(page.getByRole("heading", { name: "Price of one, in a batch of 100" })).toBeVisible();
  await page.getByRole("checkbox", { name: /Ruler/ }).check();
  await page.getByRole("link", { name: "All that is sold" }).click();
  await page.getByText("Bags, and what is the buyer's own").click();
  await page.getByRole("combobox", { name: "Dusk-pearl round 4 mm: where it lies" }).selectOption("buyer's own");
  await saved(page, 3);
  await page.getByRole("link", { name: "Open the bag of 18 in, Dusk" }).click();
  await expect(page.getByRole("region", { name: "The buyer's own" })).toContainText("103");
  await expect(page.getByTestId("gross")).not.toHaveText(gross!);
  await expect(page.getByRole("checkbox", { name: /Ruler/ })).toBeChecked();
});

test("a piece that has gone on is taken into the kit as it is now", async ({ page }) => {
  const made = await openKit(page, "Last Ferry");
  const piece = await (await page.request.post("/api/pieces", { data: { ...made.kit.pieces[0].document, name: "Ferry for a kit" } })).json();
  const frozen = await (await page.request.post(`/api/kit-pieces/${piece.id}`)).json();
  await page.request.put(`/api/kits/${made.id}`, { data: { base: 1, kit: { ...made.kit, pieces: [frozen] } } });
  const line = "<43P S T S 5P S T S 3P | L>";
  const document = { ...piece.document, sections: [{ ...piece.document.sections[0], rows: [{ ...piece.document.sections[0].rows[0], line }] }] };
  await page.request.put(`/api/pieces/${piece.id}`, { data: { base: piece.revision, document } });
  await page.reload();
  await expect(page.getByText("The piece has changed since: 2 runs changed, 458.4 mm long, not 450.6 mm.")).toBeVisible();
  await page.getByRole("button", { name: "Take Ferry for a kit as it is now" }).click();
  await saved(page, 3);
  await expect(page.getByText("The piece has changed since")).toHaveCount(0);
  await expect(page.locator(".cloth .wrong").first()).toContainText("older pattern");
});

test("a kit that someone else saved is not overwritten, and a file that is none is refused", async ({ page }) => {
  const made = await openKit(page, "Last Ferry");
  await page.request.put(`/api/kits/${made.id}`, { data: { base: 1, kit: { ...made.kit, notes: "theirs" } } });
  await page.getByRole("textbox", { name: "Name of the kit" }).fill("Mine");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert")).toContainText("Your state is saved as version 3");
  await expect(page.getByLabel("Notes")).toHaveValue("theirs");
  await page.getByText("Versions").click();
  await page.getByRole("button", { name: "Restore version 3" }).click();
  await expect(page.getByRole("textbox", { name: "Name of the kit" })).toHaveValue("Mine");
  await saved(page, 4);
  await page.goto("/kits");
  await page.getByTestId("kit-file").setInputFiles({ name: "piece.json", mimeType: "application/json", buffer: Buffer.from(JSON.stringify(made.kit.pieces[0].document)) });
  await expect(page.getByRole("alert")).toContainText("no such field");
  await page.getByTestId("kit-file").setInputFiles({ name: "x.json", mimeType: "application/json", buffer: Buffer.from("{") });
  await expect(page.getByRole("alert")).toContainText("x.json is not a kit file");
  await page.getByTestId("kit-file").setInputFiles({ name: "kit.json", mimeType: "application/json", buffer: Buffer.from(JSON.stringify(made.kit)) });
  await expect(page).toHaveURL(/\/kits\/[0-9a-f-]{36}/);
});

test("packing and prices are set for the shop; what cannot be is refused and stays", async ({ page }) => {
  await page.goto("/kits/selling");
  const selling = (await (await page.request.get("/api/selling")).json());
  await page.getByLabel("Margin, %").fill("100");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByRole("alert")).toContainText("less than 100 %");
  await expect(page.getByLabel("Margin, %")).toHaveValue("100");
  await page.getByLabel("Margin, %").fill("60");
  await page.getByLabel("Currency").fill("crowns");
  await page.getByLabel("Tax, % (blank: none)").fill("20");
  expect((await new AxeBuilder({ page }).include("main").analyze()).violations).toEqual([]);
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByRole("button", { name: "Save" })).toBeDisabled();
  await openKit(page, "Last Ferry");
  await page.getByRole("link", { name: /Open the bag of 16 in, Ember/ }).click();
  await expect(page.getByTestId("gross")).toContainText("crowns");
  await expect(page.getByRole("row", { name: /^Tax/ })).toBeVisible();
  const now = await (await page.request.get("/api/selling")).json();
  await page.request.put("/api/selling", { data: { base: now.revision, selling: selling.selling } });
});

test("a piece ends at its kit sheet: its papers are printed there, and it goes into a kit of its own", async ({ page }) => {
  await openCopy(page, "Tide Table");
  await page.getByRole("link", { name: /Instructions/ }).click();
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Instructions (PDF)" }).click();
  expect((await download).suggestedFilename()).toMatch(/^For one test.*, instructions\.pdf$/);
  await expect(page.locator(".stamp")).toContainText("version 1");
  await page.getByRole("button", { name: "Add to a kit" }).click();
  await page.getByRole("menuitem", { name: "A new kit of this piece" }).click();
  await expect(page.getByRole("textbox", { name: "Name of the kit" })).toHaveValue(/^For one test/);
  await expect(page.locator(".cloth tbody tr")).toHaveCount(4);
});

test("a kit is packed bag by bag on the packer's page, by keyboard alone", async ({ page }) => {
  await openKit(page, "Beachcomber");
  await page.getByRole("link", { name: "Open the bag of the kit" }).focus();
  await page.keyboard.press("Enter");
  await page.getByRole("link", { name: "Pack it" }).focus();
  await page.keyboard.press("Enter");
  await expect(page.getByText("0 of 5 packed")).toBeVisible();
  expect((await new AxeBuilder({ page }).include(".pack-room").analyze()).violations).toEqual([]);
  for (const box of await page.getByRole("checkbox").all()) {
    await box.focus();
    await page.keyboard.press("Space");
  }
  await expect(page.getByRole("button", { name: "Beads ✓", exact: true })).toBeVisible();
  await page.getByRole("button", { name: "Next: Findings and cord" }).press("Enter");
  await page.getByRole("checkbox", { name: /Elastic/ }).press("Space");
  await expect(page.getByText("5 of 5 packed")).toBeVisible();
  await expect(page.getByText(/^Packed\. Add bag and card, instructions, needle of thin folded wire\.$/)).toBeVisible();
  expect((await new AxeBuilder({ page }).include(".pack-room").analyze()).violations).toEqual([]);
  await page.getByRole("button", { name: "Start over" }).click();
  await expect(page.getByText("0 of 5 packed")).toBeVisible();
});

test("ticks of a bag survive a reload, another device and a server that does not answer", async ({ page, context }) => {
  await openKit(page, "Beachcomber");
  await page.getByRole("link", { name: "Open the bag of the kit" }).click();
  await page.getByRole("link", { name: "Pack it" }).click();
  const box = (on: typeof page, n: number) => on.getByRole("checkbox").nth(n);
  await box(page, 0).check();
  await expect(page.getByText("1 of 5 packed")).toBeVisible();
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(box(other, 0)).toBeChecked();
  await box(other, 1).check();
  await expect(page.getByText("2 of 5 packed")).toBeVisible({ timeout: 15_000 });
  await other.close();
  await page.route("**/packed/**", (route) => route.abort());
  await box(page, 2).check();
  await expect(page.getByRole("alert")).toContainText("The ticks stay here");
  await page.reload();
  await expect(box(page, 2)).toBeChecked();
  await page.unroute("**/packed/**");
  await expect(page.getByText("3 of 5 packed")).toBeVisible({ timeout: 15_000 });
  await expect(page.getByRole("alert")).toHaveCount(0, { timeout: 15_000 });
  await page.evaluate(() => localStorage.clear());
  await page.reload();
  await expect(page.getByText("3 of 5 packed")).toBeVisible();
  await page.getByRole("button", { name: "Start over" }).click();
  await expect(page.getByText("0 of 5 packed")).toBeVisible();
  await page.getByRole("button", { name: "Undo start over" }).click();
  await expect(page.getByText("3 of 5 packed")).toBeVisible();
  await page.reload();
  await expect(page.getByText("3 of 5 packed")).toBeVisible();
  await page.getByRole("button", { name: "Start over" }).click();
  await expect(page.getByText("0 of 5 packed")).toBeVisible();
});

test("colourways are seen as strips, and the bill by piece and row", async ({ page }) => {
  await openKit(page, "Last Ferry");
  await page.getByText("As strips, below one another").click();
  await expect(page.locator(".strips img")).toHaveCount(4);
  await expect.poll(() => page.locator(".strips img").first().evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(300);
  await openKit(page, "Tidewrack");
  await page.getByRole("link", { name: "Open the bag of the kit" }).click();
  await page.getByText("The bill by piece and row").click();
  await expect(page.getByRole("row", { name: /^Tide stone/ })).toContainText(/\d+ \(\d+ \+ \d+ \+ \d+ \+ \d+\)/);
});

test("the bag for repairs holds a spare link of the extender, and what the shop makes costs its parts", async ({ page }) => {
  await openKit(page, "Three Moorings kit");
  await page.getByRole("link", { name: "Open the bag of the kit" }).click();
  const repairs = page.getByRole("region", { name: "Bag For repairs" });
  await expect(repairs.getByRole("listitem").filter({ hasText: "Extender chain" })).toContainText("1 spare link10 links for 10");
  await expect(repairs).toContainText("or a link of the extender that gives way is replaced from it");
  await expect(page.getByText("Without a price")).toHaveCount(0);
  await page.getByText("The bill by piece and row").click();
  await expect(page.getByRole("row", { name: /^Extender chain/ })).toContainText("1 link");
  await page.getByText("Work and materials one by one").click();
  await expect(page.getByRole("row", { name: /^Stone link \d+\.\d\d$/ })).toBeVisible();
  await page.getByRole("link", { name: "Pack it" }).click();
  await page.getByRole("button", { name: "For repairs" }).click();
  await expect(page.getByRole("listitem").filter({ hasText: "Extender chain" })).toContainText("+ 1 spare link");
});
