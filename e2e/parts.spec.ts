import { readFileSync } from "node:fs";
import { expect, test } from "@playwright/test";
import type { Analysis, Document, Material, Outline } from "../web/src/api/client.ts";
import { opened } from "../web/src/api/opened.ts";
import { rowOf, strandOf } from "../web/src/api/piece.ts";
import { lineOf, withTyped } from "../web/src/piece/document.ts";
import { describePlace, handleOf, runAt, selectionFacts } from "../web/src/piece/place.ts";
import { sizedBy, sizedWord, sizeOf } from "../web/src/shop/size.ts";
import { filterFor, fittingsAt, putFitting } from "../web/src/piece/places.ts";
import { lighter, mix, parseColour, scatter } from "../web/src/draw/paint/colour.ts";
import { silhouette } from "../web/src/draw/paint/silhouette.ts";
import { gapAt, nearestGap, reachOf } from "../web/src/draw/strandGeometry.ts";
import { compare } from "../web/src/compare/compare.ts";
import { fieldsOf, idFor } from "../web/src/shop/fields.ts";
import { analyse, apply } from "./calls.ts";
import { Mala } from "./mala.ts";

// The page's parts that need no browser: what they do with a document and its analysis.
let mala: Mala;
let doc: Document;
let analysis: Analysis;
let catalogue: Material[];

test.beforeAll(async () => {
  mala = new Mala();
  await mala.start();
  doc = await apply(mala, JSON.parse(readFileSync("demo/pieces/slack-tide.json", "utf8")));
  analysis = await (await fetch(`${mala.url}/api/analyse`, { method: "POST", headers: { "Content-Type": "application/json" }, body: JSON.stringify(doc) })).json();
  const shop = await (await fetch(`${mala.url}/api/materials?limit=500`)).json();
  catalogue = shop.items.map((i: { material: Material }) => i.material);
});
test.afterAll(() => mala.remove());

const material = (id: string) => catalogue.find((m) => m.id === id)!;

test("a dish is added, changed and removed, and nothing unused is carried along", async () => {
  const more = await apply(mala, doc, { do: "set-dish", text: "L", material: "lantern-8" });
  expect(more.palette.L).toBe("lantern-8");
  expect(more.materials).toHaveLength(doc.materials.length + 1);
  const changed = await apply(mala, more, { do: "set-dish", text: "L", material: "lantern-10" });
  expect(changed.materials.map((m) => m.id)).not.toContain("lantern-8");
  expect((await apply(mala, changed, { do: "remove-dish", text: "L" })).materials).toEqual(doc.materials);
  // Without a letter it takes the first of its name that is free.
  expect(Object.keys((await apply(mala, doc, { do: "set-dish", material: "lantern-8" })).palette)).toContain("L");
});

test("only a typed line is written by the page itself", () => {
  expect(lineOf(withTyped(doc, ["r1"], "3P ("), "r1")).toBe("3P (");
  expect(lineOf(doc, "r1")).not.toBe("3P (");
});

test("fittings are listed in threading order and put in at their place", async () => {
  const of = (d: Document, list: "left" | "claspLeft") => fittingsAt(d, "r1", list).map((f) => f.of);
  expect(of(doc, "left")).toEqual(["crimp-18"]);
  const guarded = await apply(mala, doc, putFitting("r1", "left", undefined, "guard-brass"));
  expect(of(guarded, "left")).toEqual(["crimp-18", "guard-brass"]);
  const ringed = await apply(mala, doc, putFitting("r1", "claspLeft", fittingsAt(doc, "r1", "claspLeft")[0].id, "ring-5"));
  expect(of(ringed, "claspLeft")).toEqual(["ring-5"]);
  const both = await apply(mala, ringed, putFitting("r1", "claspLeft", undefined, "lobster-10"));
  expect(of(both, "claspLeft")).toEqual(["ring-5", "lobster-10"]);
  expect(filterFor("cord")).toEqual({ class: "cord" });
  expect(filterFor("claspLeft")).toEqual({ spot: "closure" });
  expect(filterFor("left")).toEqual({ spot: "row" });
});

