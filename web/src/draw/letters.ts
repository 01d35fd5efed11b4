import type { Placed } from "../api/client.ts";

const LEAST = 7;

/** drawLetter writes a bead's letter on it, for eyes that do not tell the colours apart. */
export function drawLetter(ctx: CanvasRenderingContext2D, b: Placed, px: number) {
  const size = Math.min(15, b.acrossMm * px * 0.62, b.alongMm * px * 1.1);
  if (size < LEAST) return;
  ctx.font = `700 ${size}px "Figtree Variable", sans-serif`;
  ctx.textAlign = "center";
  ctx.textBaseline = "middle";
  ctx.lineWidth = size / 4;
  ctx.lineJoin = "round";
  ctx.strokeStyle = "rgba(255,252,246,.92)";
  ctx.fillStyle = "#2b1a28";
  ctx.strokeText(b.key, 0, size * 0.05);
  ctx.fillText(b.key, 0, size * 0.05);
  ctx.textAlign = "left";
  ctx.textBaseline = "alphabetic";
}
