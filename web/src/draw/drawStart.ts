import type { Analysis } from "../api/client.ts";

type StartBy = Analysis["strands"][number]["start"]["by"];
const CORD = "#3c3a37";

type Draw = (ctx: CanvasRenderingContext2D, x: number, y: number) => void;

/** NAMES says what the starting end is held with. */
export const NAMES: Record<StartBy, string> = {
  stopper: "a bead stopper",
  tape: "a fold of tape",
  clip: "a clip",
  "slip-knot": "a slip knot",
  "tied-bead": "a bead tied in",
  "spare-crimp": "a spare crimp",
  crimped: "its own crimp",
  spool: "the spool itself",
  fold: "the fold of the cord",
  foot: "its foot, made first",
  none: "nothing: it is chain",
};

/** drawStart draws what holds the starting end at a place of the cord. */
export const drawStart: Record<StartBy, Draw> = {
  stopper: drawStopper,
  tape: drawTape,
  clip: drawClip,
  "slip-knot": drawSlipKnot,
  "tied-bead": drawTiedBead,
  "spare-crimp": drawFlatCrimp,
  crimped: drawMadeEnd,
  spool: drawSpool,
  fold: drawFoldOfCord,
  foot: drawMadeEnd,
  none: () => undefined,
};

/** drawStopper draws a sprung coil that grips the cord. */
function drawStopper(ctx: CanvasRenderingContext2D, x: number, y: number) {
  ctx.strokeStyle = "#8d9096";
  ctx.lineWidth = 2.4;
  for (let i = 0; i < 6; i++) {
    ctx.beginPath();
    ctx.ellipse(x - 12 + i * 4.5, y, 3, 10, 0.25, 0, 2 * Math.PI);
    ctx.stroke();
  }
  for (const [dx, dy] of [[-17, -12], [16, -12]]) {
    ctx.beginPath();
    ctx.arc(x + dx, y + dy, 5, 0, 2 * Math.PI);
    ctx.stroke();
  }
}

function drawTape(ctx: CanvasRenderingContext2D, x: number, y: number) {
  ctx.fillStyle = "rgba(240, 226, 190, .95)";
  ctx.strokeStyle = "#b79f6b";
  ctx.lineWidth = 1;
  ctx.fillRect(x - 22, y - 13, 32, 26);
  ctx.strokeRect(x - 22, y - 13, 32, 26);
}

/** drawSpool draws the spool from its side, the wire coming off it. */
function drawSpool(ctx: CanvasRenderingContext2D, x: number, y: number) {
  ctx.fillStyle = "#c9b28d";
  ctx.strokeStyle = "#7d6a4a";
  ctx.lineWidth = 1.2;
  for (const [r, fill] of [[30, "#d9c6a4"], [21, "#9a9791"], [9, "#d9c6a4"]] as const) {
    ctx.fillStyle = fill;
    ctx.beginPath();
    ctx.arc(x, y, r, 0, 2 * Math.PI);
    ctx.fill();
    ctx.stroke();
  }
}

/** drawFoldOfCord draws the cord folded round a ring, both halves running on together. */
function drawFoldOfCord(ctx: CanvasRenderingContext2D, x: number, y: number) {
  ctx.strokeStyle = "#b9a06a";
  ctx.lineWidth = 3;
  ctx.beginPath();
  ctx.arc(x - 34, y, 11, 0, 2 * Math.PI);
  ctx.stroke();
  ctx.strokeStyle = CORD;
  ctx.lineWidth = 1.7;
  ctx.beginPath();
  ctx.moveTo(x + 10, y - 3);
  ctx.bezierCurveTo(x - 20, y - 8, x - 30, y - 6, x - 28, y);
  ctx.bezierCurveTo(x - 30, y + 6, x - 20, y + 8, x + 10, y + 3);
  ctx.stroke();
}

/** drawClip draws a sprung clip with its two handles. */
function drawClip(ctx: CanvasRenderingContext2D, at: number, y: number) {
  const x = at - 5;
  ctx.fillStyle = "#5f646b";
  ctx.strokeStyle = "#34373c";
  ctx.lineWidth = 1.2;
  ctx.beginPath();
  ctx.moveTo(x - 8, y + 6);
  ctx.lineTo(x + 8, y + 6);
  ctx.lineTo(x + 14, y - 12);
  ctx.lineTo(x - 14, y - 12);
  ctx.closePath();
  ctx.fill();
  ctx.stroke();
  ctx.strokeStyle = "#a7abb1";
  ctx.lineWidth = 2;
  for (const lean of [-1, 1]) {
    ctx.beginPath();
    ctx.moveTo(x + lean * 6, y - 12);
    ctx.quadraticCurveTo(x + lean * 16, y - 24, x + lean * 5, y - 30);
    ctx.stroke();
  }
}

/** drawSlipKnot draws a knot whose loop stands out, to be pulled open. */
function drawSlipKnot(ctx: CanvasRenderingContext2D, x: number, y: number) {
  ctx.strokeStyle = CORD;
  ctx.lineWidth = 1.7;
  ctx.beginPath();
  ctx.ellipse(x - 8, y - 11, 4.5, 11, -0.35, 0, 2 * Math.PI);
  ctx.stroke();
  for (const turn of [0, 0.7]) {
    ctx.beginPath();
    ctx.ellipse(x - 4 + turn * 4, y, 3.2, 5, 0.4 + turn, 0, 2 * Math.PI);
    ctx.stroke();
  }
}

/** drawTiedBead draws a bead with the cord once more round its outside. */
function drawTiedBead(ctx: CanvasRenderingContext2D, x: number, y: number) {
  ctx.fillStyle = "#b98a5e";
  ctx.strokeStyle = "#6f4f33";
  ctx.lineWidth = 1.2;
  ctx.beginPath();
  ctx.arc(x - 4, y, 9, 0, 2 * Math.PI);
  ctx.fill();
  ctx.stroke();
  ctx.strokeStyle = CORD;
  ctx.lineWidth = 1.7;
  ctx.beginPath();
  ctx.ellipse(x - 4, y - 4, 12, 9, 0, Math.PI * 0.9, Math.PI * 2.1);
  ctx.stroke();
}

/** drawFlatCrimp draws a crimp pressed flat, with the short tip that is cut off. */
function drawFlatCrimp(ctx: CanvasRenderingContext2D, x: number, y: number) {
  metal(ctx, x - 10, y - 5, 14, 10);
}

/** drawMadeEnd draws the crimp and the loop that are made before stringing. */
function drawMadeEnd(ctx: CanvasRenderingContext2D, x: number, y: number) {
  ctx.strokeStyle = CORD;
  ctx.lineWidth = 1.7;
  ctx.beginPath();
  ctx.ellipse(x - 26, y, 14, 6, 0, 0, 2 * Math.PI);
  ctx.stroke();
  metal(ctx, x - 12, y - 6, 14, 12);
}

function metal(ctx: CanvasRenderingContext2D, x: number, y: number, width: number, height: number) {
  ctx.fillStyle = "#b9a06a";
  ctx.strokeStyle = "#6f5d36";
  ctx.lineWidth = 1;
  ctx.beginPath();
  ctx.roundRect(x, y, width, height, 2.5);
  ctx.fill();
  ctx.stroke();
}
