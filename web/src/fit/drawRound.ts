import type { Document, Material, Outline, Round } from "../api/client.ts";
import { drawFitting } from "../felt/paint/fitting.ts";
import { sprites } from "../felt/paint/sprites.ts";

export interface RoundView {
  round: Round;
  doc: Document;
  outlines: Record<string, Outline>;
  /** The bead of each place of the strand, and whether it lies turned. */
  placed: { material: string; turned: boolean }[];
  measureMm: number | null;
  width: number;
  height: number;
}

/** TOUCHES is the gap, in mm, below which a bead is said to touch. */
export const TOUCHES = 0.02;

const BODY = "#ecd9c3";
const BODY_EDGE = "#a98a68";
const EASE = "rgba(31,111,101,.16)";
const TIGHT = "rgba(168,52,39,.22)";
const SEA = "#1f6f65";
const BRICK = "#a83427";

/** scaleOf says how many px a millimetre takes. */
function scaleOf({ round, doc, measureMm, width, height }: RoundView): number {
  const thickest = Math.max(4, ...doc.materials.map((m) => m.thickMm ?? m.acrossMm ?? 0));
  const reach = Math.max(round.radiusMm, (measureMm ?? 0) / (2 * Math.PI), ...round.links.map((l) => l.jointMm)) + thickest;
  return Math.min(9, (Math.min(width, height) / 2 - 8) / reach);
}

/** drawRound paints the cross-section: the body, the beads round it as they lie, and where they touch. */
export function drawRound(ctx: CanvasRenderingContext2D, view: RoundView) {
  const { round, measureMm, width, height } = view;
  const px = scaleOf(view);
  ctx.save();
  ctx.translate(width / 2, height / 2);
  const inner = round.radiusMm * px;
  const body = measureMm === null ? inner : (measureMm / (2 * Math.PI)) * px;
  disc(ctx, body, BODY);
  band(ctx, body, inner);
  drawLinks(ctx, view, px);
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

/** startOf turns the loop so that the middle of its fittings, or of its first bead, is at the top. */
function startOf(round: Round): number {
  let angle = 0;
  let from: number | null = null;
  let to = 0;
  for (const link of round.links) {
    if (link.element === undefined) {
      from ??= angle;
      to = angle + link.sweepRad;
    }
    angle += link.sweepRad;
  }
  const middle = from === null ? round.links[0].sweepRad / 2 : (from + to) / 2;
  return -Math.PI / 2 - middle;
}

/** LaidLink is a link in its place: the hinge it begins at, and how it is turned. */
interface LaidLink {
  link: Round["links"][number];
  x: number;
  y: number;
  along: number;
}

function layLinks(round: Round): LaidLink[] {
  let angle = startOf(round);
  return round.links.map((link, i) => {
    const next = round.links[(i + 1) % round.links.length];
    const [x, y] = [link.jointMm * Math.cos(angle), link.jointMm * Math.sin(angle)];
    angle += link.sweepRad;
    return { link, x, y, along: Math.atan2(next.jointMm * Math.sin(angle) - y, next.jointMm * Math.cos(angle) - x) };
  });
}

/** drawLinks paints fittings edge on, then beads, then the caps that sit on them, then where they touch. */
function drawLinks(ctx: CanvasRenderingContext2D, view: RoundView, px: number) {
  const { round, doc, outlines, placed } = view;
  const materials = new Map(doc.materials.map((m) => [m.id, m]));
  const laid = layLinks(round);
  const at = ({ x, y, along }: LaidLink, draw: () => void) => {
    ctx.save();
    ctx.translate(x * px, y * px);
    ctx.rotate(along);
    draw();
    ctx.restore();
  };
  for (const one of laid) {
    if (one.link.element !== undefined) continue;
    const m = materials.get(one.link.material ?? "");
    // Seen across the body a fitting lies flat: what shows is its thickness.
    const edge = { ...m, outsideMm: Math.max(0.7, 2 * one.link.reachMm) } as Material;
    at(one, () => drawFitting(ctx, "crimp", edge, { from: 0, to: one.link.lengthMm * px, px }));
  }
  for (const capped of [false, true]) {
    for (const one of laid) {
      const bead = one.link.element === undefined ? undefined : placed[one.link.element];
      const m = materials.get(bead?.material ?? "");
      if (!bead || !m || !outlines[m.id] || (m.shape === "cap") !== capped) continue;
      const thick = m.thickMm ?? m.acrossMm ?? 0;
      at(one, () => {
        // The beads hinge at their inner edges, so their own axis lies further out.
        ctx.translate((one.link.beforeMm ?? one.link.lengthMm / 2) * px, -(thick / 2 - one.link.reachMm) * px);
        ctx.scale(1, thick / (m.acrossMm ?? thick));
        sprites.draw(ctx, m, outlines[m.id], px, bead.turned);
      });
    }
  }
  ctx.fillStyle = SEA;
  for (const { link, x, y, along } of laid) {
    if (link.element === undefined || link.gapMm >= TOUCHES) continue;
    const r = Math.hypot(x + (Math.cos(along) * link.lengthMm) / 2, y + (Math.sin(along) * link.lengthMm) / 2);
    const out = (round.radiusMm / r) * px;
    ctx.beginPath();
    ctx.arc((x + (Math.cos(along) * link.lengthMm) / 2) * out, (y + (Math.sin(along) * link.lengthMm) / 2) * out, 2.2, 0, 2 * Math.PI);
    ctx.fill();
  }
}

/** drawStretched paints an elastic at full stretch with its beads drawn apart, over what it must pass. */
export function drawStretched(ctx: CanvasRenderingContext2D, view: Omit<RoundView, "round" | "measureMm"> & { stretchedMm: number; needMm: number; alongMm: number[]; passes: boolean }) {
  const { doc, outlines, placed, stretchedMm, needMm, passes, width, height } = view;
  const materials = new Map(doc.materials.map((m) => [m.id, m]));
  const thickest = Math.max(0, ...placed.map((b) => materials.get(b.material)?.thickMm ?? materials.get(b.material)?.acrossMm ?? 0));
  const inner = stretchedMm / (2 * Math.PI);
  const need = needMm / (2 * Math.PI);
  const px = (Math.min(width, height) / 2 - 6) / (Math.max(inner, need) + thickest);
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
    ctx.rotate(Math.PI / 2);
    sprites.draw(ctx, m, outlines[m.id], px, b.turned);
    ctx.restore();
  });
  ctx.strokeStyle = BODY_EDGE;
  circle(ctx, need * px);
  ctx.stroke();
  ctx.restore();
}
