import type { Bar, Material } from "../../api/client.ts";
import { css, darker, lighter } from "./colour.ts";
import { metalOf } from "./metal.ts";

/** drawBar paints a half of a clasp, or a connector, with a hole for each row, across the rows. */
export function drawBar(ctx: CanvasRenderingContext2D, bar: Bar, m: Material | undefined, px: number) {
  const [w, h, x] = [Math.max(3, bar.widthMm * px), bar.lengthMm * px, bar.x * px];
  const metal = metalOf(m);
  const shine = ctx.createLinearGradient(x - w / 2, 0, x + w / 2, 0);
  shine.addColorStop(0, css(darker(metal, 0.35)));
  shine.addColorStop(0.35, css(lighter(metal, 0.7)));
  shine.addColorStop(0.65, css(metal));
  shine.addColorStop(1, css(darker(metal, 0.6)));
  ctx.fillStyle = shine;
  ctx.strokeStyle = css(darker(metal, 0.6), 0.7);
  ctx.lineWidth = 0.7;
  ctx.beginPath();
  ctx.roundRect(x - w / 2, bar.y * px - h / 2, w, h, Math.min(w / 2, 5));
  ctx.fill();
  ctx.stroke();
  ctx.fillStyle = css(darker(metal, 0.7));
  for (const y of bar.holes) {
    ctx.beginPath();
    ctx.arc(x, y * px, Math.max(1, 0.7 * px), 0, 2 * Math.PI);
    ctx.fill();
  }
}
