import type { Document, Material } from "../api/client.ts";
import { rowOf, type Row } from "../api/piece.ts";

export const lineOf = (doc: Document, row: string) => rowOf(doc, row).line;

/** withTyped holds the bead line of rows as it is typed, whether or not it can be read yet. All else is changed by operations. */
export function withTyped(doc: Document, rows: string[], line: string): Document {
  const typed = (one: Row) => (rows.includes(one.id) ? { ...one, line } : one);
  return { ...doc, sections: doc.sections.map((section) => ({ ...section, rows: section.rows?.map(typed) })) };
}

/** withSharedMaterials keeps materials that have not changed the same objects, so that their pictures are kept too. */
export function withSharedMaterials(next: Document, before: Document): Document {
  const known = new Map(before.materials.map((m) => [m.id, m]));
  const same = (m: Material) => {
    const old = known.get(m.id);
    return old && JSON.stringify(old) === JSON.stringify(m) ? old : m;
  };
  return { ...next, materials: next.materials.map(same) };
}
