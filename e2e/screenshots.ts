import { execFileSync } from "node:child_process";
import { writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { more, expect, openPiece, strand, test } from "./mala.ts";
import { SIGNS } from "./signs.ts";

const FOLDER = "docs/screenshots";

test("pictures of every main view", async ({ page }) => {
  const keep = async (name: string) => {
    await page.evaluate(() => document.fonts.ready);
    await page.waitForTimeout(400);
    await page.screenshot({ path: `${FOLDER}/${name}.png` });
  };
  await page.goto("/pieces");
  await page.getByRole("link", { name: "Harbour Lights", exact: true }).waitFor();
  await page.waitForTimeout(800);
  await keep("pieces");
  await openPiece(page, "Harbour Lights");
  await strand(page).press("Home");
  for (let i = 0; i < 21; i++) await strand(page).press("ArrowRight");
  for (let i = 0; i < 3; i++) await strand(page).press("Shift+ArrowRight");
  await keep("lay-out");
  await openPiece(page, "Last Ferry");
  await page.getByLabel("Target length").fill("430 mm");
  await page.getByLabel("Target length").press("Enter");
  await strand(page).press("=");
  await page.getByRole("button", { name: /^Use:/ }).first().focus();
  await keep("proposals");
  await page.goto("/materials");
  await page.getByRole("button", { name: "Amber chip" }).waitFor();
  await page.getByLabel("Class").selectOption("bead");
  await page.waitForTimeout(400);
  await keep("materials");
  await page.goto("/kits");
  await page.getByRole("link", { name: "Tidewrack" }).waitFor();
  await page.waitForTimeout(3000);
  await keep("kits");
  await page.getByRole("link", { name: "Last Ferry" }).click();
  await page.getByRole("link", { name: /^Open the bag of 20 in, Ember/ }).waitFor();
  await page.waitForTimeout(4000);
  await keep("kit-matrix");
  await page.getByRole("link", { name: "Open the bag of 18 in, Dusk" }).click();
  await page.getByRole("region", { name: "Bag Beads" }).waitFor();
  await page.waitForTimeout(1500);
  await keep("bag");
  for (const paper of ["packing", "instructions"]) {
    const pdf = join(tmpdir(), `mala-${paper}.pdf`);
    const address = (await page.getByRole("link", { name: paper === "packing" ? "Packing list" : "Instructions" }).getAttribute("href"))!;
    writeFileSync(pdf, await (await page.request.get(address)).body());
    execFileSync("pdftoppm", ["-r", "80", "-png", "-f", "1", "-l", "1", "-singlefile", pdf, `${FOLDER}/${paper === "packing" ? "packing-list" : paper}`]);
  }
  await page.goto("/materials/component/lantern-pendant");
  await page.locator(".maker-picture").waitFor();
  await keep("maker");
  await openPiece(page, "Boathouse");
  await keep("ornament");
  await openPiece(page, "Tidewrack");
  await keep("rows");
  await openPiece(page, "Ferry Bell");
  await page.getByRole("link", { name: /Fit/ }).click();
  await page.getByRole("link", { name: /Several sizes/ }).click();
  await page.getByRole("region", { name: "Size adult extra large" }).waitFor();
  await page.waitForTimeout(600);
  await keep("sizes");
  await page.getByRole("link", { name: /^Decide/ }).click();
  await page.getByRole("button", { name: "Beads in hand" }).click();
  await page.getByLabel("Foam rondelle in hand").fill("9");
  await page.getByLabel("Cord in hand").fill("52 cm");
  await page.getByLabel("Cord in hand").press("Enter");
  await page.getByRole("region", { name: "Sizes it would fit" }).waitFor();
  await keep("decide");
  await openPiece(page, "Crossed Lines");
  await more(page, "Written pattern");
  await page.getByRole("heading", { name: "3 statements disagree" }).waitFor();
  await keep("written");
  await openPiece(page, "Moored Twice");
  await page.getByRole("link", { name: /Fit/ }).click();
  await page.getByRole("region", { name: "Over the hand" }).waitFor();
  await keep("fit");
  await openPiece(page, "Tide Table");
  await page.getByRole("link", { name: /Ends and cutting/ }).click();
  await page.getByRole("region", { name: "Suggested findings" }).waitFor();
  await keep("ends");
  await page.goto("/house");
  await page.getByRole("button", { name: "Generous, 120 mm an end" }).click();
  await page.getByRole("button", { name: "Yes" }).click();
  await page.getByText(/pieces would change/).waitFor();
  await keep("house-method");
  await openPiece(page, "Lamplighter's Round");
  await page.getByRole("link", { name: /Instructions/ }).click();
  await page.getByLabel("Name of this version").fill("for the window");
  await page.getByRole("button", { name: "Save version" }).click();
  await expect(page.locator(".stamp")).toContainText("version 1");
  await page.getByRole("link", { name: /Lay out/ }).click();
  await page.getByRole("textbox", { name: "The bead line as text" }).fill("<{P} 4Q 6R {12mm: S} | T>");
  await page.waitForTimeout(700);
  await more(page, "History");
  await page.waitForTimeout(700);
  await keep("history");
});

test("a picture of every sign of the bead line", async ({ page }) => {
  for (const { name, piece, line, riders } of SIGNS) {
    await openPiece(page, piece);
    await page.getByRole("textbox", { name: "The bead line as text" }).fill(line);
    if (riders) {
      await page.getByLabel("Sliding beads as a bead line").fill(riders);
      await page.keyboard.press("Enter");
    }
    await page.waitForTimeout(900);
    await strand(page).blur();
    await page.locator(".felt-note").evaluateAll((all) => all.forEach((one) => ((one as HTMLElement).style.visibility = "hidden")));
    const box = (await strand(page).boundingBox())!;
    await page.screenshot({ path: `docs/bead-line/${name}.png`, clip: { x: box.x, y: box.y + 30, width: box.width, height: box.height - 30 } });
  }
});
