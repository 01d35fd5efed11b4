import type { Material } from "../../api/client.ts";
import { css, darker, lighter, parseColour, type Rgb } from "./colour.ts";

const METALS: Record<string, string> = { brass: "#b8923a", copper: "#b4673e", silver: "#b9bcc2", steel: "#8d9096", gold: "#c9a24a" };

/** metalOf picks the colour of a finding's metal. */
export function metalOf(m: Material | undefined): Rgb {
  const word = (m?.metal ?? "").toLowerCase();
  const known = Object.keys(METALS).find((name) => word.includes(name));
  return parseColour(known ? METALS[known] : "#a9a6a2");
}

/** Stretch is where a part lies along the cord, in px; it points outwards by sign. */
export interface Stretch {
  from: number;
  to: number;
  px: number;
}

/** wireStroke draws a line as round wire. */
export function wireStroke(ctx: CanvasRenderingContext2D, c: Rgb, width: number, draw: () => void) {
  for (const [colour, w] of [[darker(c, 0.55), width], [c, width * 0.72], [lighter(c, 0.6), width * 0.25]] as [Rgb, number][]) {
    ctx.strokeStyle = css(colour);
    ctx.lineWidth = w;
    ctx.beginPath();
    draw();
    ctx.stroke();
  }
}
