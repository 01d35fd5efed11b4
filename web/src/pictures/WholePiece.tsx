import { useCallback, useEffect, useRef, useState, type PointerEvent } from "react";
import type { Tone } from "../draw/cloth.ts";
import { drawWholeLit, drawWholeSelection, gapNear, PLAIN_LENS, type Lens } from "../draw/drawWhole.ts";
import { useCanvas } from "./useCanvas.ts";
import type { Drawn } from "../api/drawn.ts";
import { WholePainting } from "./WholePainting.ts";

interface Props {
  drawn: Drawn;
  tone: Tone;
  letters: boolean;
  /** The row in hand, and what is selected in it. */
  row: string;
  selection: { from: number; to: number };
  /** The dish whose beads light up. */
  lit: string | null;
  lens: Lens;
  onLens: (lens: Lens) => void;
  onPlace: (row: string, gap: number, extend: boolean) => void;
}

/** SHAPES describes the shape the piece has in the picture. */
export const SHAPES = { circle: "on the circle of its finished length", wrap: "as the ring lies", hanging: "as it hangs", rows: "its rows side by side", hung: "as it hangs", straight: "laid along, its foot at the left" };

const MOST_ZOOM = 8;
const STILL = 4;

/** zoomed zooms about a point, which stays where it is. */
export function zoomed(lens: Lens, factor: number, x = 0, y = 0): Lens {
  const zoom = Math.max(1, Math.min(MOST_ZOOM, lens.zoom * factor));
  if (zoom === 1) return PLAIN_LENS;
  const by = zoom / lens.zoom;
  return { zoom, dx: x - (x - lens.dx) * by, dy: y - (y - lens.dy) * by };
}

/** WholePiece is the felt's upper band: the piece as it lies. */
export function WholePiece({ drawn, tone, letters, row, selection, lit, lens, onLens, onPlace }: Props) {
  const [pressed, setPressed] = useState<{ x: number; y: number; lens: Lens } | null>(null);
  const [painting] = useState(() => new WholePainting());
  const draw = useCallback(
    (ctx: CanvasRenderingContext2D, { width, height }: { width: number; height: number }) => {
      painting.lay(ctx, { drawn, width, height, tone, letters, lens });
      if (lit) drawWholeLit(ctx, { drawn, width, height, tone, lens }, lit);
      drawWholeSelection(ctx, { drawn, width, height, tone, lens }, row, selection);
    },
    [painting, drawn, tone, letters, row, selection, lit, lens],
  );
  const { ref, size } = useCanvas(draw, true);

  const latest = useRef(lens);
  useEffect(() => {
    latest.current = lens;
  }, [lens]);
  useEffect(() => {
    const canvas = ref.current!;
    const onWheel = (event: WheelEvent) => {
      // The plain wheel is left to scroll the page.
      if (!event.ctrlKey && !event.metaKey) return;
      event.preventDefault();
      const box = canvas.getBoundingClientRect();
      onLens(zoomed(latest.current, event.deltaY < 0 ? 1.2 : 1 / 1.2, event.clientX - box.left - box.width / 2, event.clientY - box.top - box.height / 2));
    };
    canvas.addEventListener("wheel", onWheel, { passive: false });
    return () => canvas.removeEventListener("wheel", onWheel);
  }, [ref, onLens]);

  function release(event: PointerEvent<HTMLCanvasElement>) {
    if (!pressed) return;
    setPressed(null);
    if (Math.hypot(event.clientX - pressed.x, event.clientY - pressed.y) > STILL && lens.zoom > 1) return;
    const box = event.currentTarget.getBoundingClientRect();
    const near = gapNear({ drawn, width: size.width, height: size.height, tone, lens }, event.clientX - box.left, event.clientY - box.top);
    onPlace(near.row, near.gap, event.shiftKey);
  }

  return (
    <canvas
      ref={ref}
      className="felt-whole"
      role="img"
      aria-label={`The whole piece: ${drawn.analysis.beads} beads, ${SHAPES[drawn.picture.whole?.shape ?? "circle"]}.`}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        setPressed({ x: e.clientX, y: e.clientY, lens });
      }}
      onPointerMove={(e) => {
        if (pressed && lens.zoom > 1) onLens({ ...lens, dx: pressed.lens.dx + e.clientX - pressed.x, dy: pressed.lens.dy + e.clientY - pressed.y });
      }}
      onPointerUp={release}
    />
  );
}
