import type { Material } from "../../api/client.ts";
import { drawFocalBar } from "./focalBar.ts";
import { css, darker, lighter, parseColour, type Rgb } from "./colour.ts";
import { metalOf, wireStroke, type Stretch } from "./metal.ts";

/** roundMetal is the shine of round metal, up above and below its middle. */
function roundMetal(ctx: CanvasRenderingContext2D, c: Rgb, up: number): CanvasGradient {
  const g = ctx.createLinearGradient(0, -up, 0, up);
  g.addColorStop(0, css(darker(c, 0.35)));
  g.addColorStop(0.3, css(lighter(c, 0.7)));
  g.addColorStop(0.6, css(c));
  g.addColorStop(1, css(darker(c, 0.6)));
  return g;
}

function tube(ctx: CanvasRenderingContext2D, c: Rgb, from: number, to: number, up: number) {
  ctx.fillStyle = roundMetal(ctx, c, up);
  ctx.strokeStyle = css(darker(c, 0.6), 0.7);
  ctx.lineWidth = 0.7;
  ctx.beginPath();
  ctx.roundRect(Math.min(from, to), -up, Math.abs(to - from), 2 * up, Math.min(up * 0.35, Math.abs(to - from) / 3));
  ctx.fill();
  ctx.stroke();
}

/** drawFitting paints one part of an end along x. */
export function drawFitting(ctx: CanvasRenderingContext2D, does: string, m: Material | undefined, s: Linked) {
  const c = metalOf(m);
  const mid = (s.from + s.to) / 2;
  const half = Math.abs(s.to - s.from) / 2;
  const wire = Math.max(0.9, (m?.wireMm ?? 0.7) * s.px);
  ctx.save();
  ctx.lineCap = "round";
  switch (does) {
    case "crimp":
      tube(ctx, c, s.from, s.to, Math.max(1, ((m?.outsideMm ?? 2) / 2) * s.px));
      break;
    case "cord-end":
    case "fold-over":
      drawFold(ctx, m, c, s);
      break;
    case "cone-end":
      drawCone(ctx, m, c, s);
      break;
    case "cover":
      tube(ctx, c, s.from, s.to, Math.max(1.5, ((m?.outsideMm ?? 3) / 2) * s.px));
      break;
    case "loop":
      wireStroke(ctx, parseColour("#7d7a76"), Math.max(0.8, 0.4 * s.px), () => ctx.ellipse(mid, 0, half, Math.max(1, half * 0.62), 0, 0, 2 * Math.PI));
      break;
    case "guard": {
      const out = s.to > s.from ? 1 : -1;
      wireStroke(ctx, c, Math.max(1, 0.9 * s.px), () => {
        ctx.moveTo(s.from, -half * 0.5);
        ctx.bezierCurveTo(s.to + out * half * 0.4, -half * 0.9, s.to + out * half * 0.4, half * 0.9, s.from, half * 0.5);
      });
      break;
    }
    case "ring":
      wireStroke(ctx, c, wire, () => ctx.ellipse(mid, 0, half + wire / 2, half + wire / 2, 0, 0, 2 * Math.PI));
      break;
    case "chain":
      drawLinks(ctx, c, s, wire);
      break;
    case "extender":
      drawChain(ctx, m, c, s, wire);
      break;
    case "toggle-ring":
      drawToggleRing(ctx, m, c, s, wire);
      break;
    case "toggle-bar":
      drawToggleBar(ctx, m, c, s, wire);
      break;
    case "bar":
      drawFocalBar(ctx, m, s);
      break;
    case "connector":
      drawConnector(ctx, m, c, s, mid);
      break;
    case "clasp":
      drawClasp(ctx, m, c, s, mid, half, wire);
      break;
  }
  ctx.restore();
}

/** drawConnector draws a bar across the cord with a hole for each row, and the eye beyond. */
function drawConnector(ctx: CanvasRenderingContext2D, m: Material | undefined, c: Rgb, s: Stretch, mid: number) {
  const high = (((m?.holes ?? 2) - 1) * (m?.spacingMm ?? 5) + 3) * s.px;
  const wide = Math.max(3, Math.min(3 * s.px, Math.abs(s.to - s.from)));
  wireStroke(ctx, c, Math.max(0.9, (m?.wireMm ?? 0.9) * s.px), () => ctx.arc((mid + s.to) / 2, 0, Math.max(1.5, 1.4 * s.px), 0, 2 * Math.PI));
  ctx.save();
  ctx.rotate(Math.PI / 2);
  ctx.translate(0, -(s.from + mid) / 2);
  tube(ctx, c, -high / 2, high / 2, wide / 2);
  ctx.restore();
  ctx.fillStyle = css(darker(c, 0.7));
  for (let k = 0; k < (m?.holes ?? 2); k++) {
    ctx.beginPath();
    ctx.arc((s.from + mid) / 2, (k - ((m?.holes ?? 2) - 1) / 2) * (m?.spacingMm ?? 5) * s.px, Math.max(0.8, 0.6 * s.px), 0, 2 * Math.PI);
    ctx.fill();
  }
}

