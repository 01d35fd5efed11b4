import type { Material, Outline, Seat, Strand, WholeRow } from "../api/client.ts";
import { isDrop, isGap, isLoop, rowOf, strandOf } from "../api/piece.ts";
import { castShadow, cloths, MARIGOLD, SHADOW, type Tone } from "./cloth.ts";
import { hangsFrom, layerOf, materialsOf } from "./strand.ts";
import { drawLetter } from "./letters.ts";
import { drawLaced, drawLacedOnEdge, lacedIn, lacedOrder, type Laced } from "./paint/laced.ts";
import { drawBeadLoop, drawFoldBead, drawFootBead, drawLeg, drawShared } from "./paint/ending.ts";
import { drawBar } from "./paint/bar.ts";
import { drawFitting } from "./paint/fitting.ts";
import { hangsBelow } from "./paint/bead.ts";
import { drawCordLoop } from "./paint/cordLoop.ts";
import { inCord } from "./paint/inCord.ts";
import { drawHolder } from "./paint/holder.ts";
import { drawBeadLink, isBeadLink } from "./paint/links.ts";
import { sprites } from "./paint/sprites.ts";
import { carriedApart, hangs, spinsOf } from "./spins.ts";
import type { Drawn } from "../api/drawn.ts";

export interface WholeView {
  drawn: Drawn;
  width: number;
  height: number;
  tone: Tone;
  /** The most px a millimetre takes, for small pieces. */
  mostPx?: number;
  letters?: boolean;
  /** At mostPx, whatever the picture leaves free round it. */
  exactly?: boolean;
  /** Without the neck it hangs on, as on paper. */
  bare?: boolean;
  /** How far it is zoomed in, and where its middle is moved to, in px. */
  lens?: Lens;
}

export interface Lens {
  zoom: number;
  dx: number;
  dy: number;
}

export const PLAIN_LENS: Lens = { zoom: 1, dx: 0, dy: 0 };

const MOST_PX = 6;
const LEAST_PX = 0.001;
/** FINE is the size below which beads are drawn as a line of their colour, which is FINE wide at least. */
const FINE = 2;
/** MARGIN is the share of the picture left free on each side. */
const MARGIN = 0.045;
/** WRITTEN is how many px the lines above and below the picture take. */
const WRITTEN = 46;
const LEAST_SHADED = 5;
/** LEGS_APART is how far the two legs of a tied piece are drawn from straight down, in radians. */
const LEGS_APART = 0.07;
const FINE_COLOUR = "#8a7a6a";

/** fitWhole says how many px a millimetre takes so that all of the piece fits. */
export function fitWhole({ drawn, width, height, mostPx = MOST_PX, exactly }: WholeView): number {
  if (exactly) return mostPx;
  const [left, top, right, bottom] = drawn.picture.whole?.box ?? [0, 0, 1, 1];
  const free = 1 - 2 * MARGIN;
  // Rows side by side are as wide as the picture: what is written above and below them keeps its lines.
  const high = drawn.picture.whole?.shape === "rows" && mostPx === MOST_PX ? Math.max(height / 3, height - 2 * WRITTEN) : height * free;
  return Math.max(LEAST_PX, Math.min(mostPx, (width * free) / (right - left), high / (bottom - top)));
}

/** framed moves to where the piece lies in the picture, and gives its scale. */
function framed(ctx: CanvasRenderingContext2D, view: WholeView, draw: (px: number) => void) {
  const lens = view.lens ?? PLAIN_LENS;
  const [left, top, right, bottom] = view.drawn.picture.whole?.box ?? [0, 0, 1, 1];
  const px = fitWhole(view) * lens.zoom;
  ctx.save();
  ctx.translate(view.width / 2 + lens.dx - ((left + right) / 2) * px, view.height / 2 + lens.dy - ((top + bottom) / 2) * px);
  draw(px);
  ctx.restore();
}

/** drawWhole paints the whole piece, true to scale, where everything of it lies. */
export function drawWhole(ctx: CanvasRenderingContext2D, view: WholeView) {
  framed(ctx, view, (px) => paintWhole(ctx, view, px));
}

