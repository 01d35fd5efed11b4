import type { Document, Fitting, Operation } from "../api/client.ts";
import { leadRow } from "../api/piece.ts";
import { CORDS } from "../materials/fields.ts";
import { materialTypeValues } from "../api/schema.gen.ts";
import type { Filter } from "../materials/catalogue.ts";

/** FittingList is a list of fittings of the piece: a strand's end, or a side of its closure. */
export type FittingList = "left" | "right" | "claspLeft" | "claspRight";

const isClosure = (list: FittingList) => list === "claspLeft" || list === "claspRight";
const sideOf = (list: FittingList) => (list === "left" || list === "claspLeft" ? "left" : "right");

/** TYPES are the kinds of findings and cords, as the schema lists them. */
const TYPES: readonly string[] = materialTypeValues;
const ROW_ONLY = ["crimp-tube", "crimp-bead", "crimp-cover", "wire-guard", "cord-end"];
const BOTH = ["jump-ring", "split-ring"];

/** filterFor says what of the catalogue can go there. */
export function filterFor(list: FittingList | "cord"): Filter {
  if (list === "cord") return { class: "cord" };
  const types = isClosure(list) ? TYPES.filter((t) => !CORDS.includes(t) && !ROW_ONLY.includes(t)) : [...ROW_ONLY, ...BOTH];
  return { class: "finding", types: types.join(",") };
}

/** fittingsAt lists what is there, in threading order from the strand outwards. */
export function fittingsAt(doc: Document, list: FittingList): Fitting[] {
  if (isClosure(list)) return [...(doc.closure[sideOf(list)] ?? [])].reverse();
  return leadRow(doc)[sideOf(list)] ?? [];
}

/** putFitting is the operation that puts a material there: in the place of a fitting, or behind the last. */
export function putFitting(doc: Document, list: FittingList, fitting: string | undefined, material: string): Operation {
  if (fitting) return { do: "set-fitting", at: { fitting }, material };
  return { do: "add-fitting", at: { strand: leadRow(doc).id, end: sideOf(list) }, closure: isClosure(list), material };
}