/** drawFold draws a trough with its flaps over the cord, and the eye beyond. */
function drawFold(ctx: CanvasRenderingContext2D, m: Material | undefined, c: Rgb, s: Stretch) {
  const out = s.to > s.from ? 1 : -1;
  const eye = ((m?.ringEyeMm ?? 1.6) / 2) * s.px;
  const end = s.to - out * 2 * eye;
  const up = Math.max(2, ((m?.insideMm ?? 2) / 2 + 0.6) * s.px);
  wireStroke(ctx, c, Math.max(0.9, 0.7 * s.px), () => ctx.arc(s.to - out * eye, 0, eye, 0, 2 * Math.PI));
  tube(ctx, c, s.from, end, up);
  wireStroke(ctx, darker(c, 0.3), 0.8, () => {
    ctx.moveTo(s.from, -up * 0.15);
    ctx.lineTo(end, -up * 0.15);
  });
}

/** drawCone draws a cone open towards the strand, and the eye at its tip. */
function drawCone(ctx: CanvasRenderingContext2D, m: Material | undefined, c: Rgb, s: Stretch) {
  const out = s.to > s.from ? 1 : -1;
  const eye = ((m?.ringEyeMm ?? 1.6) / 2) * s.px;
  const tip = s.to - out * 2 * eye;
  const mouth = tip - out * (m?.lengthMm ?? 10) * s.px;
  const [wide, narrow] = [((m?.outsideMm ?? 8) / 2) * s.px, Math.max(1, ((m?.insideMm ?? 1.2) / 2 + 0.4) * s.px)];
  wireStroke(ctx, c, Math.max(0.9, 0.7 * s.px), () => ctx.arc(s.to - out * eye, 0, eye, 0, 2 * Math.PI));
  ctx.fillStyle = roundMetal(ctx, c, wide);
  ctx.strokeStyle = css(darker(c, 0.6), 0.8);
  ctx.lineWidth = 0.8;
  ctx.beginPath();
  ctx.moveTo(mouth, -wide);
  ctx.lineTo(tip, -narrow);
  ctx.lineTo(tip, narrow);
  ctx.lineTo(mouth, wide);
  ctx.quadraticCurveTo(mouth - out * wide * 0.25, 0, mouth, -wide);
  ctx.fill();
  ctx.stroke();
}

/** drawToggleRing draws a toggle's ring by its eye, and gives where the ring's middle lies. */
function drawToggleRing(ctx: CanvasRenderingContext2D, m: Material | undefined, c: Rgb, s: Stretch, wire: number): number {
  const out = s.to > s.from ? 1 : -1;
  const ring = ((m?.ringInsideMm ?? 9) / 2) * s.px;
  const eye = ((m?.ringEyeMm ?? 1.6) / 2) * s.px;
  const centre = s.from + out * (2 * eye + wire + ring);
  wireStroke(ctx, c, wire, () => ctx.arc(centre, 0, ring + wire / 2, 0, 2 * Math.PI));
  wireStroke(ctx, c, wire * 0.7, () => ctx.arc(s.from + out * eye, 0, eye + wire * 0.3, 0, 2 * Math.PI));
  return centre;
}

/** drawToggleBar draws a toggle's bar across the cord, by its eye. */
function drawToggleBar(ctx: CanvasRenderingContext2D, m: Material | undefined, c: Rgb, s: Stretch, wire: number) {
  const out = s.to > s.from ? 1 : -1;
  const eye = ((m?.barEyeMm ?? 1.6) / 2) * s.px;
  wireStroke(ctx, c, wire * 0.7, () => ctx.arc(s.from + out * eye, 0, eye + wire * 0.3, 0, 2 * Math.PI));
  drawBar(ctx, m, c, s.from + out * (2 * eye + wire), s.px);
}

function drawBar(ctx: CanvasRenderingContext2D, m: Material | undefined, c: Rgb, x: number, px: number) {
  const bar = ((m?.barMm ?? 20) / 2) * px;
  wireStroke(ctx, c, Math.max(1.4, (m?.barThicknessMm ?? 2) * px), () => {
    ctx.moveTo(x, -bar);
    ctx.lineTo(x, bar);
  });
}

/** Linked is a stretch of chain: how many links lie along it, and which of them is the first. */
export interface Linked extends Stretch {
  links?: number;
  link?: number;
}

/** drawLinks draws the links of a chain, each lying across the one before. */
function drawLinks(ctx: CanvasRenderingContext2D, c: Rgb, s: Linked, wire: number) {
  const links = s.links ?? 1;
  const each = (s.to - s.from) / links;
  const long = Math.abs(each) / 2 + wire / 2;
  for (let i = 0; i < links; i++) {
    const onEdge = ((s.link ?? 0) + i) % 2 === 1;
    const mid = s.from + each * (i + 0.5);
    wireStroke(ctx, onEdge ? darker(c, 0.1) : c, Math.max(0.7, wire), () => ctx.ellipse(mid, 0, long, onEdge ? Math.max(0.4, wire * 0.35) : long * 0.72, 0, 0, 2 * Math.PI));
  }
}

