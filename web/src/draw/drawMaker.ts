import type { Material, Outline, SeatDrawn } from "../api/client.ts";
import { cloths } from "./cloth.ts";
import { boxOf, drawComponent, type View } from "./paint/component.ts";

export interface MakerView {
  material: Material;
  outline: Outline;
  hangs: boolean;
  dropMm: number;
  width: number;
  height: number;
  view: View;
  /** px to the mm at true size on this screen. */
  truePx: number;
  tell: (mm: number) => string;
}

const MARGIN = 46;
const MOST_PX = 16;
const NEIGHBOUR = 8;
const LABEL = 17;
const DROP_LABEL = 128;
const SANS = '"Figtree Variable", sans-serif';

/** drawMaker paints the component on its cord between two beads, its parts named on the left, its drop on the right. */
export function drawMaker(ctx: CanvasRenderingContext2D, v: MakerView) {
  const box = boxOf(v.outline);
  const top = Math.min(box.top, -NEIGHBOUR / 2);
  const px = Math.min(MOST_PX, (v.height - 2 * MARGIN) / (box.bottom - top), (v.width * (v.material.component?.kind === "turn" ? 0.8 : 0.42)) / Math.max(box.right - box.left, 1));
  const row = v.material.component?.kind === "turn";
  const [x, y] = [v.width / 2 - (row ? ((box.left + box.right) / 2) * px : 0), MARGIN - top * px];
  drawCord(ctx, v, x, y, px, !row);
  ctx.save();
  ctx.translate(x, y);
  drawComponent(ctx, v.material, v.outline, { px, view: v.view });
  ctx.restore();
  if (!row) nameParts(ctx, v, x, y, px);
  const beside = (NEIGHBOUR + v.outline.right[0][1]) * px;
  measureDrop(ctx, v, Math.max(x + box.right * px + 16, Math.min(x + Math.max(box.right * px, beside) + 16, v.width - DROP_LABEL)), y, px);
  drawTrueSize(ctx, v, box);
}

/** drawCord paints the cord it goes on, and a bead at either side. */
function drawCord(ctx: CanvasRenderingContext2D, v: MakerView, x: number, y: number, px: number, between: boolean) {
  ctx.strokeStyle = cloths.light.cord;
  ctx.lineWidth = 3;
  ctx.beginPath();
  ctx.moveTo(0, y);
  ctx.lineTo(v.width, y);
  ctx.stroke();
  if (!between) return;
  const beside = v.outline.right[0][1];
  for (const side of [-1, 1]) {
    const at = x + side * (NEIGHBOUR / 2 + beside) * px;
    const r = (NEIGHBOUR / 2) * px;
    const light = ctx.createRadialGradient(at - r * 0.35, y - r * 0.35, r * 0.1, at, y, r);
    light.addColorStop(0, "rgba(160,190,184,.55)");
    light.addColorStop(1, "rgba(92,128,122,.55)");
    ctx.fillStyle = light;
    ctx.beginPath();
    ctx.arc(at, y, r, 0, 2 * Math.PI);
    ctx.fill();
  }
}

/** labelOf names a part, once for each stretch of alike ones. */
function labelOf(seat: SeatDrawn, m: Material, tell: (mm: number) => string): string {
  switch (seat.role) {
    case "ring":
    case "loop":
      return `${seat.role} ${tell(seat.longMm)}`;
    case "head":
      return "head of the pin";
    case "coil":
      return `coil ${tell(seat.longMm)}`;
    case "tassel":
      return `tassel ${tell(seat.longMm)}`;
    default:
      return m.name;
  }
}

function nameParts(ctx: CanvasRenderingContext2D, v: MakerView, x: number, y: number, px: number) {
  ctx.font = `13px ${SANS}`;
  ctx.textAlign = "left";
  let last = "";
  let below = y - 8 + 1.4 * LABEL; // clear of the cord's line
  ctx.fillStyle = cloths.light.text;
  ctx.fillText("the cord", 18, y - 8);
  for (const seat of [...(v.outline.seats ?? [])].filter((s) => s.role !== "stem").sort((a, b) => a.y - b.y)) {
    const m = v.outline.looks?.[seat.of]?.material ?? v.material;
    const text = labelOf(seat, m, v.tell);
    if (text === last) continue;
    last = text;
    const at = Math.max(y + seat.y * px + 4, below);
    if (at > v.height - 8) break;
    below = at + LABEL;
    ctx.fillStyle = cloths.light.text;
    ctx.fillText(clipped(ctx, text, x * 0.56 - 24), 18, at);
  }
}

/** clipped shortens a text to fit. */
function clipped(ctx: CanvasRenderingContext2D, text: string, width: number): string {
  if (ctx.measureText(text).width <= width) return text;
  let short = text;
  while (short.length > 1 && ctx.measureText(`${short}…`).width > width) short = short.slice(0, -1);
  return `${short.trimEnd()}…`;
}

function measureDrop(ctx: CanvasRenderingContext2D, v: MakerView, x: number, y: number, px: number) {
  if (v.dropMm <= 0) return;
  const to = y + v.dropMm * px;
  ctx.strokeStyle = ctx.fillStyle = cloths.light.text;
  ctx.lineWidth = 1;
  ctx.beginPath();
  ctx.moveTo(x, y);
  ctx.lineTo(x, to);
  for (const end of [y, to]) {
    ctx.moveTo(x - 5, end);
    ctx.lineTo(x + 5, end);
  }
  ctx.stroke();
  ctx.font = `600 14px ${SANS}`;
  const word = `${v.hangs ? "drop" : v.material.component?.kind === "carrier" ? "reaches down" : "stands off"}`;
  // Beside the line, or in a narrow picture as far left as it must be to be read whole.
  ctx.textAlign = "left";
  [word, v.tell(v.dropMm)].forEach((text, i) => ctx.fillText(text, Math.min(x + 10, v.width - ctx.measureText(text).width - 8), (y + to) / 2 - 4 + LABEL * i));
}

function drawTrueSize(ctx: CanvasRenderingContext2D, v: MakerView, box: ReturnType<typeof boxOf>) {
  const [wide, high] = [(box.right - box.left) * v.truePx, (box.bottom - box.top) * v.truePx];
  if (wide > v.width * 0.2 || high > v.height * 0.5) return;
  ctx.save();
  ctx.translate(v.width - Math.max(wide, 60) / 2 - 24 - (box.left + box.right) / 2 * v.truePx, v.height - 16 - box.bottom * v.truePx);
  drawComponent(ctx, v.material, v.outline, { px: v.truePx, view: v.view });
  ctx.restore();
  ctx.font = `12px ${SANS}`;
  ctx.textAlign = "center";
  ctx.fillStyle = cloths.light.text;
  ctx.fillText("true size", v.width - Math.max(wide, 60) / 2 - 24, v.height - 24 - high);
}
