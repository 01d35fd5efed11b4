import { rowOf, strandOf } from "../api/piece.ts";
import { useCallback } from "react";
import type { Analysis, Document } from "../api/client.ts";
import { layCloth } from "../draw/cloth.ts";
import { materialsOf } from "../draw/strand.ts";
import { sprites } from "../draw/paint/sprites.ts";
import { useCanvas, type CanvasSize } from "../pictures/useCanvas.ts";

const AROUND = 3;
const MOST_PX = 11;

/** KnotPicture shows the beads round the join and the knot among them, the bead it hides in drawn as if of glass. */
export function KnotPicture({ analysis, doc, row }: { analysis: Analysis; doc: Document; row: string }) {
  const draw = useCallback(
    (ctx: CanvasRenderingContext2D, { width, height }: CanvasSize) => {
      layCloth(ctx, "light", width, height);
      drawJoin(ctx, { analysis, doc, row }, width, height / 2);
    },
    [analysis, doc, row],
  );
  const { ref } = useCanvas(draw);
  return (
    <div className="stage">
      <canvas ref={ref} role="img" aria-label="The knot among the beads round it." />
    </div>
  );
}

/** drawJoin paints the beads round the knot along y, and the knot. */
function drawJoin(ctx: CanvasRenderingContext2D, { analysis, doc, row }: { analysis: Analysis; doc: Document; row: string }, width: number, y: number) {
  const { placed, knot } = strandOf(analysis, row);
  if (placed.length === 0 || !knot) return;
  const materials = materialsOf(doc);
  const hidden = knot.element !== undefined;
  const middle = knot.element ?? 0;
  const shown = Array.from({ length: Math.min(placed.length, 2 * AROUND + 1) }, (_, i) => (middle - AROUND + i + placed.length) % placed.length);
  const gap = hidden ? 0 : knot.acrossMm * 1.6;
  const total = shown.reduce((sum, i) => sum + placed[i].alongMm, 0) + gap;
  const px = Math.min(MOST_PX, (width - 30) / total);
  ctx.strokeStyle = "#6d675f";
  ctx.lineWidth = Math.max(1, (materials.get(rowOf(doc, row).cord ?? "")?.diameterMm ?? 0.7) * px);
  ctx.beginPath();
  ctx.moveTo(4, y);
  ctx.lineTo(width - 4, y);
  ctx.stroke();
  let x = (width - total * px) / 2;
  let knotAt = x;
  for (const i of shown) {
    const b = placed[i];
    if (i === middle) {
      knotAt = x + ((hidden ? b.alongMm : gap) / 2) * px;
      x += gap * px;
    }
    const outline = analysis.drawing?.outlines[b.material];
    const m = materials.get(b.material);
    ctx.save();
    ctx.translate(x + (b.alongMm / 2) * px, y);
    if (hidden && i === middle) ctx.globalAlpha = 0.45;
    if (m && outline) sprites.draw(ctx, m, outline, px, b.turned);
    ctx.restore();
    x += b.alongMm * px;
  }
  drawKnot(ctx, knotAt, y, (knot.acrossMm / 2) * px);
}

/** drawKnot draws the cord thrown round itself, with its two short ends. */
function drawKnot(ctx: CanvasRenderingContext2D, x: number, y: number, r: number) {
  ctx.save();
  ctx.translate(x, y);
  ctx.lineCap = "round";
  const strand = (draw: () => void) => {
    for (const [colour, width] of [["#fff8ea", 0.72], ["#5b3a12", 0.55], ["#a9762f", 0.28]] as const) {
      ctx.strokeStyle = colour;
      ctx.lineWidth = width * r;
      ctx.beginPath();
      draw();
      ctx.stroke();
    }
  };
  strand(() => {
    ctx.moveTo(-r * 1.5, 0);
    ctx.bezierCurveTo(-r * 0.6, 0, -r * 0.5, r * 0.75, r * 0.15, r * 0.6);
    ctx.bezierCurveTo(r * 0.9, r * 0.4, r * 0.6, -r * 0.7, -r * 0.2, -r * 1.25);
  });
  strand(() => {
    ctx.moveTo(r * 1.5, 0);
    ctx.bezierCurveTo(r * 0.6, 0, r * 0.5, -r * 0.75, -r * 0.15, -r * 0.6);
    ctx.bezierCurveTo(-r * 0.9, -r * 0.4, -r * 0.6, r * 0.7, r * 0.2, r * 1.25);
  });
  ctx.restore();
}
