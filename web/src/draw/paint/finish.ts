import { css, darker, lighter, mix, parseColour, scatter, WHITE, type Rgb } from "./colour.ts";

/** Form is how light falls on a bead: round like a ball, along a tube, on flat faces, or on two cones. */
export type Form = "ball" | "tube" | "flat" | "cones" | "chipped";

/** Surface is all a finish needs: where the bead is, in px, and what it looks like. */
export interface Surface {
  ctx: CanvasRenderingContext2D;
  left: number;
  right: number;
  up: number;
  form: Form;
  colour: Rgb;
  second: Rgb;
  seed: string;
}

type Finish = (s: Surface) => void;

const middle = (s: Surface) => (s.right - s.left) / 2;
const spread = (s: Surface) => Math.max((s.left + s.right) / 2, s.up);

/** body fills the bead from its lit side to its shaded side. */
function body(s: Surface, light: Rgb, base: Rgb, shade: Rgb) {
  const { ctx } = s;
  let g: CanvasGradient;
  if (s.form === "ball" || s.form === "chipped") {
    const r = spread(s);
    g = ctx.createRadialGradient(middle(s) - r * 0.3, -s.up * 0.4, r * 0.05, middle(s), 0, r * 1.12);
    g.addColorStop(0, css(light));
    g.addColorStop(0.5, css(base));
    g.addColorStop(1, css(shade));
  } else {
    g = ctx.createLinearGradient(0, -s.up, 0, s.up);
    g.addColorStop(0, css(mix(base, shade, 0.35)));
    g.addColorStop(0.28, css(light));
    g.addColorStop(0.55, css(base));
    g.addColorStop(1, css(shade));
  }
  ctx.fillStyle = g;
  ctx.fillRect(-s.left - 1, -s.up - 1, s.left + s.right + 2, 2 * s.up + 2);
}

/** facets lays lit and shaded planes over a bicone or a chip. */
function facets(s: Surface, strength: number) {
  const { ctx } = s;
  const m = middle(s);
  const plane = (points: [number, number][], c: Rgb, alpha: number) => {
    ctx.beginPath();
    points.forEach(([x, y], i) => (i ? ctx.lineTo(x, y) : ctx.moveTo(x, y)));
    ctx.closePath();
    ctx.fillStyle = css(c, alpha);
    ctx.fill();
  };
  if (s.form === "cones") {
    plane([[m, -s.up], [-s.left, 0], [m, 0]], WHITE, 0.3 * strength);
    plane([[m, -s.up], [s.right, 0], [m, 0]], WHITE, 0.1 * strength);
    plane([[m, s.up], [s.right, 0], [m, 0]], darker(s.colour, 0.8), 0.35 * strength);
  }
  if (s.form === "chipped") {
    const chance = scatter(s.seed);
    const cx = m + (chance() - 0.5) * s.right * 0.4;
    const cy = (chance() - 0.6) * s.up * 0.4;
    for (let i = 0; i < 7; i++) {
      const a = (i / 7) * 2 * Math.PI + chance() * 0.5;
      const b = a + 0.9;
      const far = 1.6 * spread(s);
      plane([[cx, cy], [m + Math.cos(a) * far, Math.sin(a) * far], [m + Math.cos(b) * far, Math.sin(b) * far]], Math.sin(a + 0.45) < 0 ? WHITE : darker(s.colour, 0.7), (0.06 + 0.16 * chance()) * strength);
    }
  }
}

/** glint is the window's light on a polished surface. */
function glint(s: Surface, alpha: number, size = 0.3) {
  const { ctx } = s;
  const r = Math.min(spread(s), s.up);
  ctx.save();
  ctx.translate(middle(s) - (s.form === "ball" ? r * 0.34 : 0), -s.up * 0.48);
  if (s.form === "ball" || s.form === "chipped") ctx.rotate(-0.6);
  ctx.scale(s.form === "tube" || s.form === "flat" ? Math.max(0.4, (s.left + s.right) * 0.36) : r * size, r * size * 0.55);
  const g = ctx.createRadialGradient(0, 0, 0, 0, 0, 1);
  g.addColorStop(0, `rgba(255,255,255,${alpha})`);
  g.addColorStop(0.45, `rgba(255,255,255,${alpha * 0.6})`);
  g.addColorStop(1, "rgba(255,255,255,0)");
  ctx.fillStyle = g;
  ctx.beginPath();
  ctx.arc(0, 0, 1, 0, 2 * Math.PI);
  ctx.fill();
  ctx.restore();
}

