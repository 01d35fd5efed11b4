import { useCallback, useMemo, useState, type KeyboardEvent, type MouseEvent } from "react";
import type { Analysis, Document } from "../api/client.ts";
import type { Unit } from "../units/length.ts";
import type { Tone } from "./cloth.ts";
import { drawCloseUp } from "./drawCloseUp.ts";
import { gapAt, layEnds, nearestGap } from "./strandGeometry.ts";
import { useCanvas } from "./useCanvas.ts";

interface Props {
  analysis: Analysis;
  doc: Document;
  tone: Tone;
  unit: Unit;
  fromCentre: boolean;
  selection: { from: number; to: number; focus: number };
  pending: string;
  describe: string;
  onPlace: (gap: number, extend: boolean) => void;
  onKey: (event: KeyboardEvent) => void;
}

const TALLEST_PART = 0.62;
const MOST_PX = 9;
const LEAST_PX = 3;

/** closeUpScale picks how large the strand is drawn so that its widest bead fits the band. */
export function closeUpScale(analysis: Analysis, height: number): number {
  const widest = Math.max(6, ...analysis.strands[0].placed.map((b) => b.acrossMm));
  return Math.max(LEAST_PX, Math.min(MOST_PX, ((height - 30) * TALLEST_PART) / widest));
}

/** leftEdge is the mm at the left edge of the band: the caret stays inside, and nothing beyond the ends is shown. */
function leftEdge(analysis: Analysis, caretMm: number, span: number): number {
  const { start, end } = layEnds(analysis.strands[0]);
  const low = start - 6;
  const high = Math.max(low, end + 6 - span);
  if (end - start + 12 <= span) return (start + end - span) / 2;
  return Math.max(low, Math.min(high, caretMm - span * 0.55));
}

/** CloseUp is the felt's lower band: the strand straight and enlarged round the caret. It takes the keys. */
export function CloseUp(props: Props) {
  const { analysis, doc, tone, unit, fromCentre, selection, pending, describe, onPlace, onKey } = props;
  const [focused, setFocused] = useState(false);
  const strand = analysis.strands[0];
  const caretMm = gapAt(strand, selection.focus);

  const view = useCallback(
    (width: number, height: number) => {
      const px = closeUpScale(analysis, height);
      return { px, leftMm: leftEdge(analysis, caretMm, width / px) };
    },
    [analysis, caretMm],
  );
  const draw = useCallback(
    (ctx: CanvasRenderingContext2D, { width, height }: { width: number; height: number }) => {
      drawCloseUp(ctx, { analysis, doc, width, height, tone, unit, fromCentre, selection, pending, focused, ...view(width, height) });
    },
    [analysis, doc, tone, unit, fromCentre, selection, pending, focused, view],
  );
  const { ref, size } = useCanvas(draw);
  const shown = useMemo(() => view(Math.max(1, size.width), Math.max(1, size.height)), [view, size]);

  function place(event: MouseEvent<HTMLCanvasElement>) {
    const box = event.currentTarget.getBoundingClientRect();
    onPlace(nearestGap(strand, shown.leftMm + (event.clientX - box.left) / shown.px), event.shiftKey);
  }

  return (
    <canvas
      ref={ref}
      className="felt-close"
      tabIndex={0}
      role="application"
      aria-roledescription="strand"
      aria-label={`Strand. ${describe}. Arrow keys move, letters drop beads, question mark lists the keys.`}
      data-px={shown.px}
      data-left={shown.leftMm}
      onMouseDown={(e) => {
        e.currentTarget.focus();
        place(e);
      }}
      onKeyDown={onKey}
      onFocus={() => setFocused(true)}
      onBlur={() => setFocused(false)}
    />
  );
}
