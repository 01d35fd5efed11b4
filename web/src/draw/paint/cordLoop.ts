import type { Stretch } from "./metal.ts";

/** drawCordLoop paints a loop of the bare cord lying flat, with the knot that holds it. */
export function drawCordLoop(ctx: CanvasRenderingContext2D, s: Stretch, girthMm: number, colour: string, cordMm: number) {
  const out = s.to > s.from ? 1 : -1;
  const cord = Math.max(1, cordMm * s.px);
  const half = (girthMm / 4) * s.px;
  const foot = s.to - out * 2 * half;
  ctx.save();
  ctx.strokeStyle = colour;
  ctx.fillStyle = colour;
  ctx.lineWidth = cord;
  ctx.beginPath();
  // Nearly as wide as it is long, as a button opens it.
  ctx.moveTo(foot, 0);
  ctx.bezierCurveTo(foot + out * half * 0.5, -half * 0.95, s.to + out * cord * 0.2, -half * 0.75, s.to, 0);
  ctx.bezierCurveTo(s.to + out * cord * 0.2, half * 0.75, foot + out * half * 0.5, half * 0.95, foot, 0);
  ctx.stroke();
  for (const side of [-0.45, 0.45]) {
    ctx.beginPath();
    ctx.ellipse((s.from + foot) / 2, side * cord, Math.max(cord * 0.9, Math.abs(foot - s.from) / 2), cord * 0.95, out * side * 0.9, 0, 2 * Math.PI);
    ctx.fill();
  }
  ctx.restore();
}
