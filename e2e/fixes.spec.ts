import { readdirSync, readFileSync } from "node:fs";
import { expect, test } from "@playwright/test";
import type { Analysis, CatalogueItem, Check, Document } from "../web/src/api/client.ts";
import { rowOf, withFix, withHouse, withLine, withRow, withWaiver } from "../web/src/bench/document.ts";
import { Mala } from "./mala.ts";

// The page's own way of carrying a fix out, held against the real server: after
// it the check is gone and no new stop has come.
const mala = new Mala();
let catalogue: CatalogueItem[];

test.beforeAll(async () => {
  await mala.start();
  catalogue = (await (await fetch(`${mala.url}/api/materials?limit=500`)).json()).items;
});
test.afterAll(() => mala.remove());

async function analyse(doc: Document): Promise<Analysis> {
  const answer = await fetch(`${mala.url}/api/analyse`, { method: "POST", headers: { "Content-Type": "application/json" }, body: JSON.stringify(doc) });
  expect(answer.status, await answer.clone().text()).toBe(200);
  return answer.json();
}

const piece = (file: string): Document => JSON.parse(readFileSync(`demo/pieces/${file}`, "utf8"));
const item = (id: string) => catalogue.find((c) => c.material.id === id)!.material;
const withAll = (doc: Document, ...ids: string[]): Document => ({ ...doc, materials: [...doc.materials.filter((m) => !ids.includes(m.id)), ...ids.map(item)] });
const stops = (checks: Check[]) => checks.filter((c) => c.severity === "stop").length;
const of = (checks: Check[], code: string) => checks.filter((c) => c.code === code);

/** SPOILERS make something wrong with any piece, or leave one alone that it does not fit. */
const SPOILERS: Record<string, (doc: Document) => Document> = {
  "as it is": (doc) => doc,
  "a bead line cut short": (doc) => withLine(doc, rowOf(doc).line.replace(/\d+/, (n) => String(Math.max(1, Math.round(Number(n) * 0.6))))),
  "no slack": (doc) => withRow(doc, { slackMm: 0 }),
  "far too much slack": (doc) => withRow(doc, { slackMm: 14 }),
  "cut too short": (doc) => withRow(doc, { cutMm: 90 }),
  "wide crimps": (doc) => (doc.closure.type === "clasp" ? withAll(withRow(doc, { left: ["crimp-25"], right: ["crimp-25"] }), "crimp-25") : doc),
  "a soldered ring at the clasp": (doc) => {
    const clasp = doc.closure.left?.[0];
    return clasp ? withAll({ ...doc, closure: { ...doc.closure, left: [clasp, "ring-soldered-6"] } }, "ring-soldered-6") : doc;
  },
  "a hidden knot": (doc) => withHouse(doc, { knotPlace: "hidden" }),
  "thin elastic": (doc) => {
    const thin = doc.materials.some((m) => m.id === "elastic-07");
    return thin ? { ...withRow(doc, { cord: "thin" }), materials: doc.materials.map((m) => (m.id === "elastic-07" ? { ...m, id: "thin", diameterMm: 0.4 } : m)) } : doc;
  },
  "for a smaller wearer": (doc) => (doc.body?.measureMm ? { ...doc, body: { ...doc.body, measureMm: doc.body.measureMm - 24, fit: undefined } } : doc),
};

for (const file of readdirSync("demo/pieces")) {
  test(`every fix of ${file.replace(".json", "")} mends what it says, whatever is wrong with it`, async () => {
    let tried = 0;
    for (const [what, spoil] of Object.entries(SPOILERS)) {
      const doc = spoil(piece(file));
      const { checks } = await analyse(doc);
      for (const check of checks) {
        if (!check.fix) continue;
        const { checks: left } = await analyse(withFix(doc, check.fix, catalogue));
        expect(of(left, check.code).length, `${what}: ${check.fix.says}`).toBeLessThan(of(checks, check.code).length);
        expect(stops(left), `${what}: ${check.fix.says}`).toBeLessThanOrEqual(stops(checks));
        tried++;
      }
    }
    expect(tried).toBeGreaterThan(2);
  });
}

test("a waiver stands at its end until it is taken back", async () => {
  const doc = piece("quay-lanterns.json");
  const [check] = (await analyse(doc)).checks;
  const waived = withWaiver(doc, check, "glued");
  const { checks } = await analyse(waived);
  expect(checks.map((c) => [c.end, c.waived])).toEqual([
    ["right", undefined],
    ["left", "glued"],
  ]);
  expect(withWaiver(withWaiver(waived, check, "knotted"), check, null)).toEqual(doc);
  const empty = await fetch(`${mala.url}/api/analyse`, { method: "POST", headers: { "Content-Type": "application/json" }, body: JSON.stringify(withWaiver(doc, check, " ")) });
  expect((await empty.json()).faults[0]).toMatchObject({ where: "waived[0].note" });
});

test("a choice of the piece's own outweighs the house's, and let go of follows it again", async () => {
  const doc = piece("harbour-lights.json");
  const cut = async (d: Document) => (await analyse(d)).strands[0].cutMm;
  const before = await cut(doc);
  const generous = withHouse(doc, { hand: "generous" });
  expect(await cut(generous)).toBeCloseTo(before + 130, 6);
  expect(await cut(withHouse(generous, { hand: undefined }))).toBe(before);
  const spool = await analyse(withHouse(doc, { hand: "spool" }));
  expect(spool.strands[0].start).toEqual({ side: "left", by: "spool", tipMm: 0 });
  expect(spool.steps.some((s) => s.says.includes("on its spool"))).toBe(true);
  const trimmed = await analyse(withHouse(doc, { tail: "trimmed" }));
  expect(trimmed.strands[0].leftTail).toMatchObject({ mm: 0, beads: 0 });
  expect(trimmed.strands[0].placed.every((b) => b.passes === 1)).toBe(true);
});
