import type { EndPart, Material, Outline, Strand } from "../api/client.ts";
import { chainLinks, drawFitting } from "./paint/fitting.ts";
import { drawCordLoop } from "./paint/cordLoop.ts";
import { drawLaced, type Laced } from "./paint/laced.ts";
import { drawShared, drawBeadLoop, drawFoldBead, drawFootBead, type Looks } from "./paint/ending.ts";
import { drawBeadLinks, isBeadLink, piecesOf } from "./paint/links.ts";
import { sprites } from "./paint/sprites.ts";
import { drawPath, drawThrough, MARGIN, TAIL, WORKING } from "./drawPasses.ts";

export interface ExplodedView {
  strand: Strand;
  side: "left" | "right";
  materials: Map<string, Material>;
  outlines: Record<string, Outline>;
  laced: Laced | undefined;
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
  /** The middle and the width of its label's column. */
  label: { x: number; width: number };
}

const BEADS_SHOWN = 4;
/** BEADS_MM is about how much of the strand is shown; one bead always is. */
const BEADS_MM = 18;
const PX = 9;
/** TOGGLE_PX is smaller, so that a bar keeps within the picture; so is a loop of beads. */
const TOGGLE_PX = 3;
const LOOP_PX = 4.5;
const BUTTON_PX = 5;
/** LINKS_SHOWN is how many links of a chain are drawn. */
const LINKS_SHOWN = 5;
/** BEAD_LINKS_SHOWN is how many bead links are drawn, so much smaller. */
const BEAD_LINKS_SHOWN = 2;
const BEAD_LINK_PX = 4;
/** LEG_SHARE is how much smaller a bead on a leg is drawn, so that it keeps off its label. */
const LEG_SHARE = 0.7;
/** The parts are drawn this far apart, and farther where there is room. */
const GAP = 30;
const MOST_GAP = 62;
const LEADER = "#b3a08f";
const LABEL_WIDTH = 92;
/** LABELS_AT is where the labels begin below the top of the picture; the style sheet has the same. */
const LABELS_AT = 118;

/** halfOf is half the width a part is drawn with, in px. */
function halfOf(part: EndPart, drawn: string, { materials, outlines }: ExplodedView): number {
  const m = materials.get(part.material ?? "");
  if (isBeadLink(part, outlines)) return (piecesOf(part, materials, BEAD_LINKS_SHOWN).reduce((sum, one) => sum + one.mm, 0) / 2) * BEAD_LINK_PX;
  if (drawn === "toggle-ring") return (((m?.ringInsideMm ?? 9) + (m?.ringEyeMm ?? 1.6) + 2 * (m?.wireMm ?? 1.8)) / 2) * TOGGLE_PX;
  if (drawn === "toggle-bar") return (((m?.barEyeMm ?? 1.6) + (m?.barThicknessMm ?? 2)) / 2) * TOGGLE_PX;
  if (part.role === "loop") return 12;
  if (part.role === "cord-loop") return ((part.girthMm ?? 24) / 4) * loopPx(part);
  if (part.loop) return ((part.mm + part.loop.thickMm) / 2) * LOOP_PX;
  if (part.role === "foot-bead") return (part.mm / 2) * beadPx(m);
  if (part.role === "fold-bead") return ((m?.acrossMm ?? 4) / 2) * beadPx(m);
  if (part.role === "leg" || part.role === "tail-bead") return ((m?.alongMm ?? m?.acrossMm ?? 2) / 2) * PX * LEG_SHARE;
  if (m?.type === "button") return ((m.outsideMm ?? 12) / 2) * BUTTON_PX + 6;
  if (part.role === "chain") return (Math.min(part.links ?? 1, LINKS_SHOWN) * (m?.insideMm ?? 3) * PX) / 2 + 4;
  if (part.role === "extender") return (chainLinks(m) * (m?.insideMm ?? 3) * PX) / 2 + 4;
  const mm = part.role === "ring" ? (m?.insideMm ?? 3) : (m?.closedMm ?? m?.lengthMm ?? part.mm);
  return Math.max(5, (mm / 2) * PX * (part.role === "clasp" ? 0.8 : 1));
}

/** HIGH is how high a bead or a loop is drawn at most, in px, so that it keeps off its label. */
const HIGH = 58;

/** beadPx is the scale of a bead at a foot or in a fold. */
const beadPx = (m: Material | undefined) => Math.min(PX * LEG_SHARE, HIGH / Math.max(m?.acrossMm ?? 4, m?.alongMm ?? 0));

/** loopPx is that of a loop of the bare cord, which lies about half as high as it is round. */
const loopPx = (part: EndPart) => Math.min(LOOP_PX, (2 * HIGH) / (part.girthMm ?? 24));

/** Exploded is an end laid out along the picture: its parts, where they begin, and by how much all of it is reduced to fit. */
export interface Exploded {
  stations: Station[];
  start: number;
  scale: number;
}

