import type { Strand } from "../api/client.ts";
import type { Station } from "./drawExploded.ts";

export const WORKING = "#3c3a37";
export const TAIL = "#b0650c";
export const MARGIN = 10;

/** ON_METAL is how long the turn of the cord is drawn round what it goes through directly. */
const ON_METAL = 22;

type Hold = Strand["leftHold"];

/** Path is where the cord runs in the picture of an end. */
export interface Path {
  stations: Station[];
  /** Where the strand ends, and the height of its middle. */
  start: number;
  y: number;
  hold: Hold;
  /** The tail goes back into the beads. */
  tucked: boolean;
}

/** drawPath draws the cord: out through all, round what it holds, and back to where it is fixed. */
export function drawPath(ctx: CanvasRenderingContext2D, path: Path) {
  ctx.lineWidth = 1.7;
  PATHS[path.hold](ctx, path);
}

const PATHS: Record<Hold, (ctx: CanvasRenderingContext2D, path: Path) => void> = {
  crimp: (ctx, path) => thereAndBack(ctx, path, path.tucked ? MARGIN : path.start + 2),
  knot: (ctx, path) => {
    thereAndBack(ctx, path, path.tucked ? MARGIN : path.start + 9);
    drawKnot(ctx, path.start + 9, path.y, 5.5);
  },
  fold: (ctx, path) => thereAndBack(ctx, path, 0, WORKING),
  leg: (ctx, { stations, start, y }) => {
    const leg = stations.find((s) => s.part.role === "leg");
    const far = leg ? leg.x + leg.half + 12 : start + 60;
    line(ctx, 0, far + 12, y);
    drawKnot(ctx, start + 9, y, 5);
    drawKnot(ctx, far, y, 5);
  },
  stopped: (ctx, { stations, start, y }) => {
    line(ctx, 0, stations[0]?.x ?? start + 9, y);
    if (!stations[0]) drawKnot(ctx, start + 9, y, 5.5);
  },
  links: () => undefined,
  through: (ctx, { stations, start, y }) => line(ctx, 0, (stations[0]?.x ?? start) + 60, y),
  "cord-end": intoItsKnot,
  "cone-end": intoItsKnot,
  "fold-over": (ctx, { stations, start, y }) => line(ctx, 0, stations[0]?.x ?? start + 60, y),
  ring: (ctx, { start, y }) => line(ctx, 0, start + 60, y),
  nothing: (ctx, { start, y }) => line(ctx, 0, start + 60, y),
};

function line(ctx: CanvasRenderingContext2D, from: number, to: number, y: number) {
  ctx.strokeStyle = WORKING;
  ctx.beginPath();
  ctx.moveTo(from, y - 3);
  ctx.lineTo(to, y - 3);
  ctx.stroke();
}

/** intoItsKnot leads the cord into what covers its knot. */
function intoItsKnot(ctx: CanvasRenderingContext2D, { stations, start, y }: Path) {
  const at = stations[0] ? stations[0].x - stations[0].half * 0.3 : start + 40;
  line(ctx, 0, at, y);
  drawKnot(ctx, at, y, 5);
}

/** thereAndBack leads the cord out, round the first thing that hangs in it or once round its loop of beads, and back. */
function thereAndBack(ctx: CanvasRenderingContext2D, { stations, y }: Path, back: number, colour = TAIL) {
  const turn = turnOf(stations);
  if (!turn) return;
  const { near, far } = turn;
  ctx.strokeStyle = WORKING;
  ctx.beginPath();
  ctx.moveTo(0, y - 3);
  ctx.lineTo(near, y - 3);
  if (!turn.ofBeads) ctx.bezierCurveTo((near + far) / 2, y - 15, far - 4, y - 13, far, y);
  ctx.stroke();
  ctx.strokeStyle = colour;
  ctx.beginPath();
  ctx.moveTo(turn.ofBeads ? near : far, turn.ofBeads ? y + 3 : y);
  if (!turn.ofBeads) ctx.bezierCurveTo(far - 4, y + 13, (near + far) / 2, y + 15, near, y + 3);
  ctx.lineTo(back, y + 3);
  ctx.stroke();
}

/** turnOf says where the cord turns back, from near to far. The turn round a loop of beads is drawn with its beads. */
function turnOf(stations: Station[]): { near: number; far: number; ofBeads: boolean } | undefined {
  const round = stations.find((s) => ["loop", "guard", "bead-loop"].includes(s.part.role)) ?? stations.find((s) => s.part.role !== "crimp" && s.part.role !== "cover") ?? stations.at(-1);
  if (!round) return undefined;
  const ofBeads = round.part.role === "bead-loop" || round.part.role === "cord-loop";
  const held = ["loop", "guard"].includes(round.part.role) ? stations[stations.indexOf(round) + 1] : undefined;
  const inMetal = held ?? (["ring", "clasp", "extender"].includes(round.part.role) ? round : undefined);
  const far = inMetal ? inMetal.x - inMetal.half + 5 : round.x + round.half;
  return { near: Math.min(round.x - round.half, far - (held ? 0 : ON_METAL)), far, ofBeads };
}

/** drawThrough shows the passes inside the beads, where the cord is hidden. */
export function drawThrough(ctx: CanvasRenderingContext2D, start: number, y: number, tucked: boolean, second = TAIL) {
  ctx.setLineDash([5, 4]);
  ctx.lineWidth = 1.5;
  for (const [colour, at, drawn] of [[WORKING, y - 3, true], [second, y + 3, tucked]] as const) {
    if (!drawn) continue;
    ctx.strokeStyle = colour;
    ctx.beginPath();
    ctx.moveTo(MARGIN, at);
    ctx.lineTo(start, at);
    ctx.stroke();
  }
  ctx.setLineDash([]);
}

/** drawKnot draws the cord thrown round itself. */
export function drawKnot(ctx: CanvasRenderingContext2D, x: number, y: number, r: number) {
  ctx.save();
  ctx.translate(x, y);
  ctx.lineCap = "round";
  for (const lean of [1, -1]) {
    for (const [colour, width] of [["#fff8ea", 4.2], [lean > 0 ? WORKING : TAIL, 2.6]] as const) {
      ctx.strokeStyle = colour;
      ctx.lineWidth = width;
      ctx.beginPath();
      ctx.moveTo(-r, lean * r * 0.7);
      ctx.bezierCurveTo(-r * 0.2, lean * r * 1.2, r * 0.3, -lean * r * 1.2, r, -lean * r * 0.7);
      ctx.stroke();
    }
  }
  ctx.restore();
}
