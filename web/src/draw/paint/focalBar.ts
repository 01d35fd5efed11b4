import type { Material } from "../../api/client.ts";
import { css, darker, lighter, type Rgb } from "./colour.ts";
import { surfaceColours } from "./finish.ts";
import { metalOf, type Stretch } from "./metal.ts";

const colourOf = (m: Material | undefined): Rgb => (m?.look ? surfaceColours(m.look).colour : metalOf(m));

/** drawFocalBar paints a bar from the front, from hole to hole along x, with what lies beyond its holes. */
export function drawFocalBar(ctx: CanvasRenderingContext2D, m: Material | undefined, s: Stretch) {
  const c = colourOf(m);
  const high = Math.max(3, (m?.outsideMm ?? 6) * s.px);
  const [from, to] = [Math.min(s.from, s.to), Math.max(s.from, s.to)];
  const beyond = ((m?.insideMm ?? 1.2) / 2 + 0.9) * s.px;
  const shine = ctx.createLinearGradient(0, -high / 2, 0, high / 2);
  shine.addColorStop(0, css(darker(c, 0.25)));
  shine.addColorStop(0.28, css(lighter(c, 0.55)));
  shine.addColorStop(0.6, css(c));
  shine.addColorStop(1, css(darker(c, 0.5)));
  ctx.fillStyle = shine;
  ctx.strokeStyle = css(darker(c, 0.6), 0.7);
  ctx.lineWidth = 0.8;
  ctx.beginPath();
  ctx.roundRect(from - beyond, -high / 2, to - from + 2 * beyond, high, high / 2);
  ctx.fill();
  ctx.stroke();
  ctx.fillStyle = css(darker(c, 0.8));
  for (const x of [from, to]) {
    ctx.beginPath();
    ctx.arc(x, 0, Math.max(1, ((m?.insideMm ?? 1.2) / 2) * s.px), 0, 2 * Math.PI);
    ctx.fill();
  }
}

/** drawBarOnEdge paints it from the end of the arm: as thick as it is, its middle as far out as it rises. */
export function drawBarOnEdge(ctx: CanvasRenderingContext2D, m: Material, px: number) {
  const c = colourOf(m);
  const half = ((m.lengthMm ?? 20) / 2) * px;
  const rise = (m.riseMm ?? 0) * px;
  const thick = Math.max(1.5, (m.wireMm ?? 2) * px);
  for (const [colour, wide] of [[darker(c, 0.5), thick], [c, thick * 0.78], [lighter(c, 0.6), thick * 0.22]] as [Rgb, number][]) {
    ctx.strokeStyle = css(colour);
    ctx.lineWidth = wide;
    ctx.lineCap = "round";
    ctx.beginPath();
    ctx.moveTo(-half, 0);
    // The middle of such a curve lies half as far out as the point that draws it.
    ctx.quadraticCurveTo(0, -2 * rise, half, 0);
    ctx.stroke();
  }
}
