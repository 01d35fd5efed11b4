import AxeBuilder from "@axe-core/playwright";
import type { Page } from "@playwright/test";
import type { Material } from "../web/src/api/client.ts";
import { expect, openCopy, saved, startPiece, test, typeLine, openPiece } from "./mala.ts";

/** choose finds a material in the open picker by keyboard alone. */
async function choose(page: Page, words: string) {
  await page.getByRole("combobox", { name: "Search the catalogue" }).fill(words);
  await page.getByRole("option").first().waitFor();
  await page.keyboard.press("Enter");
}

const figures = (page: Page) => page.getByRole("complementary", { name: "Figures" });

test("a drop is made from nothing, becomes a dish, and its parts are counted", async ({ page }) => {
  await page.goto("/materials");
  await page.getByRole("link", { name: "New component" }).focus();
  await page.keyboard.press("Enter");
  await page.getByRole("textbox", { name: "Name", exact: true }).fill("Gull drop");
  await page.getByRole("combobox", { name: "Kind" }).selectOption("Drop on a head pin");
  await page.getByRole("button", { name: "Add a bead" }).press("Enter");
  await choose(page, "sea-pearl round 4");
  await page.getByRole("button", { name: "Add a bead" }).press("Enter");
  await choose(page, "bottle-green 6");
  await expect(page.getByRole("textbox", { name: "Bead line of the pin" })).toHaveValue("S B");
  await page.getByRole("textbox", { name: "Bead line of the pin" }).fill("2S B");
  // Two pearls of 3.904 and a round 6 with a hole of 1, a loop of 2 from its wire.
  await expect(figures(page).getByText("No problems found")).toBeVisible();
  await expect(figures(page)).toContainText(/needed.* of /);
  await expect(page.getByRole("img", { name: /Gull drop/ })).toHaveAttribute("aria-label", /mm below the cord: Jump ring, Head pin, Sea-pearl round, Bottle-green round/);
  await page.keyboard.press("Control+s");
  await expect(page).toHaveURL(/\/materials$/);

  await startPiece(page, "Gulls", "A clasp", "180 mm");
  await page.getByRole("button", { name: "Add a dish" }).click();
  await choose(page, "gull drop");
  await typeLine(page, "10D G 10D");
  const tally = page.getByRole("region", { name: "Tally" });
  await expect(tally.getByRole("row", { name: /Gull drop/ })).toContainText("1");
  await expect(tally.locator("tr.part").filter({ hasText: "Sea-pearl round" })).toContainText("2");
  await tally.getByRole("checkbox", { name: "only what is bought" }).check();
  await expect(tally.getByRole("row", { name: /Gull drop/ })).toHaveCount(0);
  await expect(tally.getByRole("row", { name: /Head pin/ })).toContainText("1");
  await page.getByRole("link", { name: /Instructions/ }).click();
  await expect(page.locator(".sheet .steps")).toContainText("Make gull drop: put bottle-green round, 2 sea-pearl round on");
});

test("what is missing is said at its place, and nothing typed is lost", async ({ page }) => {
  await page.goto("/materials/component/new");
  await page.getByRole("textbox", { name: "Name", exact: true }).fill("Half made");
  await expect(page.getByRole("alert")).toContainText("Nothing hangs here yet");
  await page.getByRole("button", { name: "Remove Jump ring" }).click();
  await expect(page.getByRole("alert")).toContainText("Add a ring to hang it on");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.locator("header [role=alert]")).toContainText("Add a ring to hang it on");
  await expect(page.getByRole("textbox", { name: "Name", exact: true })).toHaveValue("Half made");
  await page.getByRole("button", { name: "Add a ring" }).click();
  await page.getByRole("button", { name: "Add a charm" }).click();
  await choose(page, "shell");
  await expect(figures(page)).toContainText("forward");
  await page.getByRole("button", { name: "Add a ring" }).click();
  await expect(figures(page)).toContainText("Charm faces sideways");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page).toHaveURL(/\/materials$/);
});

test("a coil, a tassel, a bead link and a woven bead are made with a few choices each", async ({ page }) => {
  const begin = async (name: string, kind: string) => {
    await page.goto("/materials/component/new");
    await page.getByRole("textbox", { name: "Name", exact: true }).fill(name);
    await page.getByRole("combobox", { name: "Kind" }).selectOption(kind);
  };
  const done = async () => {
    await expect(figures(page).getByText("No problems found")).toBeVisible();
    await page.getByRole("button", { name: "Save" }).click();
    await expect(page).toHaveURL(/\/materials$/);
  };
  await begin("Plover coil", "Coil round the cord");
  await page.getByRole("button", { name: "Add a bead" }).click();
  await choose(page, "tide stone 6");
  await expect(figures(page)).toContainText("coil along the cord");
  await done();
  await begin("Plover tassel", "Tassel");
  await page.getByLabel("Length, mm").fill("30");
  await done();
  await begin("Plover link", "Bead link");
  await page.getByRole("button", { name: "Add a bead" }).click();
  await choose(page, "tide stone 8");
  await page.getByRole("checkbox", { name: "crosswise" }).check();
  await done();
  await begin("Plover ball", "Beaded bead");
  await page.getByLabel("Diameter, mm").fill("12");
  await page.getByLabel("Along, mm").fill("11");
  await page.getByRole("textbox", { name: "Hole, mm", exact: true }).fill("2");
  await page.getByRole("button", { name: "Add beads" }).click();
  await choose(page, "tar seed");
  await page.getByLabel("How many").fill("96");
  await done();
});

