import type { Document, Material } from "../api/client.ts";
import type { Wanted } from "../materials/catalogue.ts";
import { rowOf, withMaterial, withoutUnused, withRow } from "../bench/document.ts";

/** Place is a list of fittings of the piece: a strand's end, or a side of its closure. */
export type Place = "left" | "right" | "claspLeft" | "claspRight";

const CLASPS = ["lobster", "spring-ring", "toggle", "hook", "s-hook", "magnetic", "slide"];
const RINGS = ["jump-ring", "split-ring"];
const ENDINGS = ["crimp-tube", "crimp-bead", "crimp-cover", "wire-guard"];

/** wantedAt says what of the catalogue can go there. */
export function wantedAt(place: Place | "cord"): Wanted {
  if (place === "cord") return { class: "cord" };
  const types = place === "left" || place === "right" ? [...ENDINGS, ...RINGS] : [...CLASPS, ...RINGS, "extender"];
  return { class: "finding", types: types.join(",") };
}

/** fittingsAt lists what is there, in threading order from the strand outwards. */
export function fittingsAt(doc: Document, place: Place): string[] {
  switch (place) {
    case "left":
    case "right":
      return rowOf(doc)[place] ?? [];
    case "claspLeft":
      return [...(doc.closure.left ?? [])].reverse();
    case "claspRight":
      return [...(doc.closure.right ?? [])].reverse();
  }
}

function withFittings(doc: Document, place: Place, ids: string[]): Document {
  switch (place) {
    case "left":
    case "right":
      return withRow(doc, { [place]: ids });
    case "claspLeft":
      return { ...doc, closure: { ...doc.closure, left: [...ids].reverse() } };
    case "claspRight":
      return { ...doc, closure: { ...doc.closure, right: [...ids].reverse() } };
  }
}

/** withFitting puts a material at a place: in the place of one that is there, or behind the last. */
export function withFitting(doc: Document, place: Place, index: number, m: Material): Document {
  const ids = [...fittingsAt(doc, place)];
  ids[Math.min(index, ids.length)] = m.id;
  return withoutUnused(withFittings(withMaterial(doc, m), place, ids));
}

export function withoutFitting(doc: Document, place: Place, index: number): Document {
  return withoutUnused(withFittings(doc, place, fittingsAt(doc, place).filter((_, i) => i !== index)));
}

export function withCord(doc: Document, m: Material): Document {
  return withoutUnused(withRow(withMaterial(doc, m), { cord: m.id }));
}