/** glow is light that has passed through and gathers on the far side. */
function glow(s: Surface, c: Rgb, alpha: number) {
  const { ctx } = s;
  const r = spread(s);
  const g = ctx.createRadialGradient(middle(s) + r * 0.3, s.up * 0.5, 0, middle(s) + r * 0.25, s.up * 0.45, r * 0.75);
  g.addColorStop(0, css(c, alpha));
  g.addColorStop(1, css(c, 0));
  ctx.fillStyle = g;
  ctx.fillRect(-s.left - 1, -s.up - 1, s.left + s.right + 2, 2 * s.up + 2);
}

/** grain draws wavering lines along the hole. */
function grain(s: Surface, c: Rgb, lines: number) {
  const { ctx } = s;
  const chance = scatter(s.seed);
  ctx.lineWidth = Math.max(0.5, s.up * 0.06);
  for (let i = 0; i < lines; i++) {
    const y = -s.up + ((i + 0.3 + chance() * 0.5) / lines) * 2 * s.up;
    ctx.strokeStyle = css(c, 0.14 + chance() * 0.24);
    ctx.beginPath();
    ctx.moveTo(-s.left, y);
    ctx.bezierCurveTo(-s.left / 3, y + (chance() - 0.5) * s.up * 0.4, s.right / 3, y + (chance() - 0.5) * s.up * 0.4, s.right, y);
    ctx.stroke();
  }
}

/** veins runs a few cracks of the second colour across a stone. */
function veins(s: Surface) {
  const { ctx } = s;
  const chance = scatter(s.seed);
  for (let i = 0; i < 4; i++) {
    const a = chance() * 2 * Math.PI;
    const r = spread(s) * 1.1;
    const bend = () => (chance() - 0.5) * r;
    ctx.strokeStyle = css(s.second, 0.2 + chance() * 0.4);
    ctx.lineWidth = Math.max(0.5, s.up * (0.04 + chance() * 0.12));
    ctx.beginPath();
    ctx.moveTo(middle(s) + Math.cos(a) * r, Math.sin(a) * r);
    ctx.bezierCurveTo(bend(), bend(), bend(), bend(), middle(s) - Math.cos(a + 0.6) * r, -Math.sin(a + 0.6) * r);
    ctx.stroke();
  }
  for (let i = 0; i < 14; i++) {
    ctx.fillStyle = css(chance() > 0.5 ? s.second : darker(s.colour, 0.5), 0.25);
    ctx.beginPath();
    ctx.arc(middle(s) + (chance() - 0.5) * 2 * spread(s), (chance() - 0.5) * 2 * s.up, s.up * (0.03 + chance() * 0.05), 0, 2 * Math.PI);
    ctx.fill();
  }
}

/** cuts lays rows of small flat planes over a bead, as a cut stone has. */
function cuts(s: Surface) {
  const { ctx } = s;
  const chance = scatter(s.seed);
  const rows = 4;
  const wide = (s.left + s.right) / rows;
  const tall = (2 * s.up) / rows;
  for (let row = -1; row <= rows; row++) {
    for (let col = -1; col <= rows; col++) {
      const x = -s.left + (col + (row % 2 ? 0.5 : 0)) * wide;
      const y = -s.up + row * tall;
      ctx.beginPath();
      ctx.moveTo(x + wide / 2, y);
      ctx.lineTo(x + wide, y + tall / 2);
      ctx.lineTo(x + wide / 2, y + tall);
      ctx.lineTo(x, y + tall / 2);
      ctx.closePath();
      const lit = 0.5 - (y + tall / 2) / (2 * s.up) + (chance() - 0.5) * 0.9;
      ctx.fillStyle = lit > 0.5 ? css(WHITE, 0.1 + 0.22 * chance()) : css(darker(s.colour, 0.7), 0.08 + 0.24 * chance());
      ctx.fill();
    }
  }
}

/** lining shows the coloured hole through a clear bead. */
function lining(s: Surface) {
  const { ctx } = s;
  const g = ctx.createLinearGradient(0, -s.up * 0.45, 0, s.up * 0.45);
  g.addColorStop(0, css(s.second, 0));
  g.addColorStop(0.35, css(s.second, 0.95));
  g.addColorStop(0.65, css(darker(s.second, 0.2), 0.95));
  g.addColorStop(1, css(s.second, 0));
  ctx.fillStyle = g;
  ctx.fillRect(-s.left, -s.up * 0.45, s.left + s.right, s.up * 0.9);
}

