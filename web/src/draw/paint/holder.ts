import type { Material } from "../../api/client.ts";
import { drawFitting } from "./fitting.ts";

/** HolderLook is what holds beads apart, and the cord it is on. */
export interface HolderLook {
  way: string | undefined;
  of: Material | undefined;
  colour: string;
  cordMm: number;
}

/** drawHolder paints a crimp or a knot with its middle at x; friction leaves no mark. */
export function drawHolder(ctx: CanvasRenderingContext2D, { way, of, colour, cordMm }: HolderLook, x: number, px: number) {
  if (way === "crimps" && of) {
    const half = ((of.lengthMm ?? 2) / 2) * px;
    drawFitting(ctx, "crimp", of, { from: x - half, to: x + half, px });
  }
  if (way !== "knots") return;
  ctx.fillStyle = colour;
  ctx.beginPath();
  ctx.ellipse(x, 0, Math.max(1.6, 1.3 * cordMm * px), Math.max(1.6, 1.25 * cordMm * px), 0, 0, 2 * Math.PI);
  ctx.fill();
}
