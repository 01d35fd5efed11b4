import { useCallback } from "react";
import type { Material, Outline } from "../api/client.ts";
import { chainLinks, drawFitting } from "../draw/paint/fitting.ts";
import { metalOf, wireStroke } from "../draw/paint/metal.ts";
import { parseColour, scatter } from "../draw/paint/colour.ts";
import { boxOf } from "../draw/paint/component.ts";
import { sprites } from "../draw/paint/sprites.ts";
import { PX_PER_MM } from "../draw/strandGeometry.ts";
import { keptTruePx } from "../pictures/trueSize.ts";
import { useCanvas } from "../pictures/useCanvas.ts";

/** MOST is how many things of a heap are drawn; more would lie behind them. */
const MOST = 160;

interface Props {
  material: Material | undefined;
  outline: Outline | undefined;
  count: number;
  /** How long the cuts of a cord are, in mm. */
  cordMm?: number;
  width: number;
  height: number;
}

/** Heap pours out this many of a thing, as large as they are. */
export function Heap({ material, outline, count, cordMm, width, height }: Props) {
  const draw = useCallback(
    (ctx: CanvasRenderingContext2D) => {
      if (!material) return;
      const px = keptTruePx() ?? PX_PER_MM;
      if (material.type === "chain") drawChain(ctx, material, cordMm ?? 60, width, height, px);
      else if (material.class === "cord") drawCoil(ctx, material, cordMm ?? 100, width, height, px);
      else pour(ctx, material, outline, count, width, height, px);
    },
    [material, outline, count, cordMm, width, height],
  );
  const { ref } = useCanvas(draw);
  return <canvas ref={ref} className="heap" style={{ width, height }} aria-hidden />;
}

/** pour lays things round the middle, the outermost first, so that the heap rises inwards. */
function pour(ctx: CanvasRenderingContext2D, m: Material, outline: Outline | undefined, count: number, width: number, height: number, truePx: number) {
  const { long, wide } = spanOf(m, outline);
  const shown = Math.min(count, MOST);
  const each = Math.sqrt(Math.max(long * wide, 0.6)) * 0.86;
  // A heap larger than its place is drawn smaller.
  const px = Math.min(truePx, (Math.min(width, height) - 8) / (2 * each * Math.sqrt(shown) * 0.56 + Math.max(long, wide)));
  const random = scatter(m.id);
  for (let i = shown - 1; i >= 0; i--) {
    const r = each * Math.sqrt(i) * 0.56 * px;
    const at = i * 2.39996 + random() * 0.4;
    ctx.save();
    ctx.translate(width / 2 + r * Math.cos(at), height / 2 + r * Math.sin(at));
    if (!outline?.seats && m.shape !== "charm" && m.type !== "extender") ctx.rotate(random() * 2 * Math.PI);
    if (outline) {
      const box = outline.seats ? boxOf(outline) : null;
      if (box) ctx.translate(0, (-(box.top + box.bottom) / 2) * px);
      else if (m.shape === "charm") ctx.translate(0, (-(m.dropMm ?? 0) / 2) * px);
      sprites.draw(ctx, m, outline, px, false);
    } else {
      const half = (long / 2) * px;
      if (isPin(m)) {
        wireStroke(ctx, metalOf(m), Math.max(1, (m.wireMm ?? 0.5) * px), () => {
          ctx.moveTo(-half, 0);
          ctx.lineTo(half, 0);
          if (m.insideMm) ctx.arc(half + (m.insideMm / 2) * px, 0, (m.insideMm / 2) * px, Math.PI, 3 * Math.PI);
        });
        ctx.restore();
        continue;
      }
      if (m.type === "extender") ctx.translate(half - (chainLinks(m) * (m.insideMm ?? 3) * px) / 2, 0); // its links hang on beyond its length
      drawFitting(ctx, roleOf(m), m, { from: -half, to: half, px });
    }
    ctx.restore();
  }
}

function spanOf(m: Material, outline: Outline | undefined): { long: number; wide: number } {
  if (outline?.seats) {
    const box = boxOf(outline);
    return { long: box.right - box.left, wide: box.bottom - box.top };
  }
  if (m.shape === "charm") return { long: m.dropMm ?? 10, wide: m.acrossMm ?? 6 };
  if (outline) return { long: m.alongMm ?? m.acrossMm ?? 4, wide: m.acrossMm ?? 4 };
  const ring = (m.insideMm ?? 2) + 2 * (m.wireMm ?? 0);
  const long = m.type === "jump-ring" || m.type === "split-ring" ? ring : (m.lengthMm ?? m.closedMm ?? m.outsideMm ?? ring);
  return { long, wide: Math.min(long, m.outsideMm ?? ring) };
}

const ROLES: Record<string, string> = {
  "crimp-tube": "crimp", "crimp-bead": "crimp", "crimp-cover": "cover", "wire-guard": "guard", "cord-end": "cord-end", "cone-end": "cone-end", "fold-over": "fold-over",
  "jump-ring": "ring", "split-ring": "ring", extender: "extender", chain: "chain", connector: "connector", "focal-bar": "bar", toggle: "toggle-ring",
};
const isPin = (m: Material) => m.type === "head-pin" || m.type === "eye-pin";
const roleOf = (m: Material) => ROLES[m.type ?? ""] ?? "clasp";

/** drawChain lays a length of chain to and fro. */
function drawChain(ctx: CanvasRenderingContext2D, m: Material, mm: number, width: number, height: number, px: number) {
  const long = width - 24;
  const rows = Math.max(1, Math.min(6, Math.ceil((mm * px) / long)));
  const apart = Math.min(15, (height - 20) / rows);
  for (let i = 0; i < rows; i++) {
    const part = i === rows - 1 ? Math.min(long, mm * px - i * long) : long;
    ctx.save();
    ctx.translate(12, height / 2 + (i - (rows - 1) / 2) * apart);
    drawFitting(ctx, "chain", m, { from: 0, to: Math.max(part, 12), px, links: Math.max(2, Math.round(Math.max(part, 12) / px / (m.insideMm ?? 3))) });
    ctx.restore();
  }
}

/** drawCoil winds a cord up as often as its place allows. */
function drawCoil(ctx: CanvasRenderingContext2D, m: Material, mm: number, width: number, height: number, px: number) {
  const most = Math.min(width, height) / 2 - 6;
  const turns = Math.max(1, Math.min(9, Math.round((mm * px) / (2 * Math.PI * most * 0.8))));
  const colour = m.look?.colour ? parseColour(m.look.colour) : metalOf(m);
  const random = scatter(m.id);
  for (let i = 0; i < turns; i++) {
    const r = most * (0.74 + 0.22 * random());
    wireStroke(ctx, colour, Math.max(1, (m.diameterMm ?? 0.5) * px), () => ctx.ellipse(width / 2 + 3 * (random() - 0.5), height / 2 + 3 * (random() - 0.5), r, r * 0.94, random(), 0, 2 * Math.PI));
  }
}
