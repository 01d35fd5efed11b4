import { isDrop, isGap, rowOf, strandOf, type Row } from "../api/piece.ts";
import type { Analysis, Document, EndPart, Material, Placed, Strand } from "../api/client.ts";
import type { Unit } from "../units/length.ts";
import { castShadow, cloths, layCloth, MARIGOLD, SHADOW, type Tone } from "./cloth.ts";
import { hangsFrom, layerOf, materialsOf } from "./strand.ts";
import { drawLetter } from "./letters.ts";
import { drawLaced, lacedIn, lacedOrder, type Laced } from "./paint/laced.ts";
import { drawBeadLoop, drawFoldBead, drawFootBead, drawLeg, drawShared } from "./paint/ending.ts";
import { drawFitting } from "./paint/fitting.ts";
import { hangsBelow } from "./paint/bead.ts";
import { drawCordLoop } from "./paint/cordLoop.ts";
import { inCord } from "./paint/inCord.ts";
import { drawHolder } from "./paint/holder.ts";
import { drawBeadLinks, isBeadLink } from "./paint/links.ts";
import { sprites } from "./paint/sprites.ts";
import { spinsOf } from "./spins.ts";
import { gapAt, gripOf, hangsMm } from "./strandGeometry.ts";

export interface CloseUpView {
  analysis: Analysis;
  doc: Document;
  /** The row in hand. */
  row: string;
  /** Where the rows line up. */
  align: "centre" | "left";
  width: number;
  height: number;
  tone: Tone;
  unit: Unit;
  /** px to the mm, and the mm at the left edge. */
  px: number;
  leftMm: number;
  fromCentre: boolean;
  letters: boolean;
  selection: { from: number; to: number };
  /** The dish whose beads light up. */
  lit?: string | null;
  /** The selection's right end can be pulled. */
  handle: boolean;
  /** Where something dragged would go. */
  dropGap: number | null;
  /** The count typed so far, waiting for its letter. */
  pending: string;
  focused: boolean;
}

/** TAILS_DOWN is by how much a loose tail hangs away from the strand, in radians, and TAILS_APART each from the next. */
const TAILS_DOWN = 1.2;
const TAILS_APART = 0.35;
const RULER = 30;
const SHARED = 0.4;
/** A bare cord is drawn this many mm beyond its beads; that of a ring runs on. */
const BARE = 8;
const RUNS_ON = 4000;

/** Lane is one row's part of the close-up. */
export interface Lane {
  strand: Strand;
  /** Its place among the rows, from 1. */
  number: number;
  top: number;
  height: number;
  /** By how much it lies further right than the row in hand's own start, in mm, so that rows line up. */
  shiftMm: number;
  inHand: boolean;
  /** How far above the middle of the lane its cord lies, in px, to make room for what hangs. */
  raised: number;
}

const LEAST_LANE = 40;

/** lanesOf shares the close-up out among the rows: as many as there is room for, round the one in hand. */
export function lanesOf({ analysis, row, height, align }: Pick<CloseUpView, "analysis" | "row" | "height" | "align">): Lane[] {
  const inHand = strandOf(analysis, row);
  const all = analysis.strands;
  const at = all.indexOf(inHand);
  const shown = Math.max(1, Math.min(all.length, Math.floor((height - RULER) / LEAST_LANE)));
  const first = Math.max(0, Math.min(all.length - shown, at - Math.floor(shown / 2)));
  const each = (height - RULER) / shown;
  const middle = (s: Strand) => (align === "left" ? 0 : s.beads > 0 ? (s.strungMm + s.slackMm) / 2 : ownMiddle(s));
  return all.slice(first, first + shown).map((strand, i) => ({
    strand, number: first + i + 1, top: RULER + i * each, height: each, shiftMm: middle(inHand) - middle(strand), inHand: strand === inHand, raised: 0,
  }));
}

/** ownMiddle is the middle of a row without beads: of its own fittings. */
function ownMiddle(strand: Strand): number {
  const own = [...strand.left, ...strand.right].filter((part) => !part.shared).flatMap((part) => [part.fromMm, part.toMm]);
  return own.length > 0 ? (Math.min(...own) + Math.max(...own)) / 2 : 0;
}

