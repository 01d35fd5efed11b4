import { expect, openPiece, strand, test } from "./mala.ts";
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
  await page.keyboard.press("n");
  await keep("new-piece");
  await openPiece(page, "Harbour Lights");
  await strand(page).press("Home");
  for (let i = 0; i < 21; i++) await strand(page).press("ArrowRight");
  for (let i = 0; i < 3; i++) await strand(page).press("Shift+ArrowRight");
  await keep("lay-out");
  await page.getByRole("link", { name: /Decide/ }).click();
  await keep("decide");
  await openPiece(page, "Cinder Walk");
  await page.getByLabel("Target length").fill("182 mm");
  await page.getByLabel("Target length").press("Enter");
  await strand(page).press("=");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: /^Use:/ }).first().focus();
  await keep("proposals");
  await openPiece(page, "Quay Lanterns");
  await page.getByRole("button", { name: "Show where" }).first().click();
  await keep("checks");
  await page.goto("/materials");
  await page.getByRole("button", { name: "Amber chip" }).waitFor();
  await page.getByLabel("Class").selectOption("bead");
  await page.waitForTimeout(400);
  await keep("materials");
  await page.getByRole("button", { name: "Sea-pearl round" }).first().click();
  await page.getByLabel("Length of the run, mm").fill("199");
  await expect(page.getByTestId("ten")).toHaveText("39.8 mm");
  await keep("material");
  await page.goto("/materials/component/lantern-pendant");
  await page.locator(".maker-picture").waitFor();
  await keep("maker");
  await openPiece(page, "Peacoat Row");
  await keep("laced");
  await openPiece(page, "Boathouse");
  await keep("ornament");
  await openPiece(page, "Tidewrack");
  await keep("rows");
  await openPiece(page, "Net Loft");
  await keep("series");
  await openPiece(page, "Ferry Bell");
  await page.getByRole("link", { name: /Fit/ }).click();
  await page.getByRole("link", { name: /Several sizes/ }).click();
  await page.getByRole("region", { name: "Size adult extra large" }).waitFor();
  await page.waitForTimeout(600);
  await keep("sizes");
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
  await page.getByRole("link", { name: /Printed plan/ }).click();
  await page.getByLabel("Name of this version").fill("for the window");
  await page.getByRole("button", { name: "Save version" }).click();
  await expect(page.locator(".stamp")).toContainText("version 1");
  await page.getByRole("link", { name: /Lay out/ }).click();
  await page.getByRole("textbox", { name: "The bead line as text" }).fill("<{P} 4Q 6R {12mm: S} | T>");
  await page.waitForTimeout(700);
  await page.getByRole("link", { name: "History" }).click();
  await page.waitForTimeout(700);
  await keep("history");
  await openPiece(page, "Slack Tide");
  await page.getByRole("link", { name: /Printed plan/ }).click();
  await page.evaluate(() => (window.print = () => undefined));
  await page.getByRole("button", { name: "Print", exact: true }).click();
  await expect(page.locator(".stamp")).toContainText("version 1");
  await page.setViewportSize({ width: 1280, height: 1240 });
  await keep("printed-plan");
});

test("a picture of every sign of the bead line", async ({ page }) => {
  for (const { name, piece, line, riders } of SIGNS) {
    await openPiece(page, piece);
    await page.getByRole("textbox", { name: "The bead line as text" }).fill(line);
    if (riders) {
      await page.getByLabel("Riders as a bead line").fill(riders);
      await page.keyboard.press("Enter");
    }
    await page.waitForTimeout(900);
    await strand(page).blur();
    await page.locator(".felt-tools, .felt-note").evaluateAll((all) => all.forEach((one) => ((one as HTMLElement).style.visibility = "hidden")));
    const box = (await strand(page).boundingBox())!;
    await page.screenshot({ path: `docs/bead-line/${name}.png`, clip: { x: box.x, y: box.y + 30, width: box.width, height: box.height - 30 } });
  }
});
