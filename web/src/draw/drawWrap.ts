import type { Document, Material, Outline, Placed, Seat, Wrap } from "../api/client.ts";
import { layerOf } from "./strand.ts";
import { isLoop } from "../api/piece.ts";
import { inCord } from "./paint/inCord.ts";
import { hangsBelow } from "./paint/bead.ts";
import { drawBarOnEdge } from "./paint/focalBar.ts";
import { drawLacedOnEdge, type Laced } from "./paint/laced.ts";
import { drawFitting } from "./paint/fitting.ts";
import { sprites } from "./paint/sprites.ts";
import { carriedApart, hangs, spinsOf } from "./spins.ts";

export interface WrapView {
  wrap: Wrap;
  doc: Document;
  outlines: Record<string, Outline>;
  /** The bead of each place of the strand, and whether it lies turned. */
  placed: { key: string; material: string; turned: boolean }[];
  /** Those of another row that lies in the same loop. */
  placedOf?: (strand: string) => { key: string; material: string; turned: boolean }[];
  /** How a row is laced. */
  lacedOf?: (strand: string) => Laced | undefined;
  measureMm: number | null;
  width: number;
  height: number;
  /** px to the mm; what fits, if absent. */
  px?: number;
}

const BODY = "#ecd9c3";
const BODY_EDGE = "#a98a68";
const EASE = "rgba(31,111,101,.16)";
const TIGHT = "rgba(168,52,39,.22)";
const SEA = "#1f6f65";
const BRICK = "#a83427";
const CORD = "#7d7a76";
const MOST_PX = 9;

/** scaleOf says how many px a millimetre takes. */
export function scaleOf({ wrap, measureMm, width, height }: WrapView): number {
  const reach = Math.max(wrap.radiusMm + 4, (measureMm ?? 0) / (2 * Math.PI), wrap.reachMm);
  return Math.min(MOST_PX, (Math.min(width, height) / 2 - 8) / reach);
}

/** drawWrap paints the cross-section: the body, the beads round it as they lie, and where they touch. */
export function drawWrap(ctx: CanvasRenderingContext2D, view: WrapView) {
  const { wrap, measureMm, width, height } = view;
  const px = view.px ?? scaleOf(view);
  ctx.save();
  ctx.translate(width / 2, height / 2);
  const inner = wrap.radiusMm * px;
  const body = measureMm === null ? inner : (measureMm / (2 * Math.PI)) * px;
  disc(ctx, body, BODY);
  band(ctx, body, inner);
  paintWrap(ctx, view, px);
  ctx.strokeStyle = BODY_EDGE;
  ctx.lineWidth = 1.5;
  circle(ctx, body);
  ctx.stroke();
  ctx.setLineDash([4, 4]);
  ctx.strokeStyle = inner < body ? BRICK : SEA;
  ctx.lineWidth = 1.4;
  circle(ctx, inner);
  ctx.stroke();
  ctx.restore();
}

function circle(ctx: CanvasRenderingContext2D, r: number) {
  ctx.beginPath();
  ctx.arc(0, 0, Math.max(0, r), 0, 2 * Math.PI);
}

function disc(ctx: CanvasRenderingContext2D, r: number, fill: string) {
  ctx.fillStyle = fill;
  circle(ctx, r);
  ctx.fill();
}

/** band fills what lies between body and beads: room to spare, or what it lacks. */
function band(ctx: CanvasRenderingContext2D, body: number, inner: number) {
  ctx.fillStyle = inner < body ? TIGHT : EASE;
  ctx.beginPath();
  ctx.arc(0, 0, Math.max(body, inner), 0, 2 * Math.PI);
  ctx.arc(0, 0, Math.max(0, Math.min(body, inner)), 0, 2 * Math.PI, true);
  ctx.fill();
}