/** drawCloseUp paints the rows straight and enlarged, one under another, with ruler, ends, target and caret. */
export function drawCloseUp(ctx: CanvasRenderingContext2D, view: CloseUpView) {
  const { width, height, tone, px, leftMm } = view;
  const lanes = lanesOf(view);
  layCloth(ctx, tone, width, height);
  ctx.fillStyle = cloths[tone].band;
  ctx.fillRect(0, 0, width, height);
  drawRuler(ctx, view, (mm) => (mm - leftMm) * px);
  for (const lane of lanes) {
    const x = (mm: number) => (mm + lane.shiftMm - leftMm) * px;
    lane.raised = raisedBy(view, lane);
    ctx.save();
    if (lanes.length > 1) clipTo(ctx, lane, width, tone);
    ctx.translate(0, lane.top + lane.height / 2 - lane.raised);
    drawEndsAndCord(ctx, view, lane, x);
    if (view.lit) lightUp(ctx, view.lit, lane, px, x);
    if (lane.inHand) tintSelection(ctx, view, lane, x);
    drawBeads(ctx, view, lane, x);
    drawTarget(ctx, view, lane, x);
    if (lane.inHand) drawCaret(ctx, view, lane, x);
    ctx.restore();
  }
  if (analysisHasRows(view)) for (const lane of lanes) drawNumber(ctx, lane);
}

/** raisedBy is how far a cord is lifted so that what hangs on it is seen, as far as its beads leave room. */
function raisedBy({ analysis, doc, px }: CloseUpView, { strand, height }: Lane): number {
  const room = height / 2 - 8;
  const hangs = hangsMm(strand, doc, analysis.drawing?.outlines) * px - room;
  const widest = [...strand.placed, ...(strand.riders?.placed ?? [])].reduce((most, b) => Math.max(most, b.acrossMm), 6);
  return Math.max(0, Math.min(hangs, room - (widest / 2) * px));
}

const analysisHasRows = ({ analysis }: CloseUpView) => analysis.strands.length > 1;

/** clipTo keeps a row to its lane; the one in hand is a shade lighter. */
function clipTo(ctx: CanvasRenderingContext2D, lane: Lane, width: number, tone: Tone) {
  ctx.beginPath();
  ctx.rect(0, lane.top, width, lane.height);
  ctx.clip();
  if (!lane.inHand) return;
  ctx.fillStyle = tone === "dark" ? "rgba(255,255,255,.07)" : "rgba(255,252,240,.5)";
  ctx.fillRect(0, lane.top, width, lane.height);
}

/** drawNumber marks a lane with the number of its row. */
function drawNumber(ctx: CanvasRenderingContext2D, { top, height, number, inHand }: Lane) {
  const [x, y] = [18, top + height / 2];
  ctx.beginPath();
  ctx.arc(x, y, 10, 0, 2 * Math.PI);
  ctx.fillStyle = inHand ? "#8a5a00" : "#fffdf8";
  ctx.fill();
  ctx.strokeStyle = "#8a5a00";
  ctx.lineWidth = 1;
  ctx.stroke();
  ctx.fillStyle = inHand ? "#fff" : "#3f1d38";
  ctx.font = '700 12px "Figtree Variable", sans-serif';
  ctx.textAlign = "center";
  ctx.fillText(`${number}`, x, y + 4);
  ctx.textAlign = "left";
}

/** drawRuler marks the house unit from the left end, or both ways from the centre. */
function drawRuler(ctx: CanvasRenderingContext2D, view: CloseUpView, x: (mm: number) => number) {
  const { width, unit, tone, px, leftMm, fromCentre } = view;
  const strand = strandOf(view.analysis, view.row);
  const origin = fromCentre ? strand.strungMm / 2 : 0;
  const step = unit === "mm" ? 1 : 25.4 / (px * 25.4 > 90 ? 16 : 8);
  const [half, whole] = unit === "mm" ? [5, 10] : [step === 25.4 / 16 ? 8 : 4, step === 25.4 / 16 ? 16 : 8];
  ctx.strokeStyle = ctx.fillStyle = cloths[tone].text;
  ctx.lineWidth = 1;
  ctx.font = '11px "Figtree Variable", sans-serif';
  ctx.textAlign = "center";
  const first = Math.ceil((leftMm - origin) / step);
  const last = Math.floor((leftMm + width / px - origin) / step);
  ctx.beginPath();
  for (let i = first; i <= last; i++) {
    const at = Math.round(x(origin + i * step)) + 0.5;
    const long = i % whole === 0 ? 10 : i % half === 0 ? 7 : 4;
    ctx.moveTo(at, 0);
    ctx.lineTo(at, long);
    // Left of the first bead the ruler has no numbers, as the strand has not begun.
    if (i % whole === 0 && (fromCentre || i >= 0)) {
      const label = unit === "mm" ? Math.abs(i) : Math.abs(i / whole);
      ctx.fillText(`${label}`, at, 22);
    }
  }
  ctx.stroke();
  ctx.textAlign = "left";
}

