import { useCallback, type MouseEvent } from "react";
import type { Analysis, Document } from "../api/client.ts";
import { cloths, layCloth, type Tone } from "./cloth.ts";
import { drawWhole, fitWhole, wholeMm, type WholeView } from "./drawWhole.ts";
import { nearestGap, PX_PER_MM } from "./strandGeometry.ts";
import { useCanvas } from "./useCanvas.ts";

interface Props {
  analysis: Analysis;
  doc: Document;
  tone: Tone;
  selection: { from: number; to: number };
  onPlace: (gap: number, extend: boolean) => void;
}

/** WholePiece is the felt's upper band: the piece on the circle of its finished length. */
export function WholePiece({ analysis, doc, tone, selection, onPlace }: Props) {
  const draw = useCallback(
    (ctx: CanvasRenderingContext2D, { width, height }: { width: number; height: number }) => {
      const view: WholeView = { analysis, doc, width, height, tone, selection };
      layCloth(ctx, tone, width, height);
      drawWhole(ctx, view);
      ctx.fillStyle = cloths[tone].text;
      ctx.font = '12px "Figtree Variable", sans-serif';
      ctx.fillText("The whole piece", 18, 24);
      ctx.fillText(`true to scale, ${(fitWhole(view) / PX_PER_MM).toFixed(2)} : 1`, 18, 40);
      ctx.fillText("on the circle of", 18, height - 28);
      ctx.fillText("its finished length", 18, height - 12);
    },
    [analysis, doc, tone, selection],
  );
  const { ref, size } = useCanvas(draw);

  function place(event: MouseEvent<HTMLCanvasElement>) {
    const box = event.currentTarget.getBoundingClientRect();
    const mm = wholeMm(analysis, event.clientX - box.left - size.width / 2, event.clientY - box.top - size.height / 2);
    onPlace(nearestGap(analysis.strands[0], mm), event.shiftKey);
  }

  return <canvas ref={ref} className="felt-whole" onClick={place} role="img" aria-label={`The whole piece: ${analysis.strands[0].beads} beads on a circle of its finished length.`} />;
}