test("another way to close brings what it needs and drops the rest", async () => {
  const knotted = await apply(mala, doc, { do: "set-closure", text: "knot" });
  expect(knotted.closure).toEqual({ type: "knot" });
  expect(knotted.materials.find((m) => m.id === rowOf(knotted).cord)?.type).toBe("elastic");
  expect(knotted.materials.some((m) => m.class === "finding")).toBe(false);
  const clasped = await apply(mala, knotted, { do: "set-closure", text: "clasp" });
  expect(clasped.closure.left).toHaveLength(2);
  expect(rowOf(clasped).left).toHaveLength(1);
});

test("ends reach outwards from the strand, and all of it is the finished length", () => {
  const strand = strandOf(analysis);
  const { start, end } = reachOf(strand);
  expect(strand.left[0].fromMm).toBe(0);
  expect(end - start).toBeCloseTo(analysis.finishedMm, 3);
});

test("beads given in few words are the beads given one by one", async () => {
  for (const piece of ["slack-tide", "harbour-lights", "first-tide"]) {
    const one = JSON.parse(readFileSync(`demo/pieces/${piece}.json`, "utf8"));
    const whole = await analyse(mala, one);
    const { placed: each, runs } = strandOf(whole);
    const answer = await analyse(mala, one, "?brief=true");
    expect(opened(answer as Parameters<typeof opened>[0]).drawing!.outlines).toEqual(whole.drawing!.outlines);
    expect(strandOf(answer)).not.toMatchObject({ placed: expect.anything() });
    expect(strandOf(answer)).not.toMatchObject({ runs: expect.anything() });
    const { placed, runs: short } = strandOf(opened(answer as Parameters<typeof opened>[0]));
    expect(short).toEqual(runs.map(({ key, material: of, turned, first, count }) => ({ key, material: of, turned, first, count })));
    expect(placed.map(({ key, material: of, node, turned, passes, acrossMm }) => ({ key, of, node, turned, passes, acrossMm }))).toEqual(
      each.map(({ key, material: of, node, turned, passes, acrossMm }) => ({ key, of, node, turned, passes, acrossMm })));
    each.forEach((b, i) => {
      for (const at of ["atMm", "fromMm", "toMm", "alongMm"] as const) expect(Math.abs(placed[i][at] - b[at]), `${piece} ${i} ${at}`).toBeLessThan(1e-4);
    });
  }
});

test("gaps are found where they lie", () => {
  const strand = strandOf(analysis);
  for (const gap of [0, 1, 7, 25, strand.placed.length]) expect(nearestGap(strand, gapAt(strand, gap)), `gap ${gap}`).toBe(gap);
  expect(nearestGap(strand, -50)).toBe(0);
  expect(nearestGap(strand, 1e6)).toBe(strand.placed.length);
});

test("places, selections and runs are described in words and figures", () => {
  const strand = strandOf(analysis);
  expect(describePlace(strand, doc, { from: 0, to: 0 })).toBe("At the left end, before Steel round");
  expect(describePlace(strand, doc, { from: 6, to: 6 })).toBe("After bead 6 of 51, Steel round; before Brass spacer");
  expect(describePlace(strand, doc, { from: 0, to: 6 })).toContain("6 beads selected");
  expect(describePlace({ ...strand, placed: [] }, doc, { from: 0, to: 0 })).toContain("bare");
  expect(selectionFacts(strand, { from: 0, to: 6 })!.mm).toBeCloseTo(strand.runs[0].reachedMm!, 6);
  expect(selectionFacts(strand, { from: 3, to: 3 })).toBeNull();
  expect(runAt(strand, 3)).toEqual([0, 6]);
  expect(handleOf(strand, { from: 0, to: 6 })).toMatchObject({ count: 6 });
  expect(handleOf(strand, { from: 0, to: 5 })).toBeNull();
  expect(handleOf(strand, { from: 5, to: 7 })).toBeNull();
});

