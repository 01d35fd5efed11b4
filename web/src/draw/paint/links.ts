import type { EndPart, Material, Outline } from "../../api/client.ts";
import { drawFitting } from "./fitting.ts";
import { sprites } from "./sprites.ts";

/** Piece is one stiff thing of a part: a bead link, or this many links of chain between two. */
interface Piece {
  of: string;
  mm: number;
  links: number;
}

/** isBeadLink says whether a part is of bead links, which are drawn as what they are made of. */
export const isBeadLink = (part: EndPart, outlines: Record<string, Outline>) => part.role === "chain" && outlines[part.material ?? ""] !== undefined;

/** piecesOf lists the first bead links of a part, with the chain between them, from the strand outwards. */
export function piecesOf(part: EndPart, materials: Map<string, Material>, most = Infinity): Piece[] {
  const { links = 1, between, material = "" } = part;
  const betweenMm = between ? (materials.get(between.of)?.insideMm ?? 3) * between.links : 0;
  const linkMm = (part.mm - betweenMm * (links - 1)) / links;
  const out: Piece[] = [];
  for (let i = 0; i < Math.min(links, most); i++) {
    if (i > 0 && between) out.push({ of: between.of, mm: betweenMm, links: between.links });
    out.push({ of: material, mm: linkMm, links: 1 });
  }
  return out;
}

export interface LinkLooks {
  materials: Map<string, Material>;
  outlines: Record<string, Outline>;
}

/** drawBeadLink paints a bead link along x, by the insides of its loops. */
export function drawBeadLink(ctx: CanvasRenderingContext2D, m: Material, outline: Outline, { from, to, px }: { from: number; to: number; px: number }) {
  ctx.save();
  ctx.translate(from, 0);
  ctx.rotate(to > from ? -Math.PI / 2 : Math.PI / 2);
  sprites.draw(ctx, m, outline, px, false);
  ctx.restore();
}

/** drawBeadLinks paints a part of bead links from one place of x outwards. */
export function drawBeadLinks(ctx: CanvasRenderingContext2D, part: EndPart, { from, out, px, most }: { from: number; out: 1 | -1; px: number; most?: number }, { materials, outlines }: LinkLooks) {
  let at = from;
  for (const one of piecesOf(part, materials, most)) {
    const [m, outline] = [materials.get(one.of), outlines[one.of]];
    const to = at + out * one.mm * px;
    if (m && outline) drawBeadLink(ctx, m, outline, { from: at, to, px });
    else drawFitting(ctx, "chain", m, { from: at, to, px, links: one.links });
    at = to;
  }
}
