import { readdirSync, readFileSync } from "node:fs";
import type { Page } from "@playwright/test";
import { answered, expect, more, openCopy, openPiece, test } from "./mala.ts";
import { faultsOfLayout } from "./layoutFaults.ts";
import { recordPaintedText } from "./paintedText.ts";

const NAMES = readdirSync("demo/pieces").map((file) => (JSON.parse(readFileSync(`demo/pieces/${file}`, "utf8")) as { name: string }).name);
const STEPS = [/Lay out/, /Decide/, /Fit/, /Ends and cutting/, /Instructions/];
const WIDTHS = [1024, 1280, 1440];

/** widthsIn are the widths that a unit is looked at: inches, whose figures are the longest, where there is the least room. */
const widthsIn = (unit: string) => (unit === "in" ? WIDTHS.slice(0, 1) : WIDTHS);

/**
 * drawnAt has the view drawn at a width. Headless, the browser may draw nothing after its window has changed its size,
 * until it changes again.
 */
async function drawnAt(page: Page, width: number) {
  for (const height of [800, 799, 800]) {
    await page.setViewportSize({ width, height });
    const drawn = page.evaluate(() => new Promise<boolean>((done) => {
      requestAnimationFrame(() => requestAnimationFrame(() => done(true)));
      setTimeout(() => done(false), 5000);
    }));
    if (await drawn) return;
  }
  throw new Error(`nothing is drawn at ${width} px`);
}

/** faultsOf lists what is clipped or overprinted in the view that is open, at every width in either unit. */
async function faultsOf(page: Page, view: string): Promise<string[]> {
  const wrong: string[] = [];
  for (const unit of ["in", "mm"]) {
    await page.getByRole("button", { name: unit, exact: true }).click();
    await answered(page);
    for (const width of widthsIn(unit)) {
      await drawnAt(page, width);
      const faults = await page.evaluate(faultsOfLayout);
      wrong.push(...faults.map((fault) => `${view} at ${width} px in ${unit}: ${fault}`));
    }
  }
  return wrong;
}

/** WAYS are the views that take more than a click to see. */
const WAYS: { path: string; open?: (page: Page) => Promise<void> }[] = [
  { path: "/decide?from=wearer" },
  { path: "/decide?from=beads", open: (page) => page.getByLabel("Foam rondelle in hand").fill("9") },
  {
    path: "/decide?from=made",
    open: async (page) => {
      await page.getByRole("combobox", { name: "A piece of the shop" }).fill("Last Ferry");
      await page.getByRole("option", { name: "Last Ferry", exact: true }).click();
      await page.getByLabel("How did it sit?").selectOption("too tight");
    },
  },
  { path: "/fit", open: (page) => page.getByRole("button", { name: /^Proposals/ }).click() },
  { path: "/sizes" },
  { path: "/stack" },
  { path: "/variants", open: (page) => page.getByRole("button", { name: "Set this one aside" }).click() },
];

for (const name of NAMES) {
  test(`nothing of ${name} is clipped or overprinted at any width, in either unit`, async ({ page }) => {
    const wrong: string[] = [];
    await page.addInitScript(recordPaintedText);
    await openCopy(page, name);
    for (const step of STEPS) {
      await page.getByRole("link", { name: step }).click();
      wrong.push(...(await faultsOf(page, step.source)));
    }
    await more(page, "History");
    wrong.push(...(await faultsOf(page, "History")));
    expect(wrong.join("\n")).toBe("");
  });
}

test("nothing of the ways to start, proposals, sizes, stacks and variants is clipped or overprinted at any width, in either unit", async ({ page }) => {
  const wrong: string[] = [];
  await page.addInitScript(recordPaintedText);
  await openPiece(page, "Ferry Bell");
  const at = new URL(page.url()).pathname;
  for (const way of WAYS) {
    await page.goto(at + way.path);
    await way.open?.(page);
    wrong.push(...(await faultsOf(page, way.path)));
  }
  expect(wrong.join("\n")).toBe("");
});

test("nothing of a component in the maker is clipped or overprinted at any width, in either unit", async ({ page }) => {
  const { materials } = JSON.parse(readFileSync("demo/catalogue.json", "utf8")) as { materials: { id: string; class: string }[] };
  const wrong: string[] = [];
  await page.addInitScript(recordPaintedText);
  for (const { id } of materials.filter((m) => m.class === "component")) {
    await page.goto(`/materials/component/${id}`);
    await page.locator(".maker-picture").waitFor();
    wrong.push(...(await faultsOf(page, id)));
  }
  expect(wrong.join("\n")).toBe("");
});
