import { test } from "./mala.ts";
test("shots", async ({ page }) => {
  const shot = async (name: string) => { await page.waitForTimeout(900); await page.screenshot({ path: `/tmp/shots/${name}.png` }); };
  for (const id of (process.env.COMPS ?? "").split(",").filter(Boolean)) { await page.goto(`/materials/component/${id}`); await shot(`comp-${id}`); }
  for (const name of (process.env.PIECES ?? "").split(",").filter(Boolean)) {
    await page.goto("/pieces"); await page.getByRole("link", { name, exact: true }).click(); await page.locator(".felt-close").waitFor(); await shot(`piece-${name.replace(/ /g, "-")}`);
    for (const view of (process.env.VIEWS ?? "").split(",").filter(Boolean)) { await page.getByRole("link", { name: new RegExp(view) }).click(); await shot(`piece-${name.replace(/ /g, "-")}-${view}`); }
  }
  if (process.env.PATHS) for (const path of process.env.PATHS.split(",")) { await page.goto(path); await shot(`path${path.replace(/\W/g, "-")}`); }
});
test("plan from the centre", async ({ page }) => {
  await page.goto("/pieces"); await page.getByRole("link", { name: "Harbour Lights", exact: true }).click();
  await page.getByRole("link", { name: /Ends/ }).click();
  await page.getByRole("combobox", { name: "Stringing order" }).selectOption("From the centre outwards");
  await page.getByRole("link", { name: /Printed plan/ }).click();
  await page.setViewportSize({ width: 1000, height: 1300 });
  await page.waitForTimeout(900); await page.screenshot({ path: `/tmp/shots/centre.png`, fullPage: true });
});
