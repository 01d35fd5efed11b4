import type { Document, Material, Outline } from "../api/client.ts";

/** materialsOf finds a document's materials by id. */
export function materialsOf(doc: Document): Map<string, Material> {
  return new Map(doc.materials.map((m) => [m.id, m]));
}

/** layerOf says what is painted first: beads, then the caps that sit on them, then what hangs in front. */
export const layerOf = (m: Material, outline: Outline) => (outline.seats || m.shape === "charm" ? 2 : m.shape === "cap" ? 1 : 0);

/** hangsFrom is how far below the middle of a fitting things hang on it, in mm. */
export const hangsFrom = (m: Material | undefined) => (m?.type === "extender" || !m?.insideMm ? 0 : (m.insideMm + (m.wireMm ?? 0)) / 2);