test("a component changed in the catalogue leaves its pieces alone until they take it", async ({ page, mala }) => {
  const get = async (id: string) => (await (await fetch(`${mala.url}/api/materials?ids=${id}`)).json()).items[0] as { material: Material; revision: number; onHand: number };
  const item = await get("crab-on-two");
  await page.goto("/materials/component/crab-on-two");
  await page.getByRole("button", { name: "Add a ring" }).click();
  await expect(figures(page).getByRole("region", { name: "Used in" })).toContainText("Crab Pot");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByRole("status")).toHaveText("Saved");
  await openPiece(page, "Crab Pot");
  const dish = page.locator(".dish").filter({ hasText: "Crab on two rings" });
  await expect(dish).toContainText("hangs 19.2 mm");
  await page.getByRole("button", { name: /new measures/i }).click();
  await expect(dish).toContainText("hangs 22.8 mm");
  await page.keyboard.press("Control+z");
  await expect(dish).toContainText("hangs 19.2 mm");
  const now = await get("crab-on-two");
  const put = await fetch(`${mala.url}/api/materials/crab-on-two`, { method: "PUT", headers: { "Content-Type": "application/json" }, body: JSON.stringify({ base: now.revision, onHand: now.onHand, material: item.material }) });
  expect(put.status).toBe(200);
});

test("the catalogue's CSV carries components, and a component in itself is refused", async ({ mala }) => {
  const csv = await (await fetch(`${mala.url}/api/catalogue.csv`)).text();
  expect(csv.split("\n")[0]).toContain("component.rings");
  const preview = async (text: string) => (await fetch(`${mala.url}/api/catalogue/preview`, { method: "POST", headers: { "Content-Type": "text/csv" }, body: text })).json();
  expect(await preview(csv)).toMatchObject({ new: { count: 0 }, changed: { count: 0 }, refused: { count: 0 } });
  const rows = "id,class,name,component.kind,component.rings,component.below\n";
  expect(await preview(`${rows}a-loop,component,Loop,pendant,ring-5,b-loop\nb-loop,component,Other,pendant,ring-5 ring-5,a-loop\n`)).toMatchObject({ refused: { count: 2, rows: [{ id: "a-loop" }, { id: "b-loop", says: expect.stringContaining("cannot contain itself") }] } });
  expect(await preview(`${rows}c-loop,component,Fine,charm,ring-5,shell-charm\n`)).toMatchObject({ new: { rows: [{ id: "c-loop" }] }, refused: { count: 0 } });
  expect(await preview(`${rows}d-loop,component,Lost,charm,ring-5,no-such-charm\n`)).toMatchObject({ refused: { rows: [{ says: expect.stringContaining("no-such-charm") }] } });
});

test("something hangs on the extender's last link, is counted, and is taken off again", async ({ page }) => {
  await openCopy(page, "Tide Table");
  await page.getByRole("button", { name: "Change the cord and the ends" }).click();
  const ends = page.getByRole("region", { name: "Cord and ends" });
  const tally = page.getByRole("region", { name: "Tally" });
  await expect(tally.getByRole("row", { name: /Buoy charm/ })).toContainText("1");
  await ends.getByRole("button", { name: /Hang something on Extender/ }).click();
  await choose(page, "pearl drop");
  await expect(ends.getByRole("button", { name: /Pearl drop, .* hangs on Extender/ })).toBeVisible();
  await expect(tally.getByRole("row", { name: /Pearl drop/ })).toContainText("1");
  await ends.getByRole("button", { name: /Buoy charm, .* hangs on Extender/ }).click();
  await page.getByRole("button", { name: "Remove", exact: true }).click();
  await expect(tally.getByRole("row", { name: /Buoy charm/ })).toHaveCount(0);
  await page.keyboard.press("Control+z");
  await expect(tally.getByRole("row", { name: /Buoy charm/ })).toContainText("1");
  await saved(page);
});

test("a charm hangs on the loop at the foot of another, and is seen, counted and made so", async ({ page }) => {
  const charm = { class: "bead", shape: "charm", acrossMm: 9, holeMm: 1.5, alongMm: 0.8, massG: 1, look: { colour: "#b8923a", finish: "metal" } };
  for (const more of [{ id: "tern-anchor", name: "Tern anchor", dropMm: 14, loopMm: 2, loopWireMm: 0.8 }, { id: "tern-star", name: "Tern star", dropMm: 9 }]) {
    await page.request.put(`/api/materials/${more.id}`, { data: { base: 0, onHand: 9, archived: false, material: { ...charm, ...more } } });
  }
  await page.goto("/materials/component/new");
  await page.getByRole("textbox", { name: "Name", exact: true }).fill("Tern star on a ring");
  await page.getByRole("button", { name: "Add a charm" }).click();
  await choose(page, "tern star");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page).toHaveURL(/\/materials$/);
  await page.goto("/materials/component/new");
  await page.getByRole("textbox", { name: "Name", exact: true }).fill("Tern pair");
  await page.getByRole("button", { name: "Choose one with a loop at its foot" }).press("Enter");
  await expect(page.getByRole("option")).toHaveCount(1);
  await choose(page, "tern anchor");
  await page.getByRole("button", { name: "Add a component" }).click();
  await choose(page, "tern star on a ring");
  await expect(figures(page).getByText("No problems found")).toBeVisible();
  await expect(page.getByRole("img", { name: /Tern pair/ })).toHaveAttribute("aria-label", /mm below the cord: Jump ring, Tern anchor, .*Tern star/);
  expect((await new AxeBuilder({ page }).analyze()).violations.map((v) => v.id)).toEqual([]);
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page).toHaveURL(/\/materials$/);
  for (const id of ["tern-pair", "tern-star-on-a-ring", "tern-anchor", "tern-star"]) {
    const item = await (await page.request.get(`/api/materials?ids=${id}`)).json();
    expect((await page.request.delete(`/api/materials/${id}?base=${item.items[0].revision}`)).status(), id).toBeLessThan(300);
  }
});
