import { useCallback } from "react";
import type { Analysis, Document } from "../api/client.ts";
import { useCanvas, type CanvasSize } from "../felt/useCanvas.ts";
import { drawRound, drawStretched, TOUCHES } from "./drawRound.ts";

interface Props {
  analysis: Analysis;
  doc: Document;
}

/** CrossSection shows the body with the beads round it, true to scale. */
export function CrossSection({ analysis, doc }: Props) {
  const round = analysis.drawing?.round;
  const measureMm = analysis.fit?.measureMm ?? null;
  const draw = useCallback(
    (ctx: CanvasRenderingContext2D, { width, height }: CanvasSize) => {
      if (round) drawRound(ctx, { round, doc, outlines: analysis.drawing?.outlines ?? {}, placed: analysis.strands[0].placed, measureMm, width, height });
    },
    [round, doc, analysis, measureMm],
  );
  const { ref } = useCanvas(draw);
  const touching = round?.links.filter((l) => l.element !== undefined && l.gapMm < TOUCHES).length ?? 0;
  const says = round ? `Cross-section: ${touching} of ${analysis.strands[0].beads} beads touch the widest thing it goes round.` : "It goes round nothing yet.";
  return <canvas ref={ref} className="cross-section" role="img" aria-label={says} />;
}

/** OverTheHand shows an elastic at full stretch over the hand or head it must pass. */
export function OverTheHand({ analysis, doc }: Props) {
  const passage = analysis.fit?.passage;
  const strand = analysis.strands[0];
  const draw = useCallback(
    (ctx: CanvasRenderingContext2D, { width, height }: CanvasSize) => {
      if (!passage) return;
      drawStretched(ctx, {
        doc, outlines: analysis.drawing?.outlines ?? {}, placed: strand.placed, width, height,
        stretchedMm: passage.stretchedMm, needMm: passage.needMm, passes: passage.passes, alongMm: [...strand.placed.map((b) => b.atMm), strand.strungMm],
      });
    },
    [passage, analysis, doc, strand],
  );
  const { ref } = useCanvas(draw);
  return <canvas ref={ref} className="over-hand" role="img" aria-label={passage ? `At full stretch over the ${passage.over}.` : ""} />;
}