/** RowView is one row of the picture, with what it is painted from. */
interface RowView {
  row: WholeRow;
  strand: Strand;
  view: WholeView;
  materials: Map<string, Material>;
  outlines: Record<string, Outline>;
  flat: boolean | undefined;
  px: number;
}

function paintWhole(ctx: CanvasRenderingContext2D, view: WholeView, px: number) {
  const { analysis, doc, picture } = view.drawn;
  const { whole } = picture;
  if (!whole) return;
  if (whole.neck && !view.bare) drawNeck(ctx, whole.neck.widthMm, px);
  const materials = materialsOf(doc);
  const rows: RowView[] = whole.rows.map((row) => ({ row, strand: strandOf(analysis, row.strand), view, materials, outlines: analysis.drawing?.outlines ?? {}, flat: whole.flat, px }));
  for (const one of rows) {
    drawCord(ctx, one);
    drawFine(ctx, one);
    drawShadows(ctx, one);
  }
  for (const bar of whole.bars ?? []) drawBar(ctx, bar, materials.get(bar.material), px);
  for (const one of rows) drawParts(ctx, one);
  for (const one of rows) drawBeads(ctx, one);
  for (const one of rows) drawRiders(ctx, one);
  for (const one of rows) drawHolders(ctx, one);
  if (whole.middle && !view.bare) drawMiddle(ctx, whole.middle, px);
  if (view.letters) for (const { row, strand } of rows) strand.placed.forEach((b, i) => !isGap(b.key) && !isDrop(b.key) && along(ctx, { ...row.beads[i], angle: 0 }, px, () => drawLetter(ctx, b, px)));
}

/** drawMiddle marks the middle of an ornament's mass, quartered light and dark, at its side. */
function drawMiddle(ctx: CanvasRenderingContext2D, [x, y]: number[], px: number) {
  ctx.save();
  ctx.translate(x * px - MIDDLE_BESIDE, y * px);
  for (let quarter = 0; quarter < 4; quarter++) {
    ctx.fillStyle = quarter % 2 ? "#fffdf8" : "#3f1d38";
    ctx.beginPath();
    ctx.moveTo(0, 0);
    ctx.arc(0, 0, 6, (quarter * Math.PI) / 2, ((quarter + 1) * Math.PI) / 2);
    ctx.fill();
  }
  ctx.strokeStyle = "#3f1d38";
  ctx.lineWidth = 1.2;
  ctx.beginPath();
  ctx.arc(0, 0, 6, 0, 2 * Math.PI);
  ctx.moveTo(8, 0);
  ctx.lineTo(MIDDLE_BESIDE - 14, 0);
  ctx.stroke();
  ctx.restore();
}

/** MIDDLE_BESIDE is how far beside the cord the middle of the mass is marked, in px. */
const MIDDLE_BESIDE = 46;

/** drawRiders draws what slides over the beads, as it rests. */
function drawRiders(ctx: CanvasRenderingContext2D, { row, strand, materials, outlines, flat, px }: RowView) {
  row.riders?.forEach((seat, i) => {
    const rider = strand.riders?.placed[i];
    const m = materials.get(rider?.material ?? "");
    if (!m || !outlines[m.id]) return;
    along(ctx, seat, px, () => {
      if (flat && m.acrossMm) ctx.scale(1, acrossOf(m, true) / m.acrossMm);
      sprites.draw(ctx, m, outlines[m.id], px, rider!.turned);
    });
  });
}

/** drawHolders draws what holds beads beside gaps. */
function drawHolders(ctx: CanvasRenderingContext2D, { row, view, materials, px }: RowView) {
  const { cord, holder } = rowOf(view.drawn.doc, row.strand);
  const look = { way: holder?.way, of: materials.get(holder?.of ?? ""), colour: cloths[view.tone].cord, cordMm: materials.get(cord ?? "")?.diameterMm ?? 0.4 };
  for (const seat of row.holders ?? []) along(ctx, seat, px, () => drawHolder(ctx, look, 0, px));
}

/** behind says whether a bead lies round the back of the neck. */
const behind = ({ row, view }: RowView, i: number) => view.drawn.picture.whole?.neck !== undefined && row.beads[i].y < 0;

