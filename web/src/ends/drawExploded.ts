import type { EndPart, Material, Outline, Strand } from "../api/client.ts";
import { drawFitting } from "../felt/paint/fitting.ts";
import { sprites } from "../felt/paint/sprites.ts";

export interface ExplodedView {
  strand: Strand;
  side: "left" | "right";
  materials: Map<string, Material>;
  outlines: Record<string, Outline>;
  width: number;
  height: number;
}

/** Station is one thing of the end in its place on the picture, from the beads outwards. */
export interface Station {
  part: EndPart;
  /** What it is drawn as: a toggle's two halves hang at either end. */
  drawn: string;
  name: string;
  /** What stands under the name. */
  adds: string;
  x: number;
  half: number;
}

const BEADS_SHOWN = 4;
const PX = 9;
/** TOGGLE_PX is smaller, so that a bar keeps within the picture. */
const TOGGLE_PX = 3;
const GAP = 30;
const LIVE = "#3c3a37";
const TAIL = "#b0650c";
const MARGIN = 10;

/** halfOf is half the width a part is drawn with, in px. */
function halfOf(part: EndPart, drawn: string, m: Material | undefined): number {
  if (drawn === "toggle-ring") return (((m?.ringInsideMm ?? 9) + (m?.ringEyeMm ?? 1.6) + 2 * (m?.wireMm ?? 1.8)) / 2) * TOGGLE_PX;
  if (drawn === "toggle-bar") return (((m?.barEyeMm ?? 1.6) + (m?.barThicknessMm ?? 2)) / 2) * TOGGLE_PX;
  if (part.does === "loop") return 12;
  const mm = part.does === "ring" || part.does === "extender" ? (m?.insideMm ?? 3) : (m?.closedMm ?? m?.lengthMm ?? part.mm);
  return Math.max(5, (mm / 2) * PX * (part.does === "clasp" ? 0.8 : 1));
}

/** stationsOf lays the end's parts out along the picture, drawn apart. */
export function stationsOf(view: ExplodedView): { stations: Station[]; start: number } {
  const { strand, side, materials } = view;
  const parts = partsAt(view);
  const shown = beadsShown(strand, side);
  let x = MARGIN + shown.reduce((sum, b) => sum + b.alongMm * PX, 0);
  const start = x;
  const stations = parts.map(({ part, drawn }): Station => {
    const m = materials.get(part.material ?? "");
    const half = halfOf(part, drawn, m);
    x += GAP + half;
    const station = { part, drawn, name: nameOf(drawn, m), adds: drawn === "toggle-bar" ? "counted with its ring" : addsOf(part), x, half };
    x += half;
    return station;
  });
  // Drawn together where they would run off the picture.
  const room = view.width - MARGIN;
  if (x > room && stations.length > 0) {
    const by = Math.max(0.35, (room - start) / (x - start));
    for (const s of stations) {
      s.x = start + (s.x - start) * by;
      s.half *= Math.max(0.6, by);
    }
  }
  return { stations, start };
}

/** partsAt are the parts of the end, with the bar of a toggle that is listed at the other end. */
function partsAt({ strand, side, materials }: ExplodedView): { part: EndPart; drawn: string }[] {
  const isToggle = (part: EndPart) => part.does === "clasp" && materials.get(part.material ?? "")?.type === "toggle";
  const own = strand[side].map((part) => ({ part, drawn: isToggle(part) ? "toggle-ring" : part.does }));
  const bar = strand[side === "left" ? "right" : "left"].find(isToggle);
  return bar ? [...own, { part: bar, drawn: "toggle-bar" }] : own;
}

function nameOf(drawn: string, m: Material | undefined): string {
  if (drawn === "loop") return "the wire's loop";
  if (drawn === "toggle-ring") return `${m?.name}, its ring`;
  if (drawn === "toggle-bar") return `${m?.name}, its bar`;
  return m?.name ?? drawn;
}

function addsOf(part: EndPart): string {
  if (part.swallowed) return "slips into the bead";
  return part.mm > 0 ? "" : "adds nothing";
}

/** beadsShown are the last beads of the side, the outermost last. */
function beadsShown(strand: Strand, side: "left" | "right") {
  return side === "left" ? strand.placed.slice(0, BEADS_SHOWN).reverse() : strand.placed.slice(-BEADS_SHOWN);
}