/** stationsOf lays the end's parts out along the picture, drawn apart. */
export function stationsOf(view: ExplodedView): Exploded {
  const { strand, side, materials, width } = view;
  const beads = beadsShown(strand, side).reduce((sum, b) => sum + b.alongMm * PX, 0);
  const parts = partsAt(view);
  const bare = beads + parts.reduce((sum, { part, drawn }) => sum + 2 * halfOf(part, drawn, view), 0);
  const gap = Math.max(GAP, Math.min(MOST_GAP, (width - 2 * MARGIN - bare) / Math.max(1, parts.length)));
  let x = MARGIN + beads;
  const stations = parts.map(({ part, drawn }): Station => {
    const m = materials.get(part.material ?? "");
    const half = halfOf(part, drawn, view);
    x += gap + half;
    const station = { part, drawn, name: nameOf(part, drawn, m), adds: drawn === "toggle-bar" ? "counted with its ring" : drawn === OTHER_HALF ? "counted with the first" : addsOf(part, materials), x, half, label: { x: 0, width: 0 } };
    x += half;
    return station;
  });
  const scale = Math.min(1, (width - 2 * MARGIN) / (x - MARGIN));
  for (const s of stations) {
    s.x = MARGIN + (s.x - MARGIN) * scale;
    s.half *= scale;
  }
  placeLabels(stations, width);
  return { stations, start: MARGIN + beads * scale, scale };
}

/** placeLabels gives every part a column of its own for its label, as near below it as its neighbours let it. */
function placeLabels(stations: Station[], width: number) {
  if (stations.length === 0) return;
  const each = Math.min(LABEL_WIDTH, (width - 2 * MARGIN) / stations.length);
  const middle = (stations[0].x + stations[stations.length - 1].x) / 2;
  const all = each * stations.length;
  const left = Math.max(MARGIN, Math.min(width - MARGIN - all, middle - all / 2));
  stations.forEach((s, i) => (s.label = { x: left + each * (i + 0.5), width: each - 6 }));
}

/** partsAt are the parts of the end, with the bar of a toggle that is listed at the other end. */
function partsAt({ strand, side, materials }: ExplodedView): { part: EndPart; drawn: string }[] {
  const isToggle = (part: EndPart) => part.role === "clasp" && materials.get(part.material ?? "")?.type === "toggle";
  const own = strand[side].map((part) => ({ part, drawn: isToggle(part) ? "toggle-ring" : part.role }));
  const across = strand[side === "left" ? "right" : "left"].find((part) => part.role === "clasp" || (part.role === "bar" && part.shared));
  if (across?.role === "bar" && !own.some(({ part }) => part.role === "bar")) return [...own, { part: across, drawn: "bar" }];
  if (across && isToggle(across)) return [...own, { part: across, drawn: "toggle-bar" }];
  return across && HALVED.includes(materials.get(across.material ?? "")?.type ?? "") ? [...own, { part: across, drawn: OTHER_HALF }] : own;
}

/** HALVED are the clasps of two like halves; the second one is drawn at the other end. */
const HALVED = ["magnetic", "slide"];
const OTHER_HALF = "other-half";

function nameOf(part: EndPart, drawn: string, m: Material | undefined): string {
  if (part.loop) return `a loop of ${part.loop.beads.length} beads`;
  if (part.role === "cord-loop") return "a loop of the cord";
  if (part.role === "chain") return `${part.links} links of ${m?.name}`;
  if (part.role === "foot-bead") return `${m?.name}, at the foot`;
  if (part.role === "fold-bead") return `${m?.name}, in the fold`;
  if (part.role === "tail-bead") return `${m?.name}, on a loose tail`;
  if (part.role === "round") return "round its wire";
  if (part.role === "leg") return m ? `${m.name}, on a leg` : "a leg";
  if (drawn === "loop") return "the wire's loop";
  if (drawn === "toggle-ring") return `${m?.name}, its ring`;
  if (drawn === "toggle-bar") return `${m?.name}, its bar`;
  if (drawn === OTHER_HALF) return `${m?.name}, its other half`;
  return m?.name ?? drawn;
}

function addsOf(part: EndPart, materials: Map<string, Material>): string {
  if (part.hung?.length) return `carries ${part.hung.map((id) => materials.get(id)?.name ?? id).join(", ")}`;
  if (part.role === "leg" || part.role === "tail-bead") return "";
  if (part.swallowed) return "slips into the bead";
  return part.mm > 0 ? "" : "adds nothing";
}

/** beadsShown are the last beads of the side, the outermost last. */
function beadsShown(strand: Strand, side: "left" | "right") {
  const outwards = side === "left" ? strand.placed.slice(0, BEADS_SHOWN).reverse() : strand.placed.slice(-BEADS_SHOWN);
  const shown = outwards.filter((_, i) => outwards.slice(i).reduce((sum, b) => sum + b.alongMm, 0) <= BEADS_MM);
  return shown.length > 0 ? shown : outwards.slice(-1);
}