function drawShadows(ctx: CanvasRenderingContext2D, one: RowView) {
  const { row, strand, materials, outlines, flat, px } = one;
  ctx.fillStyle = SHADOW;
  strand.placed.forEach((b, i) => {
    // The shadow of a bead this small is not seen, nor that of one behind the neck.
    if (isGap(b.key) || b.acrossMm * px <= LEAST_SHADED || behind(one, i) || outlines[b.material]?.seats) return;
    const { x, y, angle } = row.beads[i];
    const below = flat ? 0 : hangsBelow(materials.get(b.material)) * px;
    castShadow(ctx, x * px - below * Math.sin(angle), y * px + below * Math.cos(angle), (b.alongMm / 2) * px, (acrossOf(materials.get(b.material), flat) / 2) * px, angle);
  });
}

function drawParts(ctx: CanvasRenderingContext2D, { row, strand, view, materials, outlines, px }: RowView) {
  const cordMm = materials.get(rowOf(view.drawn.doc, row.strand).cord ?? "")?.diameterMm ?? 0.4;
  const loopsFirst = [...row.parts].sort((a, b) => Number(strand[b.end][b.index].role === "bead-loop") - Number(strand[a.end][a.index].role === "bead-loop"));
  for (const seat of loopsFirst) {
    const part = strand[seat.end][seat.index];
    if (part.with) continue; // it exists once, and is drawn with the other half of the cord
    const out = seat.end === "left" ? -1 : 1;
    const half = (seat.lengthMm / 2) * px;
    const looks = { materials, outlines, cord: cloths[view.tone].cord, cordMm };
    if (part.role === "bead-loop") along(ctx, seat, px, () => drawBeadLoop(ctx, part, { from: -out * half, to: out * half, px }, looks));
    if (part.role === "cord-loop") along(ctx, seat, px, () => drawCordLoop(ctx, { from: -out * half, to: out * half, px }, part.girthMm ?? 0, looks.cord, cordMm));
    if (part.role === "foot-bead") along(ctx, seat, px, () => drawFootBead(ctx, part, { from: -half, to: half, px }, looks));
    if (part.role === "fold-bead") along(ctx, seat, px, () => drawFoldBead(ctx, part, { from: -out * half, to: out * (half + 0.01), px }, looks));
    if (part.role === "shared-bead") along(ctx, seat, px, () => drawShared(ctx, part, px, looks));
    if (part.role === "leg") along(ctx, { ...seat, angle: Math.PI / 2 - out * LEGS_APART }, px, () => drawLeg(ctx, part, { out: 1, px }, looks));
    if (part.role === "tail-bead") along(ctx, { ...seat, angle: Math.PI / 2 - out * LEGS_APART * (1 + 2 * seat.index) }, px, () => drawLeg(ctx, part, { out: 1, px }, looks));
    const stretch = { from: -out * half, to: out * half, px, link: seat.link };
    const link = materials.get(part.material ?? "");
    if (link && !seat.of && isBeadLink(part, outlines)) along(ctx, seat, px, () => drawBeadLink(ctx, link, outlines[link.id], stretch));
    else along(ctx, seat, px, () => drawFitting(ctx, part.role, materials.get(seat.of ?? part.material ?? ""), stretch));
    for (const id of seat.link ? [] : (part.hung ?? [])) {
      const [m, outline] = [materials.get(id), outlines[id]];
      if (m && outline) along(ctx, { ...seat, y: seat.y + hangsFrom(materials.get(part.material ?? "")), angle: 0 }, px, () => sprites.draw(ctx, m, outline, px, false));
    }
  }
}

