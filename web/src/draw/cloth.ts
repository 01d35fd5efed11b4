export type Tone = "light" | "middle" | "dark";

interface Cloth {
  felt: string;
  weave: string;
  band: string;
  text: string;
  cord: string;
  target: string;
}

/** cloths are the felt tones; beads should stand out from one of them. */
export const cloths: Record<Tone, Cloth> = {
  light: { felt: "#dad4c5", weave: "rgba(94,78,60,.10)", band: "rgba(94,78,60,.09)", text: "#4d4339", cord: "#6d675f", target: "#1f6259" },
  middle: { felt: "#a79f90", weave: "rgba(40,30,24,.13)", band: "rgba(40,30,24,.10)", text: "#221a16", cord: "#3d3833", target: "#0f3d37" },
  dark: { felt: "#3a3439", weave: "rgba(255,246,232,.06)", band: "rgba(0,0,0,.20)", text: "#e9dfd2", cord: "#b9b2a8", target: "#8fd3c6" },
};

/** layCloth paints the felt with its weave. */
export function layCloth(ctx: CanvasRenderingContext2D, tone: Tone, width: number, height: number) {
  const cloth = cloths[tone];
  ctx.fillStyle = cloth.felt;
  ctx.fillRect(0, 0, width, height);
  ctx.fillStyle = weave(ctx, cloth.weave);
  ctx.fillRect(0, 0, width, height);
}

const weaves = new Map<string, CanvasPattern>();

function weave(ctx: CanvasRenderingContext2D, colour: string): CanvasPattern {
  const known = weaves.get(colour);
  if (known) return known;
  const tile = document.createElement("canvas");
  tile.width = tile.height = 6;
  const paint = tile.getContext("2d")!;
  paint.fillStyle = colour;
  paint.fillRect(0, 0, 1.4, 1.4);
  paint.fillRect(3, 3, 1.4, 1.4);
  const pattern = ctx.createPattern(tile, "repeat")!;
  weaves.set(colour, pattern);
  return pattern;
}

/** castShadow lays the soft shadow of a bead on the felt. */
export function castShadow(ctx: CanvasRenderingContext2D, x: number, y: number, half: number, up: number, angle = 0) {
  ctx.beginPath();
  ctx.ellipse(x + up * 0.1, y + up * 0.24, half, up * 0.98, angle, 0, 2 * Math.PI);
  ctx.fill();
}

export const SHADOW = "rgba(40,24,20,.20)";
export const MARIGOLD = "#c97a10";
