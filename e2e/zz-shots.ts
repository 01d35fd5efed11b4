import { openPiece, test } from "./mala.ts";
test("shots", async ({ page }) => {
  const keep = async (name: string) => { await page.waitForTimeout(900); await page.screenshot({ path: `/tmp/shots/${name}.png` }); };
  await openPiece(page, "Harbour Lights"); await keep("h-lay");
  await openPiece(page, "Low Water"); await keep("w-lay");
  await openPiece(page, "Last Ferry"); await keep("f-lay");
});
