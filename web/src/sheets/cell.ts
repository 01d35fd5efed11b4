import type { Kit, KitCell } from "../api/client.ts";

export type CellOf = Pick<KitCell, "option" | "size" | "colourway">;

/** cellAddress writes which of a kit's things is meant into an address. */
export const cellAddress = (cell: CellOf) => `${cell.option}-${cell.size}-${cell.colourway}`;

/** cellAt reads it again; what is none is the first. */
export function cellAt(address: string | undefined): CellOf {
  const [option, size, colourway] = (address ?? "").split("-").map((part) => (/^\d{1,3}$/.test(part) ? Number(part) : 0));
  return { option: option ?? 0, size: size ?? 0, colourway: colourway ?? 0 };
}

/** namesIn are the sizes or colourways of all pieces, each once, after the piece as it is, which has no name. */
export function namesIn(kit: Kit, what: "sizes" | "colourways"): string[] {
  return [...new Set(["", ...kit.pieces.flatMap(({ document }) => (document[what] ?? []).map((one: { name: string }) => one.name))])];
}

/** soldIn are those that the kit is sold in. */
export const soldIn = (kit: Kit, what: "sizes" | "colourways") => (kit[what]?.length ? kit[what] : namesIn(kit, what));

/** cellName is a thing's size and colourway, or the kit's own name. */
export function cellName(kit: Kit, cell: CellOf): string {
  const option = kit.choice ? kit.pieces[cell.option]?.document.name : "";
  return [option, soldIn(kit, "sizes")[cell.size], soldIn(kit, "colourways")[cell.colourway]].filter(Boolean).join(", ") || kit.name;
}
