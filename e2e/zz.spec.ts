import { openPiece, test } from "./mala.ts";
const shots = (process.env.SHOTS ?? "Tidewrack").split("|");
test("shots", async ({ page }) => {
  const size = (process.env.SIZE ?? "1280x800").split("x").map(Number);
  await page.setViewportSize({ width: size[0], height: size[1] });
  for (const shot of shots) {
    const [name, step, act] = shot.split(":");
    await openPiece(page, name);
    if (step) await page.getByRole("link", { name: new RegExp(step) }).first().click();
    if (act) for (const a of act.split(",")) {
      if (a.startsWith("key=")) await page.keyboard.press(a.slice(4));
      else await page.getByRole("button", { name: a, exact: true }).first().click();
    }
    await page.evaluate(() => document.fonts.ready);
    await page.waitForTimeout(700);
    await page.screenshot({ path: `/tmp/w/${name.replaceAll(" ", "-")}${step ? `-${step}` : ""}.png` });
  }
});
