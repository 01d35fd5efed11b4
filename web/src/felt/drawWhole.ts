import type { Analysis, Document, Material } from "../api/client.ts";
import { castShadow, cloths, MARIGOLD, SHADOW, type Tone } from "./cloth.ts";
import { drawLetter } from "./letters.ts";
import { drawFitting } from "./paint/fitting.ts";
import { sprites } from "./paint/sprites.ts";
import { gapAt, hangsMm, layEnds, loopOf, type Loop } from "./strandGeometry.ts";

export interface WholeView {
  analysis: Analysis;
  doc: Document;
  width: number;
  height: number;
  tone: Tone;
  /** The most px a millimetre takes, for small pieces. */
  mostPx?: number;
  letters?: boolean;
  /** How far it is enlarged, and where its middle is pushed to, in px. */
  lens?: Lens;
}

export interface Lens {
  zoom: number;
  dx: number;
  dy: number;
}

export const PLAIN_LENS: Lens = { zoom: 1, dx: 0, dy: 0 };

const MOST_PX = 6;
/** MARGIN is the share of the picture left free on each side; CLASP_MM the room kept for what stands out at the clasp. */
const MARGIN = 0.045;
const CLASP_MM = 12;
const LEAST_SHADED = 5;

/** materialsOf finds a document's materials by id. */
export function materialsOf(doc: Document): Map<string, Material> {
  return new Map(doc.materials.map((m) => [m.id, m]));
}

/** fitWhole says how many px a millimetre takes so that the loop fits. */
export function fitWhole({ analysis, doc, width, height, mostPx = MOST_PX }: WholeView): number {
  const standsOut = Math.max(CLASP_MM, ...doc.materials.map((m) => 1.2 * (m.barMm ?? 0)));
  const widest = Math.max(standsOut, 2 * hangsMm(analysis, doc), ...analysis.strands[0].placed.map((b) => b.acrossMm));
  const across = analysis.finishedMm / Math.PI + widest;
  const free = Math.min(width, height) * (1 - 2 * MARGIN);
  return Math.max(0.1, Math.min(mostPx, free / across));
}

/** drawWhole paints the piece on the circle of its finished length, true to scale. */
export function drawWhole(ctx: CanvasRenderingContext2D, view: WholeView) {
  const { analysis, doc, width, height } = view;
  const strand = analysis.strands[0];
  const lens = view.lens ?? PLAIN_LENS;
  const px = fitWhole(view) * lens.zoom;
  const loop = loopOf(analysis);
  const materials = materialsOf(doc);
  const outlines = analysis.drawing?.outlines ?? {};
  ctx.save();
  ctx.translate(width / 2 + lens.dx, height / 2 + lens.dy);

  drawCord(ctx, view, loop, px);
  ctx.fillStyle = SHADOW;
  // The shadow of a bead this small is not seen.
  const shaded = strand.placed.filter((b) => b.acrossMm * px > LEAST_SHADED);
  for (const b of shaded) {
    const { x, y, angle } = loop.at((b.fromMm + b.toMm) / 2);
    castShadow(ctx, x * px, y * px, (b.alongMm / 2) * px, (b.acrossMm / 2) * px, angle);
  }
  const { left, right } = layEnds(strand);
  for (const [parts, out] of [[left, -1], [right, 1]] as const) {
    for (const part of parts) {
      const mid = loop.at((part.from + part.to) / 2);
      const half = Math.abs(part.to - part.from) / 2;
      along(ctx, mid, px, () => drawFitting(ctx, part.does, materials.get(part.material ?? ""), { from: -out * half * px, to: out * half * px, px }));
    }
  }
  for (const capped of [false, true]) {
    for (const b of strand.placed) {
      const m = materials.get(b.material);
      const outline = outlines[b.material];
      if (!m || !outline || (m.shape === "cap") !== capped) continue;
      along(ctx, loop.at(b.atMm), px, () => sprites.draw(ctx, m, outline, px, b.turned));
    }
  }
  if (view.letters) {
    for (const b of strand.placed) {
      const { x, y } = loop.at((b.fromMm + b.toMm) / 2);
      along(ctx, { x, y, angle: 0 }, px, () => drawLetter(ctx, b, px));
    }
  }
  ctx.restore();
}