/** sideBySide is where cords lie that run through the beads together, by how thick one is, from their middle. */
export const sideBySide = (passes = 1) => Array.from({ length: passes }, (_, k) => k - (passes - 1) / 2);

function drawEndsAndCord(ctx: CanvasRenderingContext2D, view: CloseUpView, { strand }: Lane, x: (mm: number) => number) {
  const { analysis, doc, tone, px, width } = view;
  const materials = materialsOf(doc);
  const cord = materials.get(rowOf(doc, strand.id).cord ?? "");
  const { left, right } = strand;
  const behind = strand.strungMm + strand.slackMm;
  const from = strand.ring ? -RUNS_ON : gripOf(left, left.length ? 0 : -BARE);
  const to = strand.ring ? strand.strungMm + RUNS_ON : gripOf(right, behind + (right.length ? 0 : BARE));
  ctx.strokeStyle = cloths[tone].cord;
  const thick = Math.max(1, (cord?.diameterMm ?? 0.4) * px);
  ctx.lineWidth = thick;
  for (const beside of sideBySide(rowOf(doc, strand.id).passes)) {
    ctx.beginPath();
    ctx.moveTo(Math.max(-10, x(from)), beside * (thick + 0.8));
    ctx.lineTo(Math.min(width + 10, x(to)), beside * (thick + 0.8));
    ctx.stroke();
  }
  drawHolders(ctx, strand, rowOf(doc, strand.id), materials, cloths[tone].cord, cord?.diameterMm ?? 0.4, px, x);
  for (const parts of [left, right]) {
    for (const part of parts) {
      if (x(Math.max(part.fromMm, part.toMm) + (part.legMm ?? 0)) < -60 || x(Math.min(part.fromMm, part.toMm) - (part.legMm ?? 0)) > width + 60) continue;
      const m = materials.get(part.material ?? "");
      const looks = { materials, outlines: analysis.drawing?.outlines ?? {}, cord: cloths[tone].cord, cordMm: cord?.diameterMm ?? 0.4 };
      if (part.with) ctx.globalAlpha = SHARED; // it is the other half's of the cord, and here a guest
      if (part.role === "bead-loop") drawBeadLoop(ctx, part, { from: x(part.fromMm), to: x(part.toMm), px }, looks);
      if (part.role === "cord-loop") drawCordLoop(ctx, { from: x(part.fromMm), to: x(part.toMm), px }, part.girthMm ?? 0, looks.cord, looks.cordMm);
      if (part.role === "foot-bead") drawFootBead(ctx, part, { from: x(part.fromMm), to: x(part.toMm), px }, looks);
      if (part.role === "fold-bead") drawFoldBead(ctx, part, { from: x(part.fromMm), to: x(part.toMm) + (parts === left ? -0.01 : 0.01), px }, looks);
      if (part.role === "shared-bead") {
        ctx.save();
        ctx.translate(x((part.fromMm + part.toMm) / 2), 0);
        drawShared(ctx, part, px, looks);
        ctx.restore();
      }
      if (part.role === "leg" || part.role === "tail-bead") {
        const out = parts === left ? -1 : 1;
        ctx.save();
        ctx.translate(x(part.fromMm), 0);
        if (part.role === "tail-bead") ctx.rotate(out * (TAILS_DOWN - TAILS_APART * parts.indexOf(part)));
        drawLeg(ctx, part, { out, px }, looks);
        ctx.restore();
      }
      // What rows share exists once: in each row it is drawn as a guest.
      ctx.globalAlpha = part.with || (part.shared && analysis.strands.length > 1) ? SHARED : 1;
      if (isBeadLink(part, looks.outlines)) drawBeadLinks(ctx, part, { from: x(part.fromMm), out: parts === left ? -1 : 1, px }, looks);
      else drawFitting(ctx, part.role, m, { from: x(part.fromMm), to: x(part.toMm), px, links: part.links });
      ctx.globalAlpha = 1;
      drawHung(ctx, view, part, { x: x(part.role === "extender" ? part.toMm : (part.fromMm + part.toMm) / 2), y: hangsFrom(m) * px });
    }
  }
}

