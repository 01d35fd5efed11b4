import { DISH, strandOf, type Handle } from "../api/piece.ts";
import { useCallback, useEffect, useMemo, useState, type DragEvent, type KeyboardEvent } from "react";
import type { Analysis, Document, Strand } from "../api/client.ts";
import type { Unit } from "../units/length.ts";
import type { Tone } from "../draw/cloth.ts";
import { drawCloseUp, lanesOf } from "../draw/drawCloseUp.ts";
import { gapAt, hangsMm, nearestGap, reachOf } from "../draw/strandGeometry.ts";
import { useCanvas } from "./useCanvas.ts";
import { useHands } from "./useHands.ts";

export interface CloseUpProps {
  analysis: Analysis;
  doc: Document;
  /** The row in hand. */
  row: string;
  align: "centre" | "left";
  tone: Tone;
  unit: Unit;
  fromCentre: boolean;
  letters: boolean;
  zoom: number;
  /** px to the mm of true size, when the strand is to be shown so. */
  truePx: number | null;
  selection: { from: number; to: number; focus: number };
  /** The dish whose beads light up. */
  lit: string | null;
  /** The run whose count the selection's end can be pulled by. */
  handle: Handle | null;
  pending: string;
  describe: string;
  onPlace: (gap: number, extend: boolean) => void;
  onRow: (row: string, gap: number) => void;
  onRun: (gap: number) => void;
  onMove: (gap: number) => void;
  onDish: (key: string, gap: number) => void;
  onCount: (node: number, n: number) => void;
  onZoom: (by: number) => void;
  onKey: (event: KeyboardEvent) => void;
}

const TALLEST_PART = 0.62;
const TALLEST_IN_LANE = 0.84;
const MOST_PX = 9;
const LEAST_PX = 3;

/** closeUpScale picks how large the strand is drawn so that its widest bead fits the band. */
function closeUpScale(analysis: Analysis, doc: Document, row: string, height: number): number {
  const lanes = lanesOf({ analysis, row, height, align: "left" });
  const scales = lanes.map((lane) => {
    const hanging = hangsMm(lane.strand, doc, analysis.drawing?.outlines);
    const widest = Math.max(6, hanging * 1.5, ...lane.strand.placed.map((b) => b.acrossMm), ...(lane.strand.riders?.placed ?? []).map((b) => b.acrossMm));
    return (lane.height * (lanes.length > 1 ? TALLEST_IN_LANE : TALLEST_PART)) / widest;
  });
  return Math.max(LEAST_PX, Math.min(MOST_PX, ...scales));
}

/** leftEdge is the mm at the left edge of the band: the caret stays inside, and nothing beyond the ends is shown. */
function leftEdge(strand: Strand, caretMm: number, span: number, pan: number): number {
  const { start, end } = reachOf(strand);
  const low = start - 6;
  const high = Math.max(low, end + 6 - span);
  if (end - start + 12 <= span) return (start + end - span) / 2;
  return Math.max(low, Math.min(high, caretMm - span * 0.55 + pan));
}

/** CloseUp is the felt's lower band: the strand straight and enlarged round the caret. It takes the keys and the hands. */
export function CloseUp(props: CloseUpProps) {
  const { analysis, doc, row, align, tone, unit, fromCentre, letters, zoom, truePx, selection, lit, handle, pending, describe } = props;
  const [focused, setFocused] = useState(false);
  // Looking elsewhere lasts until the caret moves.
  const [pan, setPan] = useState({ at: selection.focus, mm: 0 });
  const strand = strandOf(analysis, row);
  const caretMm = gapAt(strand, selection.focus);
  const panMm = pan.at === selection.focus ? pan.mm : 0;

  const view = useCallback(
    (width: number, height: number) => {
      const px = truePx ?? closeUpScale(analysis, doc, row, height) * zoom;
      return { px, leftMm: leftEdge(strand, caretMm, width / px, panMm) };
    },
    [analysis, doc, row, strand, caretMm, panMm, truePx, zoom],
  );
  const [dragged, setDragged] = useState<{ gap: number | null; by: number }>({ gap: null, by: 0 });
  const draw = useCallback(
    (ctx: CanvasRenderingContext2D, { width, height }: { width: number; height: number }) => {
      const shown = handle && dragged.by !== 0 ? String(handle.count + dragged.by) : pending;
      drawCloseUp(ctx, { analysis, doc, row, align, width, height, tone, unit, fromCentre, letters, selection, lit, handle: handle !== null, dropGap: dragged.gap, pending: shown, focused, ...view(width, height) });
    },
    [analysis, doc, row, align, tone, unit, fromCentre, letters, selection, lit, handle, dragged, pending, focused, view],
  );
  const { ref, size } = useCanvas(draw);
  const shown = useMemo(() => view(Math.max(1, size.width), Math.max(1, size.height)), [view, size]);
  const mmAt = (clientX: number) => shown.leftMm + (clientX - ref.current!.getBoundingClientRect().left) / shown.px;
  const laneAt = (clientX: number, clientY: number) => {
    const y = clientY - ref.current!.getBoundingClientRect().top;
    const lane = lanesOf({ analysis, row, height: size.height, align }).find((one) => y >= one.top && y < one.top + one.height);
    return lane && !lane.inHand ? { row: lane.strand.id, gap: nearestGap(lane.strand, mmAt(clientX) - lane.shiftMm) } : null;
  };
  const hands = useHands({ ...props, mmAt, laneAt, px: shown.px, strand, onDragged: setDragged });

  // Wheels are listened to here, since a page's own listeners may not stop them.
  const { onZoom } = props;
  useEffect(() => {
    const canvas = ref.current!;
    const onWheel = (event: WheelEvent) => {
      event.preventDefault();
      if (event.ctrlKey || event.metaKey) onZoom(event.deltaY < 0 ? 1 : -1);
      else setPan({ at: selection.focus, mm: panMm + (event.deltaX + event.deltaY) / shown.px });
    };
    canvas.addEventListener("wheel", onWheel, { passive: false });
    return () => canvas.removeEventListener("wheel", onWheel);
  }, [ref, onZoom, selection.focus, panMm, shown.px]);

  return (
    <canvas
      ref={ref}
      className="felt-close"
      tabIndex={0}
      role="application"
      aria-roledescription="strand"
      aria-label={`Strand. ${describe}. Arrow keys move, letters add beads, question mark lists the keys.`}
      data-px={shown.px}
      data-left={shown.leftMm}
      {...hands}
      onKeyDown={props.onKey}
      onFocus={() => setFocused(true)}
      onBlur={() => setFocused(false)}
      onDragOver={(e: DragEvent) => {
        e.preventDefault();
        setDragged({ gap: nearestGap(strand, mmAt(e.clientX)), by: 0 });
      }}
      onDragLeave={() => setDragged({ gap: null, by: 0 })}
      onDrop={(e: DragEvent) => {
        e.preventDefault();
        setDragged({ gap: null, by: 0 });
        const key = e.dataTransfer.getData(DISH);
        if (key) props.onDish(key, nearestGap(strand, mmAt(e.clientX)));
      }}
    />
  );
}
