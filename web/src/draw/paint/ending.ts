import type { EndPart, Material, Outline } from "../../api/client.ts";
import { sprites } from "./sprites.ts";

/** Looks says what beads look like, and how thick the cord is. */
export interface Looks {
  materials: Map<string, Material>;
  outlines: Record<string, Outline>;
  cord: string;
  cordMm: number;
}

/** drawBeadLoop paints a loop of beads that leaves the strand at from and reaches to its far end, outwards. */
export function drawBeadLoop(ctx: CanvasRenderingContext2D, part: EndPart, { from, to, px }: { from: number; to: number; px: number }, looks: Looks) {
  const { loop } = part;
  if (!loop) return;
  const out = to >= from ? 1 : -1;
  const long = (Math.abs(to - from) + loop.thickMm * px) / 2;
  const wide = minorOf(loop.strungMm * px, long);
  const at = (mm: number) => placeOn((mm / loop.strungMm) * 2 * Math.PI, long, wide);
  ctx.save();
  ctx.translate(from + out * long - out * (loop.thickMm / 2) * px, 0);
  ctx.strokeStyle = looks.cord;
  ctx.lineWidth = Math.max(0.8, looks.cordMm * px);
  ctx.beginPath();
  ctx.ellipse(0, 0, long, wide, 0, 0, 2 * Math.PI);
  ctx.stroke();
  for (const b of loop.beads) {
    const [m, outline] = [looks.materials.get(b.material), looks.outlines[b.material]];
    if (!m || !outline) continue;
    const { x, y, angle } = at(b.atMm);
    ctx.save();
    ctx.translate(-out * x, y);
    ctx.rotate(-out * angle);
    sprites.draw(ctx, m, outline, px, b.turned ?? false);
    ctx.restore();
  }
  ctx.restore();
}

/** drawShared paints a bead that the cords of several rows run through, at its middle. */
export function drawShared(ctx: CanvasRenderingContext2D, part: EndPart, px: number, looks: Pick<Looks, "materials" | "outlines">) {
  const [m, outline] = [looks.materials.get(part.material ?? ""), looks.outlines[part.material ?? ""]];
  if (m && outline) sprites.draw(ctx, m, outline, px, false);
}

/** drawFoldBead paints a bead that the cord is folded through, across the end of its neck of both cords, which runs from one place outwards to another. */
export function drawFoldBead(ctx: CanvasRenderingContext2D, part: EndPart, { from, to, px }: { from: number; to: number; px: number }, looks: Looks) {
  const [m, outline] = [looks.materials.get(part.material ?? ""), looks.outlines[part.material ?? ""]];
  if (!m || !outline) return;
  const out = to < from ? -1 : 1;
  const cord = Math.max(0.8, looks.cordMm * px);
  ctx.strokeStyle = looks.cord;
  ctx.lineWidth = cord;
  for (const side of [-1, 1]) {
    ctx.beginPath();
    ctx.moveTo(from, side * cord * 0.6);
    ctx.lineTo(to, side * cord * 0.6);
    ctx.stroke();
  }
  ctx.save();
  ctx.translate(to + (out * (m.acrossMm ?? 0) * px) / 2, 0);
  ctx.rotate(Math.PI / 2);
  sprites.draw(ctx, m, outline, px, false);
  // The cord comes out at both its ends and runs down along it.
  const half = outline.left[0][1] * px;
  const wide = ((m.acrossMm ?? 0) / 2) * px;
  for (const end of [-1, 1]) {
    ctx.beginPath();
    ctx.moveTo(end * half, 0);
    ctx.quadraticCurveTo(end * half, out * wide, end * cord * 0.6, out * wide);
    ctx.stroke();
  }
  ctx.restore();
}

/** drawFootBead paints the bead at the foot of an ornament, with the cord that goes through it and round its outside. */
export function drawFootBead(ctx: CanvasRenderingContext2D, part: EndPart, { from, to, px }: { from: number; to: number; px: number }, looks: Looks) {
  const [m, outline] = [looks.materials.get(part.material ?? ""), looks.outlines[part.material ?? ""]];
  if (!m || !outline) return;
  const wide = ((m.acrossMm ?? 0) / 2) * px;
  ctx.save();
  ctx.translate((from + to) / 2, 0);
  sprites.draw(ctx, m, outline, px, false);
  ctx.strokeStyle = looks.cord;
  ctx.lineWidth = Math.max(0.8, looks.cordMm * px);
  ctx.beginPath();
  ctx.ellipse(0, 0, Math.abs(to - from) / 2, wide, 0, 0, Math.PI);
  ctx.stroke();
  ctx.restore();
}

/** placeOn is a place on an ellipse by its share of the way round, from its near end, and which way the line runs there. */
function placeOn(turn: number, long: number, wide: number) {
  return { x: long * Math.cos(turn), y: wide * Math.sin(turn), angle: Math.atan2(wide * Math.cos(turn), -long * Math.sin(turn)) };
}

/** minorOf finds the half width of an ellipse of this way round and half length, by halving. */
function minorOf(round: number, long: number): number {
  const way = (b: number) => Math.PI * (3 * (long + b) - Math.sqrt((3 * long + b) * (long + 3 * b)));
  let low = 0;
  let high = long;
  for (let i = 0; i < 30; i++) {
    const mid = (low + high) / 2;
    if (way(mid) < round) low = mid;
    else high = mid;
  }
  return low;
}

/** drawLeg paints a leg of cord that runs on from the origin along x, with its bead and its knot. */
export function drawLeg(ctx: CanvasRenderingContext2D, part: EndPart, { out, px }: { out: 1 | -1; px: number }, looks: Looks) {
  const [m, outline] = [looks.materials.get(part.material ?? ""), looks.outlines[part.material ?? ""]];
  const leg = (part.legMm ?? 0) * px;
  const bead = outline ? (outline.left[0][1] + outline.right[0][1]) * px : 0;
  const knot = Math.max(1.6, 1.25 * looks.cordMm * px);
  ctx.strokeStyle = ctx.fillStyle = looks.cord;
  ctx.lineWidth = Math.max(0.8, looks.cordMm * px);
  ctx.beginPath();
  ctx.moveTo(0, 0);
  ctx.lineTo(out * (leg + bead + 3 * knot), 0);
  ctx.stroke();
  for (const at of [knot, leg + bead + knot]) {
    ctx.beginPath();
    ctx.ellipse(out * at, 0, knot * 1.2, knot, 0, 0, 2 * Math.PI);
    ctx.fill();
  }
  if (!m || !outline) return;
  ctx.save();
  ctx.translate(out * (leg + bead / 2), 0);
  sprites.draw(ctx, m, outline, px, out < 0);
  ctx.restore();
}
