import type { Document, Material, Strand } from "../../api/client.ts";
import { isGap, rowOf, type Row } from "../../api/piece.ts";
import { css, darker, lighter } from "./colour.ts";
import { finishes, surfaceColours } from "./finish.ts";

/** Laced is how a row of flats is laced, with what it is laced with. */
export interface Laced {
  lacing: NonNullable<Row["lacing"]>;
  cords: number;
  cordMm: number;
  /** The smaller flat on those of a letter. */
  topOf: (key: string) => Material | undefined;
  /** In radians, leaning on the one before. */
  tilt: number;
  /** Every other one lies in front. */
  layers: boolean;
}

/** lacedIn tells how a row is laced; undefined of one that is strung. */
export function lacedIn(doc: Document, { id, lace }: Strand): Laced | undefined {
  const { lacing, passes = 1, cord } = rowOf(doc, id);
  if (!lacing) return undefined;
  const of = (id: string | undefined) => doc.materials.find((m) => m.id === id);
  return { lacing, cords: passes, cordMm: of(cord)?.diameterMm ?? 0.5, topOf: (key) => of(doc.palette[lacing.tops?.[key] ?? ""]), tilt: ((lace?.tiltDeg ?? 0) / 180) * Math.PI, layers: (lace?.stepMm ?? 0) > 0 };
}

/** isFlat says whether a bead has several holes through its face. */
export const isFlat = (m: Material) => m.class === "bead" && (m.holes ?? 0) > 1;

/** drawFace paints a flat from the front round the origin, with its holes. */
export function drawFace(ctx: CanvasRenderingContext2D, m: Material, px: number) {
  const r = ((m.acrossMm ?? 10) / 2) * px;
  const { colour, second } = surfaceColours(m.look);
  const disc = new Path2D();
  disc.arc(0, 0, r, 0, 2 * Math.PI);
  ctx.save();
  ctx.clip(disc);
  (finishes[m.look?.finish ?? "matte"] ?? finishes.matte)({ ctx, colour, second, form: "flat", seed: m.id, left: r, right: r, up: r });
  // A raised rim round a dished middle, lit from the upper left.
  const rim = ctx.createRadialGradient(-r * 0.12, -r * 0.12, r * 0.5, 0, 0, r);
  rim.addColorStop(0, css(darker(colour, 0.5), 0.28));
  rim.addColorStop(0.5, css(darker(colour, 0.5), 0.05));
  rim.addColorStop(0.62, css(lighter(colour, 0.7), 0.4));
  rim.addColorStop(0.8, css(colour, 0));
  rim.addColorStop(1, css(darker(colour, 0.7), 0.45));
  ctx.fillStyle = rim;
  ctx.fillRect(-r, -r, 2 * r, 2 * r);
  ctx.restore();
  ctx.strokeStyle = css(darker(colour, 0.6), 0.6);
  ctx.lineWidth = Math.max(0.5, Math.min(1.1, px * 0.08));
  ctx.stroke(disc);
  ctx.fillStyle = css(darker(colour, 0.8));
  for (const [x, y] of holesOf(m)) {
    ctx.beginPath();
    ctx.arc(x * px, y * px, Math.max(0.8, ((m.holeMm ?? 1) / 2) * px), 0, 2 * Math.PI);
    ctx.fill();
  }
}

/** holesOf lists where the holes are, in mm from the middle. */
function holesOf(m: Material): [number, number][] {
  const half = (m.spacingMm ?? 3) / 2;
  return m.holes === 2 ? [[-half, 0], [half, 0]] : [[-half, -half], [half, -half], [-half, half], [half, half]];
}

/** drawLaced paints a flat of a laced row from the front, with what lies on it and the cord across its front. */
export function drawLaced(ctx: CanvasRenderingContext2D, m: Material, key: string, by: Laced, colour: string, px: number) {
  ctx.save();
  ctx.scale(Math.cos(by.tilt), 1);
  const top = by.topOf(key);
  drawFace(ctx, m, px);
  if (top) {
    ctx.fillStyle = "rgba(43,26,40,.22)";
    ctx.beginPath();
    ctx.arc(1, 1.6, ((top.acrossMm ?? 6) / 2) * px + 0.6, 0, 2 * Math.PI);
    ctx.fill();
    drawFace(ctx, top, px);
  }
  const front = top ?? m;
  const half = ((front.spacingMm ?? 3) / 2) * px;
  ctx.lineCap = "round";
  for (const [from, to] of crossings(front, by)) {
    for (const [style, width] of [["rgba(43,26,40,.3)", 1.35], [colour, 1]] as const) {
      ctx.strokeStyle = style;
      ctx.lineWidth = Math.max(1, by.cordMm * px * width);
      ctx.beginPath();
      ctx.moveTo(-half, from * half);
      ctx.lineTo(half, to * half);
      ctx.stroke();
    }
  }
  ctx.restore();
}

/** crossings lists what is seen of the cord on a front: the heights of its two holes, -1 for the upper row. */
function crossings(m: Material, { lacing, cords }: Laced): [number, number][] {
  if (m.holes === 2) return [[0, 0]];
  if (lacing.way === "diagonal") return [[-1, 1]];
  if (lacing.way === "crossed") return [[-1, 1], [1, -1]];
  return cords > 1 ? [[-1, -1], [1, 1]] : [[-1, -1]];
}

/** lacedOrder lists the flats of a strand in the order they are painted, of two layers the one behind first, with their places in it. */
export function lacedOrder(placed: { key: string }[], { layers }: Laced): { element: number; front: boolean }[] {
  const flats = placed.flatMap(({ key }, element) => (isGap(key) ? [] : [element])).map((element, n) => ({ element, front: layers && n % 2 === 1 }));
  return [...flats.filter((one) => !one.front), ...flats.filter((one) => one.front)];
}

/** drawLacedOnEdge paints it from the side, as wide and as thick as it is; its back lies at the bottom. */
export function drawLacedOnEdge(ctx: CanvasRenderingContext2D, m: Material, key: string, by: Laced, px: number) {
  const top = by.topOf(key);
  const thick = (m.alongMm ?? 2) + (top?.alongMm ?? 0);
  ctx.save();
  ctx.rotate(-by.tilt);
  let at = (thick / 2) * px;
  for (const one of top ? [m, top] : [m]) {
    const { colour } = surfaceColours(one.look);
    const [wide, high] = [(one.acrossMm ?? 10) * px, (one.alongMm ?? 2) * px];
    ctx.fillStyle = css(colour);
    ctx.strokeStyle = css(darker(colour, 0.6), 0.7);
    ctx.lineWidth = 0.9;
    ctx.beginPath();
    ctx.roundRect(-wide / 2, at - high, wide, high, Math.min(high, wide) / 3);
    ctx.fill();
    ctx.stroke();
    at -= high;
  }
  ctx.restore();
}