function drawBeads(ctx: CanvasRenderingContext2D, one: RowView) {
  const { row, strand, materials, outlines, flat, px } = one;
  const laced = lacedIn(one.view.drawn.doc, strand);
  if (laced) return drawFlats(ctx, one, laced);
  const spins = spinsOf(strand.placed, outlines);
  for (const layer of [0, 1, 2]) {
    strand.placed.forEach((b, i) => {
      const m = materials.get(b.material) ?? inCord(b.key);
      const outline = outlines[b.material];
      if (!m || !outline || layerOf(m, outline) !== layer || isFine(b, px)) return;
      ctx.globalAlpha = behind(one, i) ? BEHIND : 1;
      along(ctx, hangs(m, outline) ? hanging(row.beads[i], flat) : row.beads[i], px, () => {
        if (flat && m.acrossMm) ctx.scale(1, acrossOf(m, true) / m.acrossMm);
        sprites.draw(ctx, m, carriedApart(m, outline)?.bead ?? outline, px, b.turned, spins[i]);
      });
      const carried = carriedApart(m, outline)?.hung;
      if (carried) along(ctx, hanging(row.beads[i], flat), px, () => sprites.draw(ctx, m, carried, px, b.turned && isLoop(b.key)));
    });
  }
  ctx.globalAlpha = 1;
}

/** drawFlats paints a laced row: from the front, or lying flat on its edge. */
function drawFlats(ctx: CanvasRenderingContext2D, one: RowView, laced: Laced) {
  const { row, strand, materials, flat, px, view } = one;
  for (const { element } of lacedOrder(strand.placed, laced)) {
    const { material, key } = strand.placed[element];
    const m = materials.get(material);
    if (!m) continue;
    ctx.globalAlpha = behind(one, element) ? BEHIND : 1;
    along(ctx, row.beads[element], px, () => (flat ? drawLacedOnEdge(ctx, m, key, laced, px) : drawLaced(ctx, m, key, laced, cloths[view.tone].cord, px)));
  }
  ctx.globalAlpha = 1;
}

/** hanging is how a thing hangs there: straight down, or in a ring that lies flat outwards. */
const hanging = (seat: Seat, flat: boolean | undefined): Seat => ({ ...seat, angle: flat ? seat.angle + Math.PI : 0 });

/** BEHIND is how much of a bead is seen that lies round the back of the neck. */
const BEHIND = 0.55;
const SKIN = "rgba(226, 198, 166, .5)";

/** drawNeck paints the neck and shoulders that a necklace hangs on, the neck's sides at y = 0. */
function drawNeck(ctx: CanvasRenderingContext2D, widthMm: number, px: number) {
  const half = (widthMm / 2) * px;
  const away = 40 * half;
  ctx.save();
  ctx.fillStyle = SKIN;
  ctx.beginPath();
  ctx.moveTo(-half * 0.96, -away);
  ctx.lineTo(-half * 0.96, -half * 0.5);
  ctx.bezierCurveTo(-half * 0.98, half * 0.35, -half * 1.5, half * 0.55, -half * 4.2, half * 1.1);
  ctx.lineTo(-away, half * 5);
  ctx.lineTo(-away, away);
  ctx.lineTo(away, away);
  ctx.lineTo(away, half * 5);
  ctx.lineTo(half * 4.2, half * 1.1);
  ctx.bezierCurveTo(half * 1.5, half * 0.55, half * 0.98, half * 0.35, half * 0.96, -half * 0.5);
  ctx.lineTo(half * 0.96, -away);
  ctx.closePath();
  ctx.fill();
  ctx.restore();
}

const isFine = (b: { acrossMm: number }, px: number) => b.acrossMm * px < FINE;

/** drawFine draws beads too small to be seen as beads: each run of one material a line of its colour. */
function drawFine(ctx: CanvasRenderingContext2D, { row, strand, materials, px }: RowView) {
  ctx.lineWidth = FINE;
  for (const run of strand.runs) {
    const bead = strand.placed[run.first];
    if (!bead || !isFine(bead, px)) continue;
    ctx.strokeStyle = materials.get(run.material)?.look?.colour ?? FINE_COLOUR;
    trace(ctx, row.gaps.slice(run.first, run.first + run.count + 1).map(({ x, y }) => [x, y]), px);
  }
}

/** acrossOf is how wide a bead is seen: lying on its side, by its thickness. */
function acrossOf(m: Material | undefined, flat: boolean | undefined): number {
  return (flat ? m?.thickMm : undefined) ?? m?.acrossMm ?? 0;
}

