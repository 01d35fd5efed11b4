import type { CatalogueItem, Check, Document, Fix, Material } from "../api/client.ts";

type Row = NonNullable<Document["sections"][number]["rows"]>[number];

/** rowOf is the one row of a piece. */
export function rowOf(doc: Document): Row {
  return doc.sections[0].rows![0];
}

export function withRow(doc: Document, change: Partial<Row>): Document {
  return { ...doc, sections: [{ rows: [{ ...rowOf(doc), ...change }] }] };
}

export const lineOf = (doc: Document) => rowOf(doc).line;

export const withLine = (doc: Document, line: string) => withRow(doc, { line });

/** withMaterial adds a copy of a material to the piece, unless it holds one already. */
export function withMaterial(doc: Document, material: Material): Document {
  return doc.materials.some((m) => m.id === material.id) ? doc : { ...doc, materials: [...doc.materials, material] };
}

/** withDish gives a letter a bead: a new dish, or another bead in an old one. */
export function withDish(doc: Document, key: string, material: Material): Document {
  return withoutUnused({ ...withMaterial(doc, material), palette: { ...doc.palette, [key]: material.id } });
}

export function withoutDish(doc: Document, key: string): Document {
  const palette = { ...doc.palette };
  delete palette[key];
  return withoutUnused({ ...doc, palette });
}

/** freeKey finds a letter for a new dish: the first of its name that is free, else the first free one. */
export function freeKey(doc: Document, name: string): string {
  const letters = [...name.toUpperCase().replace(/[^A-Z]/g, ""), ..."ABCDEFGHIJKLMNOPQRSTUVWXYZ"];
  const single = letters.find((key) => !(key in doc.palette));
  if (single) return single;
  for (const first of "ABCDEFGHIJKLMNOPQRSTUVWXYZ") {
    for (const second of "abcdefghijklmnopqrstuvwxyz") {
      if (!(first + second in doc.palette)) return first + second;
    }
  }
  return "A";
}

/** withoutUnused drops the copies of materials that nothing refers to. */
export function withoutUnused(doc: Document): Document {
  const row = rowOf(doc);
  const used = new Set([...Object.values(doc.palette), row.cord, ...(row.left ?? []), ...(row.right ?? []), ...(doc.closure.left ?? []), ...(doc.closure.right ?? [])]);
  return { ...doc, materials: doc.materials.filter((m) => used.has(m.id)) };
}

/** withFix carries out a fix: what it names takes the place of what is there. */
export function withFix(doc: Document, fix: Fix, catalogue: CatalogueItem[]): Document {
  let out = doc;
  for (const id of fix.materials ?? []) {
    const item = catalogue.find((c) => c.material.id === id);
    if (item) out = withMaterial(out, item.material);
  }
  if (fix.palette) out = { ...out, palette: { ...out.palette, ...fix.palette } };
  if (fix.line !== undefined) out = withLine(out, fix.line);
  if (fix.cord) out = withRow(out, { cord: fix.cord });
  if (fix.house) out = withHouse(out, fix.house);
  if (fix.targetMm !== undefined && out.target) out = { ...out, target: { ...out.target, finishedMm: fix.targetMm } };
  if (fix.ends) {
    const { left, right, closureLeft, closureRight } = fix.ends;
    out = { ...withRow(out, { left, right }), closure: { ...out.closure, left: closureLeft, right: closureRight } };
  }
  for (const field of fix.forget ?? []) out = withRow(out, { [field]: undefined });
  return withoutUnused(out);
}

/** withHouse overrides choices of the house method; one that is undefined follows the house again. */
export function withHouse(doc: Document, change: NonNullable<Document["house"]>): Document {
  return { ...doc, house: { ...doc.house, ...change } };
}

/** withWaiver lets a check stand and says why; without a note it counts again. */
export function withWaiver(doc: Document, check: Pick<Check, "code" | "end">, note: string | null): Document {
  const others = (doc.waived ?? []).filter((w) => w.code !== check.code || w.end !== check.end);
  const waived = note === null ? others : [...others, { code: check.code, end: check.end, note }];
  return { ...doc, waived: waived.length > 0 ? waived : undefined };
}
