import { readdirSync, readFileSync } from "node:fs";
import { expect, test } from "@playwright/test";
import type { Check, Document, Operation } from "../web/src/api/client.ts";
import { rowOf, strandOf } from "../web/src/api/piece.ts";
import { analyse, apply, fixesOf } from "./calls.ts";
import { Mala } from "./mala.ts";

// Every fix that is offered on the pieces of the shop, spoiled in many ways, is
// carried out by the same call the page makes.
const mala = new Mala();

test.beforeAll(() => mala.start());
test.afterAll(() => mala.remove());

const piece = (file: string): Document => JSON.parse(readFileSync(`demo/pieces/${file}`, "utf8"));
const keyOf = ({ code, end }: Check) => `${code} ${end ?? ""}`;
const clasped = (doc: Document) => doc.closure.type === "clasp";

/** SPOILERS make something wrong with a piece, or leave one alone that they do not fit. */
const SPOILERS: Record<string, (doc: Document) => Operation[]> = {
  "as it is": () => [],
  "a bead line cut short": (doc) => [{ do: "set-line", text: rowOf(doc).line.replace(/\d+/, (n) => String(Math.max(1, Math.round(Number(n) * 0.6)))) }],
  "no slack": () => [{ do: "set-slack", mm: 0 }],
  "far too much slack": () => [{ do: "set-slack", mm: 14 }],
  "cut too short": () => [{ do: "set-cut", mm: 90 }],
  "a wide crimp": (doc) => (clasped(doc) && rowOf(doc).left?.[0] ? [{ do: "set-fitting", at: { fitting: rowOf(doc).left![0].id }, material: "crimp-25" }] : []),
  "a soldered ring at the clasp": (doc) => (clasped(doc) && doc.closure.left?.[1] ? [{ do: "set-fitting", at: { fitting: doc.closure.left[1].id }, material: "ring-soldered-6" }] : []),
  "no crimp": (doc) => (clasped(doc) && rowOf(doc).left?.[0] ? [{ do: "drop-fitting", at: { fitting: rowOf(doc).left![0].id } }] : []),
  "no clasp": (doc) => (clasped(doc) && doc.closure.left?.[0] ? [{ do: "drop-fitting", at: { fitting: doc.closure.left[0].id } }] : []),
  "a loop of too few beads": (doc) => (rowOf(doc).rightEnd?.way === "loop" ? [{ do: "set-end", at: { end: "right" }, field: "loop", text: "9R" }] : []),
  "a top loop too small": (doc) => (doc.kind === "ornament" ? [{ do: "set-end", at: { end: "right" }, field: "girth", mm: 40 }] : []),
  "a chain too short": (doc) => (doc.closure.left ?? []).filter((f) => f.links).map((f): Operation => ({ do: "set-links", at: { fitting: f.id }, n: 20 })),
  "a knot in view": () => [{ do: "set-house", field: "knotPlace", text: "hidden" }],
  "for a smaller wearer": (doc) => (doc.body?.measureMm ? [{ do: "set-body", body: { ...doc.body, measureMm: doc.body.measureMm - 24, fit: undefined } }] : []),
};

for (const file of readdirSync("demo/pieces")) {
  test(`every fix of ${file.replace(".json", "")} mends what it says and brings nothing worse`, async () => {
    let tried = 0;
    for (const [what, spoil] of Object.entries(SPOILERS)) {
      const whole = await apply(mala, piece(file));
      const doc = await apply(mala, whole, ...spoil(whole));
      const [{ checks }, fixes] = [await analyse(mala, doc), await fixesOf(mala, doc)];
      expect(fixes).toHaveLength(checks.length);
      const before = new Set(checks.filter((c) => c.severity !== "advise").map(keyOf));
      for (const [i, check] of checks.entries()) {
        const fix = fixes[i];
        if (!fix) continue;
        const { checks: left } = await analyse(mala, await apply(mala, doc, ...fix.operations));
        const same = left.filter((c) => keyOf(c) === keyOf(check));
        expect(same.length === 0 || (same[0].more?.length ?? 0) < (check.more?.length ?? 0) || same.length < checks.filter((c) => keyOf(c) === keyOf(check)).length, `${what}: ${fix.says}`).toBe(true);
        for (const c of left.filter((one) => one.severity !== "advise")) expect(before.has(keyOf(c)), `${what}: ${fix.says} brings ${c.says}`).toBe(true);
        tried++;
      }
    }
    expect(tried).toBeGreaterThan(1);
  });
}

test("a waiver stays at its end until it is removed", async () => {
  const doc = await apply(mala, piece("quay-lanterns.json"));
  const [check] = (await analyse(mala, doc)).checks;
  const at = { strand: check.strand, end: check.end };
  const waived = await apply(mala, doc, { do: "waive", field: check.code, at, text: "glued" });
  const { checks } = await analyse(mala, waived);
  expect(checks.map((c) => [c.end, c.waived])).toEqual([
    ["right", undefined],
    ["left", "glued"],
  ]);
  const again = await apply(mala, waived, { do: "waive", field: check.code, at, text: "knotted" });
  expect(await apply(mala, again, { do: "unwaive", field: check.code, at })).toEqual(doc);
  const empty = await fetch(`${mala.url}/api/edit`, { method: "POST", headers: { "Content-Type": "application/json" }, body: JSON.stringify({ document: doc, operations: [{ do: "waive", field: check.code, at, text: " " }] }) });
  expect((await empty.json()).faults[0]).toMatchObject({ where: "waived[0].note" });
});

test("a choice of the piece's own outweighs the house's, and once cleared follows it again", async () => {
  const doc = piece("harbour-lights.json");
  const choose = (field: string, text: string) => apply(mala, doc, { do: "set-house", field, text });
  const cut = async (d: Document) => strandOf(await analyse(mala, d)).cutMm;
  const before = await cut(doc);
  const generous = await choose("allowance", "generous");
  expect(await cut(generous)).toBeCloseTo(before + 120, 6);
  expect(await cut(await apply(mala, generous, { do: "set-house", field: "allowance", text: "" }))).toBe(before);
  const spool = await analyse(mala, await choose("allowance", "spool"));
  expect(strandOf(spool).start).toEqual({ side: "left", by: "spool", tipMm: 0 });
  expect(spool.steps!.some((s) => s.says.includes("on its spool"))).toBe(true);
  const trimmed = strandOf(await analyse(mala, await choose("tail", "trimmed")));
  expect(trimmed.leftTail).toMatchObject({ mm: 0, beads: 0 });
  expect(trimmed.placed.every((b) => b.passes === 1)).toBe(true);
});