test("two states are compared line by line, and one with an error in its line says so", () => {
  const one = { name: "a", doc, analysis };
  const fewer = { name: "b", doc, analysis: { ...analysis, tally: analysis.tally.map((c) => ({ ...c, count: c.count - 1 })) } };
  const steel = compare(one, fewer).find((d) => d.what.startsWith("Steel round"))!;
  expect([steel.one, steel.other]).toEqual([30, 29]);
  const broken = compare(one, { name: "c", doc: withTyped(doc, ["r1"], "<9P"), analysis: null });
  expect(broken[0]).toMatchObject({ what: "Bead line", other: "<9P" });
  expect(broken.find((d) => d.what === "Finished length")!.other).toBeNull();
});

test("a silhouette hides what lies in a hollow, and turns with its bead", () => {
  const cap: Outline = { holeMm: 1, left: [[0.5, 0], [2, -0.5], [4, -2]], right: [[0.5, 0.4], [2, 1], [4, 2.4]] };
  const seen = silhouette(cap, false);
  expect(seen.right.every((p) => p[1] === 2.4)).toBe(true);
  expect(seen.reach).toEqual({ left: 0, right: 2.4, up: 4 });
  expect(silhouette(cap, true).reach).toEqual({ left: 2.4, right: 0, up: 4 });
});

test("colours are read, mixed and scattered the same each time", () => {
  expect(parseColour("#ff8000")).toEqual([255, 128, 0]);
  expect(parseColour("red")).toEqual(parseColour(undefined));
  expect(mix([0, 0, 0], [100, 200, 50], 0.5)).toEqual([50, 100, 25]);
  expect(lighter([0, 0, 0], 1)[0]).toBeGreaterThan(200);
  const [a, b] = [scatter("pearl"), scatter("pearl")];
  expect([a(), a(), a()]).toEqual([b(), b(), b()]);
  expect(scatter("pearl")()).not.toBe(scatter("stone")());
});

test("sizes and their sources are written in the trade's way", () => {
  expect(sizeOf(material("sea-pearl-4"))).toBe("4 mm");
  expect(sizeOf(material("brass-cap-8"))).toBe("7 mm, 2.2 deep");
  expect(sizeOf(material("crimp-18"))).toBe("1.8 × 2 mm");
  expect(sizeOf(material("ring-5"))).toBe("3.6 mm inside");
  expect(sizeOf(material("elastic-07"))).toBe("0.7 mm");
  expect(sizedBy(material("sea-pearl-4"))).toBe("measured: 50 make 195.2 mm");
  expect([sizedWord(material("brass-spacer")), sizedWord(material("bottle-6"))]).toEqual(["calipered", ""]);
});

test("a material is asked for the measures its kind has", () => {
  const names = (m: Partial<Material>) => fieldsOf(m as Material).map((f) => f.name);
  expect(names({ class: "bead", shape: "round" })).not.toContain("alongMm");
  expect(names({ class: "bead", shape: "cap" })).toEqual(expect.arrayContaining(["depthMm", "wallMm"]));
  expect(names({ class: "bead", shape: "tube" })).toContain("alongMm");
  expect(names({ class: "finding", type: "toggle" })).toContain("barMm");
  expect(names({ class: "finding", type: "jump-ring" })).toEqual(expect.arrayContaining(["insideMm", "wireMm", "joint"]));
  expect(names({ class: "cord" })).toContain("diameterMm");
  expect(idFor("Sea-Pearl, ROUND 4 mm")).toBe("sea-pearl-round-4-mm");
  expect(idFor("Éclat")).toBe("eclat");
  expect(idFor("夜")).toMatch(/^material-/);
});