/** pores pits a bead as lava is pitted. */
function pores(s: Surface) {
  const { ctx } = s;
  const chance = scatter(s.seed);
  for (let i = 0; i < 34; i++) {
    const x = middle(s) + (chance() - 0.5) * 2 * spread(s);
    const y = (chance() - 0.5) * 2 * s.up;
    const r = s.up * (0.04 + chance() * 0.1);
    ctx.fillStyle = css(darker(s.colour, 0.75), 0.7);
    ctx.beginPath();
    ctx.ellipse(x, y, r, r * 0.8, chance() * 3, 0, 2 * Math.PI);
    ctx.fill();
    ctx.strokeStyle = css(lighter(s.colour, 0.4), 0.35);
    ctx.lineWidth = r * 0.35;
    ctx.stroke();
  }
}

/** stripes bands a bead round its hole with the second colour, with dots between. */
function stripes(s: Surface) {
  const { ctx } = s;
  const long = s.left + s.right;
  for (const at of [0.18, 0.82]) {
    ctx.fillStyle = css(s.second, 0.9);
    ctx.fillRect(-s.left + long * at - long * 0.05, -s.up, long * 0.1, 2 * s.up);
  }
  for (let i = -2; i <= 2; i++) {
    ctx.beginPath();
    ctx.arc(middle(s), i * s.up * 0.44, Math.min(s.up * 0.14, long * 0.13), 0, 2 * Math.PI);
    ctx.fill();
  }
}

/** finishes draws each finish inside the bead's clipped outline. */
export const finishes: Record<string, Finish> = {
  glass: (s) => {
    body(s, lighter(s.colour, 0.22), s.colour, darker(s.colour, 0.5));
    facets(s, 1);
    glow(s, lighter(s.colour, 0.55), 0.55);
    glint(s, 0.95, 0.34);
  },
  pearl: (s) => {
    const blush: Rgb = [226, 196, 190];
    body(s, lighter(s.colour, 0.85), s.colour, mix(darker(s.colour, 0.42), [120, 104, 110], 0.35));
    glow(s, lighter(mix(s.colour, blush, 0.35), 0.25), 0.75);
    glint(s, 0.8, 0.42);
  },
  metal: (s) => {
    const { ctx } = s;
    body(s, lighter(s.colour, 0.35), s.colour, darker(s.colour, 0.55));
    const g = ctx.createLinearGradient(0, -s.up, 0, s.up);
    const bands: [number, Rgb, number][] = [[0, darker(s.colour, 0.4), 0.55], [0.2, WHITE, 0.55], [0.34, s.colour, 0.1], [0.56, darker(s.colour, 0.6), 0.5], [0.74, lighter(s.colour, 0.3), 0.35], [1, darker(s.colour, 0.65), 0.65]];
    for (const [at, c, alpha] of bands) g.addColorStop(at, css(c, alpha));
    ctx.fillStyle = g;
    ctx.fillRect(-s.left - 1, -s.up - 1, s.left + s.right + 2, 2 * s.up + 2);
    glint(s, 0.6, 0.26);
  },
  matte: (s) => {
    body(s, lighter(s.colour, 0.2), s.colour, darker(s.colour, 0.34));
    facets(s, 0.4);
  },
  wood: (s) => {
    body(s, lighter(s.colour, 0.2), s.colour, darker(s.colour, 0.4));
    grain(s, darker(s.colour, 0.55), 9);
    glint(s, 0.16, 0.5);
  },
  stone: (s) => {
    body(s, lighter(s.colour, 0.2), s.colour, darker(s.colour, 0.45));
    veins(s);
    facets(s, 0.6);
    glint(s, 0.5, 0.24);
  },
  faceted: (s) => {
    body(s, lighter(s.colour, 0.3), s.colour, darker(s.colour, 0.5));
    cuts(s);
    glint(s, 0.7, 0.2);
  },
  lined: (s) => {
    body(s, lighter(s.colour, 0.45), lighter(s.colour, 0.12), darker(s.colour, 0.35));
    lining(s);
    glint(s, 0.9, 0.3);
  },
  lava: (s) => {
    body(s, lighter(s.colour, 0.14), s.colour, darker(s.colour, 0.5));
    pores(s);
  },
  translucent: (s) => {
    body(s, lighter(s.colour, 0.5), lighter(s.colour, 0.2), darker(s.colour, 0.18));
    glow(s, lighter(s.colour, 0.8), 0.85);
    glint(s, 0.55, 0.46);
  },
  pattern: (s) => {
    body(s, lighter(s.colour, 0.2), s.colour, darker(s.colour, 0.4));
    stripes(s);
    glint(s, 0.6, 0.3);
  },
};

/** surfaceColours reads a look. */
export function surfaceColours(look: { colour?: string; second?: string } | undefined): { colour: Rgb; second: Rgb } {
  const colour = parseColour(look?.colour);
  return { colour, second: look?.second ? parseColour(look.second) : lighter(colour, 0.45) };
}
