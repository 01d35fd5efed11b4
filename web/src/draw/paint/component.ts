import type { Material, Outline, SeatDrawn } from "../../api/client.ts";
import { drawBead } from "./bead.ts";
import { drawCharm, widthOfCharm } from "./charm.ts";
import { css, darker, lighter, type Rgb } from "./colour.ts";
import { surfaceColours } from "./finish.ts";
import { metalOf, wireStroke } from "./metal.ts";

/** View is how a component is looked at: as it hangs from the front, from the side, or laid out flat. */
export type View = "front" | "side" | "flat";

/** Look is how it is drawn here. */
export interface ComponentLook {
  px: number;
  view?: View;
  /** How far a coil's beads are turned round the cord, in radians from straight down. */
  spin?: number;
}

/** GOLDEN is the angle by which each coil turns its beads further round the cord than the one before. */
export const GOLDEN = (137.5 / 180) * Math.PI;

const SIDEWAYS = 0.22;

/** boxOf is the place a component takes round the middle of its cord, in mm. */
export function boxOf(outline: Outline): { left: number; top: number; right: number; bottom: number } {
  const box = { left: 0, top: 0, right: 0, bottom: 0 };
  for (const s of outline.seats ?? []) {
    const wire = s.wireMm ?? 0;
    const charm = s.role === "charm" ? widthOfCharm(outline.looks![s.of].material) : 0;
    const [long, wide] = [s.longMm / 2 + wire, Math.max(s.wideMm, charm) / 2 + wire];
    const [c, n] = [Math.abs(Math.cos(s.angle)), Math.abs(Math.sin(s.angle))];
    box.left = Math.min(box.left, s.x - wide * c - long * n);
    box.right = Math.max(box.right, s.x + wide * c + long * n);
    box.top = Math.min(box.top, s.y - long * c - wide * n);
    box.bottom = Math.max(box.bottom, s.y + long * c + wide * n);
  }
  return box;
}

/** drawComponent paints a component round the middle of its cord, which runs along x. */
export function drawComponent(ctx: CanvasRenderingContext2D, m: Material, outline: Outline, look: ComponentLook) {
  const seats = outline.seats ?? [];
  const coil = seats.find((s) => s.role === "coil");
  const down = look.spin === undefined ? 1 : Math.cos(look.spin);
  // Beads of a coil that stand towards the viewer are painted over it, the others behind it.
  const behind = coil && look.spin !== undefined && Math.sin(look.spin) < 0;
  const others = capsOver(seats.filter((s) => s !== coil), outline);
  const ordered = coil ? (behind ? [...others, coil] : [coil, ...others]) : others;
  for (const seat of ordered) {
    const placed = coil && seat !== coil ? { ...seat, y: seat.y * down, longMm: seat.role === "bead" ? seat.longMm : seat.longMm * Math.abs(down) } : seat;
    drawSeat(ctx, m, outline, placed, look, coil && seat !== coil ? down : 1);
  }
}

/** capsOver paints every cap after the bead it sits on, which may come behind it on the pin. */
function capsOver(seats: SeatDrawn[], outline: Outline): SeatDrawn[] {
  const out: SeatDrawn[] = [];
  let waiting: SeatDrawn[] = [];
  for (const seat of seats) {
    const shape = outline.looks?.[seat.of]?.material.shape;
    if (shape === "cap" && !seat.turned) {
      waiting.push(seat);
      continue;
    }
    out.push(seat);
    if (seat.role === "bead") {
      out.push(...waiting);
      waiting = [];
    }
  }
  return [...out, ...waiting];
}

function drawSeat(ctx: CanvasRenderingContext2D, own: Material, outline: Outline, seat: SeatDrawn, { px, view = "front" }: ComponentLook, down: number) {
  const part = outline.looks?.[seat.of];
  const m = part?.material ?? own;
  const edgeOn = view === "flat" ? false : Boolean(seat.edgeOn) !== (view === "side");
  ctx.save();
  ctx.translate(seat.x * px, seat.y * px);
  ctx.rotate(seat.angle);
  const paint = PAINTERS[seat.role];
  paint(ctx, { m, seat, px, edgeOn, down, outline: part?.outline ?? outline });
  ctx.restore();
}

interface Painted {
  m: Material;
  seat: SeatDrawn;
  px: number;
  edgeOn: boolean;
  down: number;
  outline: Outline;
}

