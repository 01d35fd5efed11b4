import type { BagItem, BillLine, Material } from "../api/client.ts";

type Line = Pick<BillLine, "class">;

/** spareOf says how many spares there are: of an extender they are single links. */
export function spareOf(line: Line, spare: number): number | string {
  if (line.class !== "extender") return spare;
  return spare === 1 ? "1 link" : `${spare} links`;
}

/** spareSays is that in words: 2 spare, 1 spare link. */
export function spareSays(line: Line, spare: number): string {
  if (line.class !== "extender") return `${spare} spare`;
  return spare === 1 ? "1 spare link" : `${spare} spare links`;
}

/** forAll is how many of an item all kits take. */
export function forAll(line: Line, { count, spare }: Pick<BagItem, "count" | "spare">, copies: number): number | string {
  if (line.class !== "extender" || !spare) return (count + (spare ?? 0)) * copies;
  return [count > 0 ? count * copies : "", spareOf(line, spare * copies)].filter(Boolean).join(" + ");
}

/** inBag is what an item looks like: where only spare links of an extender lie in the bag, a link. */
export function inBag(material: Material | undefined, line: Line, { count }: Pick<BagItem, "count">): Material | undefined {
  return material && line.class === "extender" && count === 0 ? { ...material, type: "jump-ring", links: undefined, lengthMm: undefined } : material;
}

/** longestCut is the length that a picture of cords or chain shows. */
export function longestCut({ cuts }: Pick<BagItem, "cuts">): number | undefined {
  return cuts?.length ? Math.max(...cuts.map((cut) => cut.mm)) : undefined;
}