/** drawExploded paints an end drawn apart along the cord's path, with every pass: the working wire dark, the tail in ochre. */
export function drawExploded(ctx: CanvasRenderingContext2D, view: ExplodedView) {
  const { strand, side, materials, outlines, height } = view;
  const y = height * 0.42;
  const { stations, start, scale } = stationsOf(view);
  const px = PX * scale;
  const hold = side === "left" ? strand.leftHold : strand.rightHold;
  const crimped = hold === "crimp";
  const tail = side === "left" ? strand.leftTail : strand.rightTail;
  const looks: Looks = { materials, outlines, cord: WORKING, cordMm: 1.7 / LOOP_PX };
  ctx.save();
  drawLeaders(ctx, stations, y);
  drawPath(ctx, { stations, start, y, hold, tucked: tail.mm > 0 });
  let x = start;
  for (const b of [...beadsShown(strand, side)].reverse()) {
    const m = materials.get(b.material);
    x -= (b.alongMm / 2) * px;
    if (m && outlines[b.material]) {
      ctx.save();
      ctx.translate(x, y);
      ctx.globalAlpha = 0.94;
      if (view.laced) drawLaced(ctx, m, b.key, view.laced, WORKING, px);
      else sprites.draw(ctx, m, outlines[b.material], px, side === "left" ? !b.turned : b.turned);
      ctx.restore();
    }
    x -= (b.alongMm / 2) * px;
  }
  drawThrough(ctx, start, y, tail.mm > 0 || hold === "fold", hold === "fold" ? WORKING : TAIL);
  for (const s of stations) {
    if (s.part.role === "loop") continue;
    ctx.save();
    ctx.translate(s.x, y);
    const m = materials.get(s.part.material ?? "");
    if (s.part.role === "cord-loop") drawCordLoop(ctx, { from: -s.half, to: s.half, px: loopPx(s.part) * scale }, s.part.girthMm ?? 0, WORKING, looks.cordMm);
    else if (s.part.loop) drawBeadLoop(ctx, s.part, { from: -s.half, to: -s.half + s.part.mm * LOOP_PX * scale, px: LOOP_PX * scale }, looks);
    else if (s.part.role === "shared-bead") drawShared(ctx, s.part, px * scale, looks);
    else if (isBeadLink(s.part, outlines)) drawBeadLinks(ctx, s.part, { from: -s.half, out: 1, px: BEAD_LINK_PX * scale, most: BEAD_LINKS_SHOWN }, looks);
    else if (s.part.role === "foot-bead") drawFootBead(ctx, s.part, { from: -s.half, to: s.half, px: beadPx(m) * scale }, looks);
    else if (s.part.role === "fold-bead") drawFoldBead(ctx, s.part, { from: -s.half - 8 * scale, to: -s.half, px: beadPx(m) * scale }, looks);
    else if (s.part.role === "leg" || s.part.role === "tail-bead") drawOnLeg(ctx, m, outlines, px * LEG_SHARE);
    else drawFitting(ctx, s.drawn === OTHER_HALF ? "clasp" : s.drawn, m, { from: -s.half, to: s.half, px: scaleOf(s.drawn, m) * scale, links: Math.min(s.part.links ?? 1, LINKS_SHOWN) });
    ctx.restore();
  }
  if (crimped || tail.mm > 0) drawCutters(ctx, tail.mm > 0 ? MARGIN + 6 : start + 7, y + 8);
  ctx.restore();
}

function scaleOf(drawn: string, m: Material | undefined): number {
  if (drawn.startsWith("toggle")) return TOGGLE_PX;
  return m?.type === "button" ? BUTTON_PX : PX;
}

function drawOnLeg(ctx: CanvasRenderingContext2D, m: Material | undefined, outlines: Record<string, Outline>, px: number) {
  const outline = outlines[m?.id ?? ""];
  if (m && outline) sprites.draw(ctx, m, outline, px, false);
}

/** drawLeaders ties every part to its label. */
function drawLeaders(ctx: CanvasRenderingContext2D, stations: Station[], y: number) {
  ctx.strokeStyle = LEADER;
  ctx.lineWidth = 1;
  for (const s of stations) {
    ctx.beginPath();
    ctx.moveTo(s.x, y + 16);
    ctx.lineTo(s.label.x, LABELS_AT - 2);
    ctx.stroke();
  }
}

/** drawCutters marks where the tail is trimmed: flush cutters, jaws at the wire. */
function drawCutters(ctx: CanvasRenderingContext2D, x: number, y: number) {
  ctx.save();
  ctx.translate(x, y);
  ctx.lineCap = "round";
  ctx.lineJoin = "round";
  for (const side of [-1, 1]) {
    ctx.fillStyle = "#8d9096";
    ctx.beginPath();
    ctx.moveTo(0, -5);
    ctx.quadraticCurveTo(side * 6, -3, side * 4, 5);
    ctx.lineTo(0, 6);
    ctx.closePath();
    ctx.fill();
    ctx.strokeStyle = TAIL;
    ctx.lineWidth = 3;
    ctx.beginPath();
    ctx.moveTo(side * 1.5, 6);
    ctx.quadraticCurveTo(side * 6, 10, side * 5, 18);
    ctx.stroke();
  }
  ctx.restore();
}