/** chainLinks is how many links of an extender are drawn. */
export function chainLinks(m: Material | undefined): number {
  return Math.min(m?.links ?? 6, 6);
}

/** drawChain draws the first link where it lies along the cord, the others hanging on behind it. */
function drawChain(ctx: CanvasRenderingContext2D, m: Material | undefined, c: Rgb, s: Stretch, wire: number) {
  const out = s.to > s.from ? 1 : -1;
  const inside = (m?.insideMm ?? 3) * s.px;
  const links = chainLinks(m);
  for (let i = links - 1; i >= 0; i--) {
    const mid = s.from + out * inside * (i + 0.5);
    const flat = i % 2 === 1;
    wireStroke(ctx, i > 0 ? lighter(c, 0.15) : c, wire, () => ctx.ellipse(mid, 0, inside / 2 + wire / 2, flat ? wire * 0.7 : inside * 0.36, 0, 0, 2 * Math.PI));
  }
}

/** drawButton draws a button from its face, by its shank. */
function drawButton(ctx: CanvasRenderingContext2D, m: Material, metal: Rgb, s: Stretch) {
  const c = m.look?.colour ? parseColour(m.look.colour) : metal;
  const out = s.to > s.from ? 1 : -1;
  const r = ((m.outsideMm ?? 12) / 2) * s.px;
  const x = s.to + out * r * 0.55;
  wireStroke(ctx, darker(c, 0.2), Math.max(0.8, 0.7 * s.px), () => {
    ctx.moveTo(s.from, 0);
    ctx.lineTo(x, 0);
  });
  const g = ctx.createRadialGradient(x - r * 0.35, -r * 0.4, r * 0.1, x, 0, r);
  g.addColorStop(0, css(lighter(c, 0.65)));
  g.addColorStop(0.7, css(c));
  g.addColorStop(1, css(darker(c, 0.5)));
  ctx.fillStyle = g;
  ctx.strokeStyle = css(darker(c, 0.6), 0.9);
  ctx.lineWidth = 0.8;
  ctx.beginPath();
  ctx.arc(x, 0, r, 0, 2 * Math.PI);
  ctx.fill();
  ctx.stroke();
  wireStroke(ctx, darker(c, 0.15), Math.max(0.6, r * 0.06), () => ctx.arc(x, 0, r * 0.72, 0, 2 * Math.PI));
}

function drawClasp(ctx: CanvasRenderingContext2D, m: Material | undefined, c: Rgb, s: Stretch, mid: number, half: number, wire: number) {
  const out = s.to > s.from ? 1 : -1;
  switch (m?.type) {
    case "toggle": {
      // Closed, the bar lies across its ring.
      const centre = drawToggleRing(ctx, m, c, s, wire);
      drawBar(ctx, m, c, centre + out * (((m.ringInsideMm ?? 9) / 2) * s.px - wire * 0.2), s.px);
      break;
    }
    case "button":
      drawButton(ctx, m, c, s);
      break;
    case "magnetic":
    case "slide":
      tube(ctx, c, s.from + out * half * 0.3, s.to - out * half * 0.3, half * 0.62);
      wireStroke(ctx, darker(c, 0.5), 0.8, () => {
        ctx.moveTo(mid, -half * 0.6);
        ctx.lineTo(mid, half * 0.6);
      });
      wireStroke(ctx, c, wire, () => ctx.arc(s.from + out * half * 0.15, 0, half * 0.2, 0, 2 * Math.PI));
      break;
    case "hook":
    case "s-hook":
      wireStroke(ctx, c, wire * 1.1, () => {
        ctx.moveTo(s.from, 0);
        ctx.bezierCurveTo(mid, -half * 0.5, s.to + out * half * 0.2, -half * 0.9, s.to, 0);
        ctx.bezierCurveTo(s.to - out * half * 0.1, half * 0.7, mid, half * 0.7, mid, half * 0.1);
      });
      break;
    default:
      // A lobster or spring ring: a body with its tongue, and the eye it hangs by.
      wireStroke(ctx, c, wire, () => ctx.arc(s.from + out * half * 0.22, 0, half * 0.22 + wire / 2, 0, 2 * Math.PI));
      wireStroke(ctx, c, wire * 1.7, () => {
        ctx.moveTo(s.from + out * half * 0.5, 0);
        ctx.bezierCurveTo(s.from + out * half * 0.7, -half * 0.85, s.to + out * half * 0.15, -half * 0.8, s.to, -wire * 0.2);
      });
      wireStroke(ctx, darker(c, 0.15), wire * 1.2, () => {
        ctx.moveTo(s.from + out * half * 0.5, 0);
        ctx.bezierCurveTo(s.from + out * half * 0.8, half * 0.6, s.to - out * half * 0.3, half * 0.62, s.to, wire * 0.3);
      });
  }
}