/** drawHolders draws what holds beads beside gaps, each against its bead. */
function drawHolders(ctx: CanvasRenderingContext2D, strand: Strand, { holder }: Row, materials: Map<string, Material>, colour: string, cordMm: number, px: number, x: (mm: number) => number) {
  for (const held of strand.holders ?? []) drawHolder(ctx, { way: holder?.way, of: materials.get(holder?.of ?? ""), colour, cordMm }, x(held.atMm + (held.outward * held.longMm) / 2), px);
}

function drawHung(ctx: CanvasRenderingContext2D, { analysis, doc, px }: CloseUpView, part: EndPart, at: { x: number; y: number }) {
  for (const id of part.hung ?? []) {
    const m = materialsOf(doc).get(id);
    const outline = analysis.drawing?.outlines[id];
    if (!m || !outline) continue;
    ctx.save();
    ctx.translate(at.x, at.y);
    sprites.draw(ctx, m, outline, px, false);
    ctx.restore();
  }
}

/** ridesBeside is how far below their middle a bead lies that rides on the lowest of several cords, by how thick one is. */
const ridesBeside = (b: Placed, passes: number) => (passes > 1 && b.passes === 1 && !isDrop(b.key) ? (passes - 1) / 2 : 0);

function drawBeads(ctx: CanvasRenderingContext2D, view: CloseUpView, { strand }: Lane, x: (mm: number) => number) {
  const { analysis, doc, px, width } = view;
  const materials = materialsOf(doc);
  const outlines = analysis.drawing?.outlines ?? {};
  const { placed } = strand;
  const spins = spinsOf(placed, outlines);
  const { passes = 1, cord } = rowOf(doc, strand.id);
  const cordMm = materials.get(cord ?? "")?.diameterMm ?? 0.4;
  const reach = (b: Placed) => 20 + (outlines[b.material]?.widthMm ?? 0) * px;
  const seen = placed.map((b, i) => ({ ...b, spin: spins[i] })).filter((b) => x(b.toMm) > -reach(b) && x(b.fromMm) < width + reach(b));
  ctx.fillStyle = SHADOW;
  for (const b of seen) if (b.material && !outlines[b.material]?.seats) castShadow(ctx, x((b.fromMm + b.toMm) / 2), hangsBelow(materials.get(b.material)) * px, (b.alongMm / 2) * px, (b.acrossMm / 2) * px);
  const laced = lacedIn(doc, strand);
  if (laced) drawFlats(ctx, view, laced, strand, x);
  for (const layer of laced ? [] : [0, 1, 2]) {
    for (const b of seen) {
      const m = materials.get(b.material) ?? inCord(b.key);
      const outline = outlines[b.material];
      if (!m || !outline || layerOf(m, outline) !== layer) continue;
      ctx.save();
      ctx.translate(x(b.atMm), ridesBeside(b, passes) * cordMm * px);
      sprites.draw(ctx, m, outline, px, b.turned, b.spin);
      ctx.restore();
    }
  }
  for (const b of strand.riders?.placed ?? []) {
    const m = materials.get(b.material);
    if (!m || !outlines[m.id]) continue;
    ctx.save();
    ctx.translate(x(b.atMm), 0);
    sprites.draw(ctx, m, outlines[m.id], px, b.turned);
    ctx.restore();
  }
  if (!view.letters) return;
  for (const b of seen) {
    if (isGap(b.key) || isDrop(b.key)) continue;
    ctx.save();
    ctx.translate(x((b.fromMm + b.toMm) / 2), 0);
    drawLetter(ctx, b, px);
    ctx.restore();
  }
}

/** drawFlats paints a laced row from the front: the layer behind first, or each over the one it leans on. */
function drawFlats(ctx: CanvasRenderingContext2D, { doc, px, tone, width }: CloseUpView, laced: Laced, { placed }: Strand, x: (mm: number) => number) {
  const materials = materialsOf(doc);
  for (const { element } of lacedOrder(placed, laced)) {
    const b = placed[element];
    const m = materials.get(b.material);
    if (!m || x(b.toMm) < 0 || x(b.fromMm) > width) continue;
    ctx.save();
    ctx.translate(x(b.atMm), 0);
    drawLaced(ctx, m, b.key, laced, cloths[tone].cord, px);
    ctx.restore();
  }
}

