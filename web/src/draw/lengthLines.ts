/** LINES_ROOM is the share of its larger side that a picture with length lines leaves free round the piece. */
export const LINES_ROOM = 0.14;

interface Lines {
  /** Left, top, right and bottom of the piece, in mm. */
  box: number[];
  /** How many px a millimetre takes; the middle of the box lies at the origin. */
  px: number;
  colour: string;
  text: (mm: number) => string;
}

/**
 * drawLengthLines draws below and at the right how wide and how high a piece lies. Pictures in lines
 * have them alike (lengthLines in papers/listing.go).
 */
export function drawLengthLines(ctx: CanvasRenderingContext2D, { box, px, colour, text }: Lines) {
  const [left = 0, top = 0, right = 0, bottom = 0] = box;
  const [wide, high] = [(right - left) * px, (bottom - top) * px];
  const large = Math.max(wide, high);
  const [off, tick, size] = [0.05 * large, 0.015 * large, 0.032 * large];
  const [x, y] = [wide / 2 + off, high / 2 + off];
  ctx.save();
  ctx.strokeStyle = ctx.fillStyle = colour;
  ctx.lineWidth = 0.003 * large;
  ctx.beginPath();
  for (const [fromX, fromY, toX, toY] of [
    [-wide / 2, y, wide / 2, y],
    [-wide / 2, y - tick, -wide / 2, y + tick],
    [wide / 2, y - tick, wide / 2, y + tick],
    [x, -high / 2, x, high / 2],
    [x - tick, -high / 2, x + tick, -high / 2],
    [x - tick, high / 2, x + tick, high / 2],
  ] as const) {
    ctx.moveTo(fromX, fromY);
    ctx.lineTo(toX, toY);
  }
  ctx.stroke();
  ctx.font = `${size}px "Figtree Variable", sans-serif`;
  ctx.textAlign = "center";
  ctx.fillText(text(right - left), 0, y + 1.4 * size);
  ctx.translate(x + 0.6 * size, 0);
  ctx.rotate(Math.PI / 2);
  ctx.fillText(text(bottom - top), 0, 0);
  ctx.restore();
}