/** drawWholeSelection marks the caret or the selection on a piece that drawWhole has painted. */
export function drawWholeSelection(ctx: CanvasRenderingContext2D, view: WholeView, selection: { from: number; to: number }) {
  const lens = view.lens ?? PLAIN_LENS;
  ctx.save();
  ctx.translate(view.width / 2 + lens.dx, view.height / 2 + lens.dy);
  drawSelection(ctx, view, selection, loopOf(view.analysis), fitWhole(view) * lens.zoom);
  ctx.restore();
}

function along(ctx: CanvasRenderingContext2D, at: { x: number; y: number; angle: number }, px: number, draw: () => void) {
  ctx.save();
  ctx.translate(at.x * px, at.y * px);
  ctx.rotate(at.angle);
  draw();
  ctx.restore();
}

function drawCord(ctx: CanvasRenderingContext2D, { analysis, doc, tone }: WholeView, loop: Loop, px: number) {
  const strand = analysis.strands[0];
  const cord = doc.materials.find((m) => m.id === doc.sections[0].rows?.[0].cord);
  ctx.strokeStyle = cloths[tone].cord;
  ctx.lineWidth = Math.max(0.8, (cord?.diameterMm ?? 0.4) * px);
  ctx.beginPath();
  const end = strand.strungMm + strand.slackMm;
  const steps = 180;
  for (let i = 0; i <= steps; i++) {
    const p = loop.at((end * i) / steps);
    if (i === 0) ctx.moveTo(p.x * px, p.y * px);
    else ctx.lineTo(p.x * px, p.y * px);
  }
  ctx.stroke();
}

/** drawSelection marks the caret as a tick across the cord, a selection as an arc beside it. */
function drawSelection(ctx: CanvasRenderingContext2D, view: WholeView, { from, to }: { from: number; to: number }, loop: Loop, px: number) {
  const strand = view.analysis.strands[0];
  const lift = 5 + Math.max(2, ...strand.placed.slice(Math.max(0, from - 1), to + 1).map((b) => b.acrossMm / 2));
  ctx.strokeStyle = MARIGOLD;
  ctx.lineCap = "round";
  ctx.lineWidth = 3;
  ctx.beginPath();
  if (from === to) {
    const mm = gapAt(strand, from);
    const inner = loop.at(mm, -lift);
    const outer = loop.at(mm, lift);
    ctx.moveTo(inner.x * px, inner.y * px);
    ctx.lineTo(outer.x * px, outer.y * px);
  } else {
    const a = gapAt(strand, from);
    const b = gapAt(strand, to);
    for (let i = 0; i <= 40; i++) {
      const p = loop.at(a + ((b - a) * i) / 40, lift);
      if (i === 0) ctx.moveTo(p.x * px, p.y * px);
      else ctx.lineTo(p.x * px, p.y * px);
    }
  }
  ctx.stroke();
}

/** wholeMm turns a place on the picture, from its middle, into a place along the cord. */
export function wholeMm(analysis: Analysis, x: number, y: number): number {
  const strand = analysis.strands[0];
  const clasp = strand.left.find((part) => part.does === "clasp")?.mm ?? 0;
  const top = strand.ring ? 0 : layEnds(strand).start + clasp / 2;
  let phi = Math.atan2(-x, -y);
  if (phi < 0) phi += 2 * Math.PI;
  const mm = (phi / (2 * Math.PI)) * analysis.finishedMm + top;
  return mm > analysis.finishedMm ? mm - analysis.finishedMm : mm;
}
