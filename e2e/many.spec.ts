import { writeFileSync } from "node:fs";
import AxeBuilder from "@axe-core/playwright";
import { answered, expect, lookFor, openCopy, saved, strand, test } from "./mala.ts";

const HEAD = "id,class,name,shape,acrossMm,holeMm,onHand,archived,revision";

test("a row that was changed here since the export is left alone, overwritten when asked, and the import undone by keyboard", async ({ page, request }, info) => {
  const keep = (base: number, name: string) => request.put("/api/materials/tern-pearl", { data: { base, onHand: 4, material: { id: "tern-pearl", class: "bead", name, shape: "round", acrossMm: 4, holeMm: 0.8 } } });
  await keep(0, "Tern pearl");
  await keep(1, "Tern pearl, measured");
  const file = info.outputPath("spring.csv");
  writeFileSync(file, `${HEAD}\ntern-pearl,bead,Tern pearl,round,4.5,0.8,9,true,1\ntern-new,bead,Tern new,round,6,1,1,,\n`);
  await page.goto("/materials");
  await page.getByRole("button", { name: "Import CSV" }).press("Enter");
  await page.getByTestId("csv").setInputFiles(file);
  await expect(page.getByText("1 new, 0 changed, 0 unchanged, 0 rejected.")).toBeVisible();
  await expect(page.getByRole("row", { name: /row 2 Tern pearl/ })).toContainText("name Tern pearl, measured → Tern pearl, acrossMm 4 → 4.5, onHand 4 → 9, archived false → true");
  expect((await new AxeBuilder({ page }).analyze()).violations.map((v) => v.id)).toEqual([]);
  await page.getByRole("checkbox", { name: /Overwrite 1 more/ }).press("Space");
  await page.getByRole("button", { name: "Import 2 rows" }).press("Enter");
  await expect(page.getByText("2 rows imported")).toBeVisible();
  const now = async (id: string) => (await (await request.get(`/api/materials?ids=${id}`)).json()).items[0];
  expect(await now("tern-pearl")).toMatchObject({ archived: true, onHand: 9, material: { acrossMm: 4.5 } });
  await expect(page.getByRole("row", { name: /spring.csv .* 1 new, 1 changed/ })).toBeVisible();
  await page.getByRole("button", { name: "Undo the import of spring.csv" }).press("Enter");
  await expect(page.getByText("2 materials are as they were.")).toBeVisible();
  await expect(page.getByRole("row", { name: /spring.csv/ })).toContainText("undone");
  expect(await now("tern-pearl")).toMatchObject({ archived: false, onHand: 4, material: { name: "Tern pearl, measured", acrossMm: 4 } });
  expect(await now("tern-new")).toBeUndefined();
});

test("a material is deleted and restored, and one that is part of a component is not", async ({ page, request }) => {
  await request.put("/api/materials/skua-pearl", { data: { base: 0, onHand: 4, material: { id: "skua-pearl", class: "bead", name: "Skua pearl", shape: "round", acrossMm: 4, holeMm: 0.8 } } });
  const open = async (name: string, search = name) => {
    await page.goto("/materials");
    await page.getByLabel("Search materials").fill(search);
    await page.getByRole("button", { name, exact: true }).press("Enter");
    await page.getByRole("button", { name: "Delete", exact: true }).press("Enter");
  };
  await open("Skua pearl");
  await expect(page.getByText("Skua pearl is deleted.")).toBeVisible();
  await expect(page.getByText("No material matches")).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).press("Enter");
  await expect(page.getByRole("button", { name: "Skua pearl", exact: true })).toBeVisible();
  await open("Skua pearl");
  await page.goto("/deleted");
  await page.getByRole("button", { name: "Restore Skua pearl" }).press("Enter");
  await expect(page.getByRole("button", { name: "Restore Skua pearl" })).toHaveCount(0);
  expect((await (await request.get("/api/materials?ids=skua-pearl")).json()).items).toHaveLength(1);
  await open("Head pin", "head-pin-50");
  await expect(page.getByRole("alert")).toContainText("is part of");
});

test("copies set aside say how long they are kept, and are kept for good with a name", async ({ page, request }) => {
  await openCopy(page, "Slack Tide");
  const id = page.url().split("/").pop()!;
  const { document } = await (await request.get(`/api/pieces/${id}`)).json();
  for (const notes of ["one", "two"]) await request.put(`/api/pieces/${id}`, { data: { base: 99, document: { ...document, notes } } });
  await page.goto("/deleted");
  await page.getByLabel("Days that versions set aside are kept").fill("200");
  await page.getByLabel("Days that versions set aside are kept").press("Enter");
  await answered(page);
  await page.goto(`/pieces/${id}/history`);
  const first = page.getByRole("button", { name: /Version 1/ });
  const until = new Date(Date.now() + 200 * 86_400_000).toLocaleDateString("en-GB", { dateStyle: "medium", timeZone: "UTC" });
  await expect(first).toContainText(`kept until ${until}, or for good with a name`);
  await expect(page.getByRole("button", { name: /Version 2/ })).not.toContainText("kept until"); // the newest
  await request.put(`/api/pieces/${id}/versions/1/label`, { data: { label: "mine" } });
  await page.reload();
  await expect(page.getByRole("button", { name: /mine/ })).not.toContainText("kept until");
});

test("a long list holds few cards at once, and the keys go through all of it", async ({ page, request }) => {
  const { document } = await (await request.get(`/api/pieces/${(await (await request.get("/api/pieces?limit=1")).json()).pieces[0].id}`)).json();
  for (let i = 0; i < 60; i++) await request.post("/api/pieces", { data: { ...document, stack: undefined, name: `Teeming ${i}`, tags: ["crowd"] } });
  await lookFor(page, "teeming");
  const cards = page.getByRole("listitem");
  await expect(page.getByText("60 pieces")).toBeVisible();
  await expect(cards.first()).toHaveAttribute("aria-setsize", "60");
  expect(await cards.count()).toBeLessThan(40);
  await page.getByRole("link", { name: "Teeming 59", exact: true }).focus();
  for (let i = 0; i < 3 * 59; i++) await page.keyboard.press("Tab");
  await expect(page.getByRole("link", { name: "Teeming 0", exact: true })).toBeFocused();
  await expect(cards.last()).toHaveAttribute("aria-posinset", "60");
  await page.keyboard.press("Enter");
  await expect(strand(page)).toBeFocused();
  await saved(page);
});

test("a trial of the house method is stopped and taken up again", async ({ page }) => {
  await page.route("**/api/house/try*", async (route) => {
    await new Promise((done) => setTimeout(done, 1500));
    await route.continue().catch(() => undefined);
  });
  await page.goto("/house");
  await page.getByRole("button", { name: "Generous, 120 mm an end" }).click();
  await page.getByRole("button", { name: "Stop", exact: true }).press("Enter");
  const effects = page.getByRole("region", { name: "Effect on pieces" });
  await expect(effects).toContainText("Of the first 0 pieces 0 would change.");
  await page.getByRole("button", { name: "Try all pieces" }).press("Enter");
  await expect(effects).toContainText(/\d+ of \d+ pieces would change/);
  await expect(effects).toContainText("cut");
});