/** paintWrap paints fittings edge on, then beads, then the caps that sit on them, then where they touch. */
function paintWrap(ctx: CanvasRenderingContext2D, { wrap, doc, outlines, placed, placedOf, lacedOf }: WrapView, px: number) {
  const materials = new Map(doc.materials.map((m) => [m.id, m]));
  const at = ({ x, y, angle }: Seat, draw: () => void) => {
    ctx.save();
    ctx.translate(x * px, y * px);
    ctx.rotate(angle);
    draw();
    ctx.restore();
  };
  for (const one of wrap.fittings) {
    const m = materials.get(one.material ?? "");
    if (one.count) {
      at(one, () => drawRow(ctx, one, m, outlines[one.material ?? ""], px));
      continue;
    }
    if (m?.type === "button") {
      at(one, () => drawButtonOnEdge(ctx, m, px));
      continue;
    }
    if (m?.type === "focal-bar") {
      at(one, () => drawBarOnEdge(ctx, m, px));
      continue;
    }
    // Seen across the body a fitting lies flat: what shows is its thickness.
    const edge = { ...m, outsideMm: Math.max(0.7, one.thickMm) } as Material;
    at(one, () => drawFitting(ctx, "crimp", edge, { from: (-one.lengthMm / 2) * px, to: (one.lengthMm / 2) * px, px }));
  }
  ctx.strokeStyle = CORD;
  ctx.lineWidth = Math.max(1, 0.5 * px);
  ctx.beginPath();
  for (const [fromX, fromY, toX, toY] of wrap.bare ?? []) {
    ctx.moveTo(fromX * px, fromY * px);
    ctx.lineTo(toX * px, toY * px);
  }
  ctx.stroke();
  const spins = spinsOf(placed as Placed[], outlines);
  for (const layer of [0, 1, 2]) {
    for (const one of wrap.beads) {
      const bead = (placedOf?.(one.strand) ?? placed)[one.element];
      const m = materials.get(bead?.material ?? "") ?? inCord(bead?.key ?? "");
      if (!m || !outlines[m.id] || layerOf(m, outlines[m.id]) !== layer) continue;
      const laced = lacedOf?.(one.strand);
      if (laced) {
        at(one, () => drawLacedOnEdge(ctx, m, bead.key, laced, px));
        continue;
      }
      at(one, () => {
        if (hangs(m, outlines[m.id])) ctx.rotate(Math.PI);
        if (m.holeTo === "back" || m.holeTo === "front") ctx.translate(0, (m.holeTo === "back" ? -1 : 1) * (m.holeOffMm ?? 0) * px);
        if (!hangs(m, outlines[m.id]) && m.acrossMm) ctx.scale(1, (m.thickMm ?? m.acrossMm) / m.acrossMm);
        // What hangs below its hole does so along the arm, and is not seen from its end.
        ctx.translate(0, -hangsBelow(m) * px);
        const carried = carriedApart(m, outlines[m.id]);
        sprites.draw(ctx, m, carried?.bead ?? outlines[m.id], px, bead.turned, spins[one.element]);
        if (!carried) return;
        // What it carries lies outwards, away from the body.
        ctx.rotate(Math.PI);
        sprites.draw(ctx, m, carried.hung, px, isLoop(m.id) && bead.turned);
      });
    }
  }
  ctx.fillStyle = SEA;
  for (const { touch } of wrap.beads) {
    if (!touch) continue;
    ctx.beginPath();
    ctx.arc(touch[0] * px, touch[1] * px, 2.2, 0, 2 * Math.PI);
    ctx.fill();
  }
}

/** drawRow paints the near half of a loop of beads, which lies flat on the body. */
function drawRow(ctx: CanvasRenderingContext2D, { lengthMm, count = 1 }: { lengthMm: number; count?: number }, m: Material | undefined, outline: Outline | undefined, px: number) {
  if (!m || !outline) return;
  for (let i = 0; i < count; i++) {
    ctx.save();
    ctx.translate(((i + 0.5) / count - 0.5) * lengthMm * px, 0);
    sprites.draw(ctx, m, outline, px, false);
    ctx.restore();
  }
}

function drawButtonOnEdge(ctx: CanvasRenderingContext2D, m: Material, px: number) {
  const [wide, thick] = [(m.outsideMm ?? 12) * px, (m.lengthMm ?? 3) * px];
  ctx.fillStyle = m.look?.colour ?? "#a9a6a2";
  ctx.strokeStyle = BODY_EDGE;
  ctx.lineWidth = 1;
  ctx.beginPath();
  ctx.roundRect(-wide / 2, -thick / 2, wide, thick, thick / 2.5);
  ctx.fill();
  ctx.stroke();
}

/** drawStretched paints an elastic at full stretch with its beads drawn apart, over what it must pass. */
export function drawStretched(ctx: CanvasRenderingContext2D, view: Omit<WrapView, "wrap" | "measureMm"> & { stretchedMm: number; needMm: number; alongMm: number[]; passes: boolean }) {
  const { doc, outlines, placed, stretchedMm, needMm, passes, width, height } = view;
  const materials = new Map(doc.materials.map((m) => [m.id, m]));
  const thickest = Math.max(0, ...placed.map((b) => materials.get(b.material)?.thickMm ?? materials.get(b.material)?.acrossMm ?? 0));
  const inner = stretchedMm / (2 * Math.PI);
  const need = needMm / (2 * Math.PI);
  const hanging = Math.max(0, ...placed.map((b) => outlines[b.material]?.dropMm ?? 0));
  const px = (Math.min(width, height) / 2 - 6) / (Math.max(inner, need) + Math.max(thickest, thickest / 2 + hanging));
  ctx.save();
  ctx.translate(width / 2, height / 2);
  disc(ctx, need * px, BODY);
  ctx.strokeStyle = passes ? SEA : BRICK;
  ctx.lineWidth = 1.3;
  circle(ctx, (inner + thickest / 2) * px);
  ctx.stroke();
  const total = view.alongMm.at(-1) ?? 1;
  placed.forEach((b, i) => {
    const m = materials.get(b.material);
    if (!m || !outlines[m.id]) return;
    const phi = (view.alongMm[i] / total) * 2 * Math.PI - Math.PI / 2;
    ctx.save();
    ctx.rotate(phi);
    ctx.translate((inner + thickest / 2) * px, 0);
    ctx.rotate(hangs(m, outlines[m.id]) ? -Math.PI / 2 : Math.PI / 2);
    sprites.draw(ctx, m, outlines[m.id], px, b.turned);
    ctx.restore();
  });
  ctx.strokeStyle = BODY_EDGE;
  circle(ctx, need * px);
  ctx.stroke();
  ctx.restore();
}