function along(ctx: CanvasRenderingContext2D, at: Seat, px: number, draw: () => void) {
  ctx.save();
  ctx.translate(at.x * px, at.y * px);
  ctx.rotate(at.angle);
  draw();
  ctx.restore();
}

function trace(ctx: CanvasRenderingContext2D, points: [number, number][], px: number) {
  ctx.beginPath();
  points.forEach(([x, y], i) => (i === 0 ? ctx.moveTo(x * px, y * px) : ctx.lineTo(x * px, y * px)));
  ctx.stroke();
}

function drawCord(ctx: CanvasRenderingContext2D, { row, view, materials, px }: RowView) {
  const { cord, passes = 1 } = rowOf(view.drawn.doc, row.strand);
  if (cord === undefined) return;
  const one = (materials.get(cord)?.diameterMm ?? 0.4) * px;
  ctx.strokeStyle = cloths[view.tone].cord;
  ctx.lineWidth = Math.max(0.8, one * passes);
  trace(ctx, row.cord as [number, number][], px);
  if (passes !== 2 || one < 1.5) return;
  ctx.strokeStyle = SHADOW; // between the two
  ctx.lineWidth = one * 0.2;
  trace(ctx, row.cord as [number, number][], px);
}

/** lifted is a point beside the cord, outwards from it. */
function lifted({ x, y, angle }: Seat, by: number): [number, number] {
  return [x + by * Math.sin(angle), y - by * Math.cos(angle)];
}

/** drawWholeSelection marks the caret in a row as a tick across the cord, a selection as a line beside it. */
export function drawWholeSelection(ctx: CanvasRenderingContext2D, view: WholeView, strand: string, { from, to }: { from: number; to: number }) {
  const { gaps = [] } = view.drawn.picture.whole?.rows.find((row) => row.strand === strand) ?? {};
  if (to >= gaps.length) return;
  const { placed } = strandOf(view.drawn.analysis, strand);
  const lift = 5 + Math.max(2, ...placed.slice(Math.max(0, from - 1), to + 1).map((b) => b.acrossMm / 2));
  framed(ctx, view, (px) => {
    ctx.strokeStyle = MARIGOLD;
    ctx.lineCap = "round";
    ctx.lineWidth = 3;
    trace(ctx, from === to ? [lifted(gaps[from], -lift), lifted(gaps[from], lift)] : gaps.slice(from, to + 1).map((gap) => lifted(gap, lift)), px);
  });
}

/** drawWholeLit marks the beads of a dish in every row. */
export function drawWholeLit(ctx: CanvasRenderingContext2D, view: WholeView, key: string) {
  framed(ctx, view, (px) => {
    ctx.strokeStyle = "#1f6f65";
    ctx.lineCap = "butt";
    ctx.lineWidth = 2.5;
    for (const { strand, gaps } of view.drawn.picture.whole?.rows ?? []) {
      strandOf(view.drawn.analysis, strand).placed.forEach((b, i) => {
        if (b.key !== key || i + 1 >= gaps.length) return;
        const lift = 2.5 + b.acrossMm / 2;
        trace(ctx, [lifted(gaps[i], lift), lifted(gaps[i + 1], lift)], px);
      });
    }
  });
}

/** gapNear finds the row, and the gap of it, that lie nearest to a place of the picture. */
export function gapNear(view: WholeView, x: number, y: number): { row: string; gap: number } {
  const lens = view.lens ?? PLAIN_LENS;
  const { whole } = view.drawn.picture;
  const [left, top, right, bottom] = whole?.box ?? [0, 0, 1, 1];
  const px = fitWhole(view) * lens.zoom;
  const mm = { x: (x - view.width / 2 - lens.dx) / px + (left + right) / 2, y: (y - view.height / 2 - lens.dy) / px + (top + bottom) / 2 };
  let best = { row: "", gap: 0, off: Infinity };
  for (const row of whole?.rows ?? []) {
    row.gaps.forEach((seat, gap) => {
      const off = Math.hypot(seat.x - mm.x, seat.y - mm.y);
      if (off < best.off) best = { row: row.strand, gap, off };
    });
  }
  return best;
}