/** drawExploded paints an end drawn apart along the cord's path, with every pass: the live wire dark, the tail that may be snipped in ochre. */
export function drawExploded(ctx: CanvasRenderingContext2D, view: ExplodedView) {
  const { strand, side, materials, outlines, height } = view;
  const y = height * 0.42;
  const { stations, start } = stationsOf(view);
  const crimped = stations.some((s) => s.part.does === "crimp");
  const tail = side === "left" ? strand.leftTail : strand.rightTail;
  ctx.save();
  drawPath(ctx, { stations, start, y, crimped, tucked: tail.mm > 0 });
  let x = start;
  for (const b of [...beadsShown(strand, side)].reverse()) {
    const m = materials.get(b.material);
    x -= (b.alongMm / 2) * PX;
    if (m && outlines[b.material]) {
      ctx.save();
      ctx.translate(x, y);
      ctx.globalAlpha = 0.94;
      sprites.draw(ctx, m, outlines[b.material], PX, side === "left" ? !b.turned : b.turned);
      ctx.restore();
    }
    x -= (b.alongMm / 2) * PX;
  }
  drawThrough(ctx, start, y, crimped && tail.mm > 0);
  for (const s of stations) {
    if (s.part.does === "loop") continue;
    ctx.save();
    ctx.translate(s.x, y);
    drawFitting(ctx, s.drawn, materials.get(s.part.material ?? ""), { from: -s.half, to: s.half, px: s.drawn.startsWith("toggle") ? TOGGLE_PX : PX });
    ctx.restore();
  }
  if (crimped) drawSnip(ctx, tail.mm > 0 ? MARGIN + 6 : start + 7, y + 8);
  ctx.restore();
}

interface Path {
  stations: Station[];
  start: number;
  y: number;
  crimped: boolean;
  tucked: boolean;
}

/** drawPath draws the cord: out through all, round what it holds, and back to where the tail ends. */
function drawPath(ctx: CanvasRenderingContext2D, { stations, start, y, crimped, tucked }: Path) {
  ctx.lineWidth = 1.7;
  ctx.strokeStyle = LIVE;
  ctx.beginPath();
  ctx.moveTo(0, y - 3);
  if (!crimped) {
    ctx.lineTo(start + 60, y - 3);
    ctx.stroke();
    return;
  }
  // The cord turns at its loop or guard, round the first thing that hangs in it.
  const turn = stations.find((s) => s.part.does === "loop" || s.part.does === "guard") ?? stations[stations.length - 1];
  const held = stations[stations.indexOf(turn) + 1];
  const far = held ? held.x - held.half + 5 : turn.x + turn.half;
  ctx.lineTo(turn.x - turn.half, y - 3);
  ctx.bezierCurveTo(turn.x, y - 15, far - 4, y - 13, far, y);
  ctx.stroke();
  ctx.strokeStyle = TAIL;
  ctx.beginPath();
  ctx.moveTo(far, y);
  ctx.bezierCurveTo(far - 4, y + 13, turn.x, y + 15, turn.x - turn.half, y + 3);
  ctx.lineTo(tucked ? MARGIN : start + 2, y + 3);
  ctx.stroke();
}

/** drawThrough shows the passes inside the beads, where the cord is hidden. */
function drawThrough(ctx: CanvasRenderingContext2D, start: number, y: number, tucked: boolean) {
  ctx.setLineDash([5, 4]);
  ctx.lineWidth = 1.5;
  for (const [colour, at, drawn] of [[LIVE, y - 3, true], [TAIL, y + 3, tucked]] as const) {
    if (!drawn) continue;
    ctx.strokeStyle = colour;
    ctx.beginPath();
    ctx.moveTo(MARGIN, at);
    ctx.lineTo(start, at);
    ctx.stroke();
  }
  ctx.setLineDash([]);
}

/** drawSnip marks where the tail may be cut off. */
function drawSnip(ctx: CanvasRenderingContext2D, x: number, y: number) {
  ctx.strokeStyle = TAIL;
  ctx.lineWidth = 1.6;
  ctx.beginPath();
  ctx.moveTo(x - 4, y - 10);
  ctx.lineTo(x + 4, y + 3);
  ctx.moveTo(x + 4, y - 10);
  ctx.lineTo(x - 4, y + 3);
  ctx.stroke();
  for (const dx of [-5, 5]) {
    ctx.beginPath();
    ctx.arc(x + dx, y + 6, 3, 0, 2 * Math.PI);
    ctx.stroke();
  }
}
