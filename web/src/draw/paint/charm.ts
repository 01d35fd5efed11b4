import type { Material } from "../../api/client.ts";
import { css, darker, lighter, type Rgb } from "./colour.ts";

/** widthOfCharm is how wide a charm is drawn, in mm: as it measures, or by its drop where only its ring was measured. */
export function widthOfCharm(m: Material): number {
  const ring = (m.holeMm ?? 3) + 2 * (m.alongMm ?? 0.7);
  return (m.acrossMm ?? 0) > ring + 0.5 ? m.acrossMm! : ((m.dropMm ?? 12) - (m.holeMm ?? 3)) * 0.62;
}

function ringed(ctx: CanvasRenderingContext2D, colour: Rgb, wire: number, y: number, wide: number, high: number) {
  for (const [c, width] of [[darker(colour, 0.55), wire], [lighter(colour, 0.5), wire * 0.45]] as [Rgb, number][]) {
    ctx.strokeStyle = css(c);
    ctx.lineWidth = width;
    ctx.beginPath();
    ctx.ellipse(0, y, wide, high, 0, 0, 2 * Math.PI);
    ctx.stroke();
  }
}

/** drawCharm paints a charm hanging from its ring, the ring seen edge on round the cord. */
export function drawCharm(ctx: CanvasRenderingContext2D, m: Material, colour: Rgb, px: number) {
  const hole = (m.holeMm ?? 3) * px;
  const wire = Math.max(1, (m.alongMm ?? 0.7) * px);
  const top = hole * 0.82;
  const loop = m.loopMm ?? 0;
  const loopWire = loop && (m.loopWireMm ?? 0);
  const foot = (m.dropMm ?? 12) * px; // of the loop at its foot, where it has one
  const bottom = foot - (loop + loopWire) * px;
  const half = (widthOfCharm(m) / 2) * px;
  const body = new Path2D();
  body.moveTo(0, top);
  body.bezierCurveTo(half * 0.5, top + (bottom - top) * 0.25, half, top + (bottom - top) * 0.5, half, top + (bottom - top) * 0.68);
  body.bezierCurveTo(half, bottom * 0.98, half * 0.4, bottom, 0, bottom);
  body.bezierCurveTo(-half * 0.4, bottom, -half, bottom * 0.98, -half, top + (bottom - top) * 0.68);
  body.bezierCurveTo(-half, top + (bottom - top) * 0.5, -half * 0.5, top + (bottom - top) * 0.25, 0, top);
  const light = ctx.createRadialGradient(-half * 0.35, bottom * 0.55, half * 0.1, 0, bottom * 0.68, half * 1.6);
  light.addColorStop(0, css(lighter(colour, 0.65)));
  light.addColorStop(0.45, css(colour));
  light.addColorStop(1, css(darker(colour, 0.55)));
  ctx.fillStyle = light;
  ctx.fill(body);
  ctx.strokeStyle = css(darker(colour, 0.6), 0.7);
  ctx.lineWidth = Math.max(0.5, px * 0.08);
  ctx.stroke(body);
  ringed(ctx, colour, wire, hole / 2 - wire / 2, Math.max(0.8, wire * 0.35), hole / 2);
  if (loop) ringed(ctx, colour, Math.max(1, loopWire * px), foot - (loop / 2 + loopWire) * px, ((loop + loopWire) / 2) * px, ((loop + loopWire) / 2) * px);
}
