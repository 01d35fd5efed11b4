import type { Analysis, Document, Fitting, Operation } from "../api/client.ts";
import { rowOf, rowsOf } from "../api/piece.ts";
import type { Filter } from "../shop/catalogue.ts";

/** FittingList is a list of fittings of the piece: a strand's end, or a side of its closure. */
export type FittingList = "left" | "right" | "claspLeft" | "claspRight";

export const isClosure = (list: FittingList) => list === "claspLeft" || list === "claspRight";
export const sideOf = (list: FittingList) => (list === "left" || list === "claspLeft" ? "left" : "right");

/** filterFor says what of the catalogue can go there. */
export function filterFor(list: FittingList | "cord"): Filter {
  if (list === "cord") return { class: "cord" };
  return { spot: isClosure(list) ? "closure" : "row" };
}

/** fittingsAt lists what is there, in threading order from the strand outwards. */
export function fittingsAt(doc: Document, row: string, list: FittingList): Fitting[] {
  if (isClosure(list)) return [...(doc.closure[sideOf(list)] ?? [])].reverse();
  return rowOf(doc, row)[sideOf(list)] ?? [];
}

/** everyFitting lists every fitting of the piece: of its closure, its joins and its rows. */
export function everyFitting(doc: Document): Fitting[] {
  const lists = [doc.closure.left, doc.closure.right, ...(doc.joins ?? []).map((join) => join.fittings), ...rowsOf(doc).flatMap((row) => [row.left, row.right])];
  return lists.flatMap((list) => list ?? []);
}

/** partOf is a fitting as it was worked out last. */
export const partOf = (analysis: Analysis | null, fitting: string) => (analysis?.strands ?? []).flatMap((strand) => [...strand.left, ...strand.right]).find((part) => part.fitting === fitting);

/** linksOf is how many links a chain has: of one that fills up, as worked out last. */
export function linksOf(analysis: Analysis | null, chain: Fitting | undefined): number | undefined {
  if (!chain?.fill) return chain?.links;
  return partOf(analysis, chain.id)?.links ?? chain.links;
}

/** putFitting is the operation that puts a material there: in the place of a fitting, or behind the last. */
export function putFitting(row: string, list: FittingList, fitting: string | undefined, material: string): Operation {
  if (fitting) return { do: "set-fitting", at: { fitting }, material };
  return { do: "add-fitting", at: { strand: row, end: sideOf(list) }, closure: isClosure(list), material };
}

/** HANGS is what of the catalogue can hang on a fitting. */
export const HANGS: Filter = { hangs: true };

/** carrierOf is the outermost fitting there that something can hang on. */
export function carrierOf(doc: Document, analysis: Analysis | null, row: string, list: FittingList): Fitting | undefined {
  return fittingsAt(doc, row, list).findLast(({ id }) => partOf(analysis, id)?.carries);
}

const fittingOf = (doc: Document, row: string, id: string) => (["left", "right", "claspLeft", "claspRight"] as const).flatMap((list) => fittingsAt(doc, row, list)).find((f) => f.id === id);

/** isHung says whether an n-th thing hangs on a fitting. */
export const isHung = (doc: Document, row: string, fitting: string, n: number) => n < (fittingOf(doc, row, fitting)?.hung?.length ?? 0);

/** hangOn hangs a material on a fitting, in the place of the n-th thing there or as one more. */
export function hangOn(doc: Document, row: string, fitting: string, n: number, material: string): Operation[] {
  const hang: Operation = { do: "hang", at: { fitting }, material };
  return isHung(doc, row, fitting, n) ? [{ do: "unhang", at: { fitting }, n }, hang] : [hang];
}