const PAINTERS: Record<SeatDrawn["role"], (ctx: CanvasRenderingContext2D, p: Painted) => void> = {
  ring: link,
  loop: link,
  stem: (ctx, { m, seat, px }) => {
    const half = (seat.longMm / 2) * px;
    wireStroke(ctx, metalOf(m), Math.max(0.8, seat.wideMm * px), () => {
      ctx.moveTo(0, -half);
      ctx.lineTo(0, half);
    });
  },
  bead: (ctx, { m, seat, px, outline, down }) => {
    // Its hole runs down the pin; above the cord it stands on its head.
    ctx.rotate(Math.PI / 2);
    drawBead(ctx, m, outline, px, Boolean(seat.turned) !== down < 0);
  },
  head: (ctx, { m, seat, px }) => {
    const c = metalOf(m);
    const [w, h] = [Math.max(1.5, seat.wideMm * px), Math.max(1, seat.longMm * px)];
    ctx.fillStyle = css(c);
    ctx.strokeStyle = css(darker(c, 0.6));
    ctx.lineWidth = 0.6;
    ctx.beginPath();
    ctx.roundRect(-w / 2, -h / 2, w, h, h / 2);
    ctx.fill();
    ctx.stroke();
  },
  charm: (ctx, { m, seat, px, edgeOn }) => {
    ctx.translate(0, (-seat.longMm / 2) * px);
    if (edgeOn) ctx.scale(SIDEWAYS, 1);
    drawCharm(ctx, m, surfaceColours(m.look).colour, px);
  },
  coil: (ctx, { m, seat, px }) => {
    const wire = seat.wireMm ?? 0.6;
    const turns = Math.max(1, Math.round(seat.longMm / wire));
    const c = metalOf(m);
    for (let i = 0; i < turns; i++) {
      const at = (-seat.longMm / 2 + (i + 0.5) * (seat.longMm / turns)) * px;
      wireStroke(ctx, c, Math.max(0.8, wire * px * 0.96), () => {
        ctx.moveTo((-seat.wideMm / 2) * px, at);
        ctx.lineTo((seat.wideMm / 2) * px, at);
      });
    }
  },
  tassel: (ctx, { m, seat, px }) => drawTassel(ctx, surfaceColours(m.look).colour, (seat.longMm / 2) * px, (seat.wideMm / 2) * px),
};

function link(ctx: CanvasRenderingContext2D, { m, seat, px, edgeOn }: Painted) {
  const wire = Math.max(0.9, (seat.wireMm ?? 0.7) * px);
  const half = (seat.longMm / 2) * px + wire / 2;
  wireStroke(ctx, metalOf(m), wire, () => ctx.ellipse(0, 0, edgeOn ? wire * 0.4 : half, half, 0, 0, 2 * Math.PI));
}

/** drawTassel paints legs of cord bound together below their fold. */
function drawTassel(ctx: CanvasRenderingContext2D, c: Rgb, half: number, wide: number) {
  const bound = -half + Math.min(half * 0.34, wide * 2.4);
  const spread = wide * 1.35;
  const body = new Path2D();
  body.moveTo(-wide * 0.8, bound);
  body.quadraticCurveTo(-spread, half * 0.1, -spread, half);
  body.lineTo(spread, half);
  body.quadraticCurveTo(spread, half * 0.1, wide * 0.8, bound);
  body.closePath();
  ctx.fillStyle = css(c);
  ctx.fill(body);
  ctx.beginPath();
  ctx.ellipse(0, (-half + bound) / 2, wide, (bound + half) / 2, 0, 0, 2 * Math.PI);
  ctx.fill();
  ctx.lineWidth = 0.8;
  const legs = 9;
  for (let i = 0; i <= legs; i++) {
    const t = (i / legs) * 2 - 1;
    ctx.strokeStyle = css(i % 2 === 0 ? darker(c, 0.35) : lighter(c, 0.35), 0.8);
    ctx.beginPath();
    ctx.moveTo(t * wide * 0.7, bound);
    ctx.quadraticCurveTo(t * spread, half * 0.2, t * spread, half);
    ctx.stroke();
  }
  ctx.fillStyle = css(darker(c, 0.4));
  ctx.beginPath();
  ctx.roundRect(-wide, bound - wide * 0.35, 2 * wide, wide * 0.9, wide * 0.3);
  ctx.fill();
}
