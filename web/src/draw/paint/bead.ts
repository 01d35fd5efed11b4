import type { Material, Outline } from "../../api/client.ts";
import { drawCharm } from "./charm.ts";
import { css, darker, lighter, type Rgb } from "./colour.ts";
import { finishes, surfaceColours, type Form, type Surface } from "./finish.ts";
import { silhouette, tracePath, type Silhouette } from "./silhouette.ts";

const FORMS: Record<string, Form> = {
  tube: "tube", spacer: "tube", disc: "tube", coin: "tube", button: "tube", cap: "tube",
  cube: "flat", letter: "flat", bicone: "cones", chip: "chipped", nugget: "chipped",
};

/** formOf says how light falls on the bead; a coin drilled through its edge shows its face. */
function formOf(m: Material): Form {
  const edgeDrilled = (m.thickMm ?? m.acrossMm ?? 0) < (m.acrossMm ?? 0);
  if (edgeDrilled && (m.shape === "coin" || m.shape === "disc" || m.shape === "button")) return "ball";
  return FORMS[m.shape ?? ""] ?? "ball";
}

/** hangsBelow is how far the middle of a bead hangs below its hole, in mm: its heavier side hangs down. */
export const hangsBelow = (m: Material | undefined) => (m?.holeOffMm && (m.holeTo ?? "top") === "top" ? m.holeOffMm : 0);

/** drawBead paints a bead round the origin, px to the mm, its hole along x. */
export function drawBead(ctx: CanvasRenderingContext2D, m: Material, outline: Outline, px: number, turned: boolean) {
  if (m.shape === "charm") {
    drawCharm(ctx, m, surfaceColours(m.look).colour, px);
    return;
  }
  ctx.translate(0, hangsBelow(m) * px);
  const shape = silhouette(outline, turned);
  const path = new Path2D();
  tracePath(path, shape, px);
  const { colour, second } = surfaceColours(m.look);
  ctx.save();
  ctx.clip(path);
  const surface: Surface = {
    ctx, colour, second, form: formOf(m), seed: m.id,
    left: shape.reach.left * px, right: shape.reach.right * px, up: shape.reach.up * px,
  };
  (finishes[m.look?.finish ?? "matte"] ?? finishes.matte)(surface);
  ornaments[m.shape ?? ""]?.(surface, m, shape, px, turned);
  ctx.restore();
  ctx.strokeStyle = css(darker(colour, 0.6), 0.55);
  ctx.lineWidth = Math.max(0.5, Math.min(1.1, px * 0.08));
  ctx.stroke(path);
}

type Ornament = (s: Surface, m: Material, shape: Silhouette, px: number, turned: boolean) => void;

function stroke(ctx: CanvasRenderingContext2D, c: Rgb, alpha: number, width: number, draw: () => void) {
  ctx.strokeStyle = css(c, alpha);
  ctx.lineWidth = width;
  ctx.beginPath();
  draw();
  ctx.stroke();
}

/** ornaments are what tells some shapes apart beyond their outline. */
const ornaments: Record<string, Ornament> = {
  cap: (s, _m, _shape, px, turned) => {
    const mouth = turned ? -s.left : s.right;
    const pole = turned ? s.right : -s.left;
    for (const y of [-0.55, -0.18, 0.18, 0.55]) {
      stroke(s.ctx, darker(s.colour, 0.7), 0.4, Math.max(0.6, px * 0.12), () => {
        s.ctx.moveTo(pole, y * s.up * 0.25);
        s.ctx.quadraticCurveTo((pole + mouth) / 2, y * s.up * 0.9, mouth, y * s.up);
      });
    }
    stroke(s.ctx, lighter(s.colour, 0.6), 0.8, Math.max(0.8, px * 0.3), () => {
      s.ctx.moveTo(mouth, -s.up);
      s.ctx.lineTo(mouth, s.up);
    });
  },
  letter: (s, m) => {
    s.ctx.fillStyle = css(s.second);
    s.ctx.font = `700 ${s.up * 1.35}px "Figtree Variable", sans-serif`;
    s.ctx.textAlign = "center";
    s.ctx.textBaseline = "middle";
    s.ctx.fillText(m.name.trim().slice(-1).toUpperCase(), (s.right - s.left) / 2, s.up * 0.06);
  },
  focal: (s) => {
    // A sail of the second colour, its mast along the bead's height.
    const { ctx } = s;
    ctx.fillStyle = css(s.second, 0.92);
    ctx.beginPath();
    ctx.moveTo(-s.left * 0.06, -s.up * 0.82);
    ctx.quadraticCurveTo(s.right * 0.72, -s.up * 0.1, s.right * 0.62, s.up * 0.42);
    ctx.lineTo(-s.left * 0.06, s.up * 0.5);
    ctx.closePath();
    ctx.fill();
    ctx.fillStyle = css(s.second, 0.62);
    ctx.beginPath();
    ctx.moveTo(-s.left * 0.18, -s.up * 0.6);
    ctx.quadraticCurveTo(-s.left * 0.6, 0, -s.left * 0.62, s.up * 0.42);
    ctx.lineTo(-s.left * 0.18, s.up * 0.5);
    ctx.closePath();
    ctx.fill();
  },
  "large-hole": (s, _m, _shape, px) => {
    for (const x of [-s.left, s.right]) {
      stroke(s.ctx, s.second, 0.95, Math.max(1, px * 0.9), () => {
        s.ctx.moveTo(x, -s.up);
        s.ctx.lineTo(x, s.up);
      });
    }
  },
  beaded: (s) => {
    const step = Math.max(2, s.up * 0.24);
    s.ctx.fillStyle = css(s.second, 0.85);
    for (let y = -s.up, row = 0; y <= s.up; y += step * 0.8, row++) {
      for (let x = -s.left + (row % 2) * step * 0.5; x <= s.right; x += step) {
        s.ctx.beginPath();
        s.ctx.arc(x, y, step * 0.26, 0, 2 * Math.PI);
        s.ctx.fill();
      }
    }
  },
  cube: (s) => {
    const inset = s.up * 0.14;
    stroke(s.ctx, lighter(s.colour, 0.6), 0.5, Math.max(0.6, s.up * 0.07), () => s.ctx.rect(-s.left + inset, -s.up + inset, s.left + s.right - 2 * inset, 2 * s.up - 2 * inset));
  },
};