/** lightUp lays a light behind the beads of a dish. */
function lightUp(ctx: CanvasRenderingContext2D, key: string, { strand }: Lane, px: number, x: (mm: number) => number) {
  ctx.fillStyle = "rgba(31,111,101,.32)";
  for (const b of [...strand.placed, ...(strand.riders?.placed ?? [])]) {
    const half = (b.acrossMm / 2) * px + 6;
    if (b.key === key) ctx.fillRect(x(b.fromMm), -half, x(b.toMm) - x(b.fromMm), 2 * half);
  }
}

/** tintSelection lays a tint under the selected beads, so that they keep their own colours. */
function tintSelection(ctx: CanvasRenderingContext2D, view: CloseUpView, { strand, height, raised }: Lane, x: (mm: number) => number) {
  const { from, to } = view.selection;
  if (from === to) return;
  ctx.fillStyle = "rgba(217,138,31,.22)";
  ctx.fillRect(x(gapAt(strand, from)), raised - height / 2 + 4, x(gapAt(strand, to)) - x(gapAt(strand, from)), height - 8);
}

/** drawTarget flags where the strand should end to be on target. */
function drawTarget(ctx: CanvasRenderingContext2D, view: CloseUpView, { strand, height, inHand, raised }: Lane, x: (mm: number) => number) {
  const { target } = strand;
  if (!target) return;
  const at = x(strand.strungMm - target.offMm);
  if (at < -40 || at > view.width + 40) return;
  const colour = cloths[view.tone].target;
  ctx.strokeStyle = ctx.fillStyle = colour;
  ctx.lineWidth = 1.5;
  ctx.setLineDash([5, 4]);
  ctx.beginPath();
  ctx.moveTo(at, raised - height / 2);
  ctx.lineTo(at, raised + height / 2);
  ctx.stroke();
  ctx.setLineDash([]);
  if (!inHand) return;
  ctx.font = '600 11px "Figtree Variable", sans-serif';
  ctx.fillText("target", at + 5, raised - height / 2 + 14);
}

function drawCaret(ctx: CanvasRenderingContext2D, view: CloseUpView, { strand, height, raised }: Lane, x: (mm: number) => number) {
  const { selection, pending, focused } = view;
  const top = raised - height / 2 + 4;
  const tall = height - 8;
  ctx.strokeStyle = MARIGOLD;
  ctx.globalAlpha = focused ? 1 : 0.6;
  if (selection.from === selection.to) {
    const at = x(gapAt(strand, selection.from));
    ctx.lineWidth = 2.5;
    ctx.beginPath();
    ctx.moveTo(at, top);
    ctx.lineTo(at, top + tall);
    ctx.stroke();
  } else {
    const from = x(gapAt(strand, selection.from));
    const to = x(gapAt(strand, selection.to));
    ctx.lineWidth = 2.5;
    ctx.beginPath();
    ctx.roundRect(from, top, to - from, tall, 7);
    ctx.stroke();
    if (view.handle) {
      ctx.fillStyle = MARIGOLD;
      ctx.beginPath();
      ctx.arc(to, 0, 7, 0, 2 * Math.PI);
      ctx.fill();
    }
  }
  ctx.globalAlpha = 1;
  if (view.dropGap !== null) {
    const at = x(gapAt(strand, view.dropGap));
    ctx.lineWidth = 3;
    ctx.setLineDash([3, 3]);
    ctx.beginPath();
    ctx.moveTo(at, top);
    ctx.lineTo(at, top + tall);
    ctx.stroke();
    ctx.setLineDash([]);
  }
  if (pending) drawPending(ctx, pending, x(gapAt(strand, selection.to)), top);
}

/** drawPending shows the count that waits for its letter. */
function drawPending(ctx: CanvasRenderingContext2D, pending: string, at: number, top: number) {
  ctx.fillStyle = "#8a5a00";
  ctx.beginPath();
  ctx.roundRect(at + 4, top, 12 + pending.length * 9, 20, 5);
  ctx.fill();
  ctx.fillStyle = "#fff";
  ctx.font = '700 13px "Figtree Variable", sans-serif';
  ctx.fillText(pending, at + 10, top + 15);
}
