import { useCallback } from "react";
import type { Analysis, Document } from "../api/client.ts";
import { strandOf } from "../api/piece.ts";
import { useCanvas, type CanvasSize } from "../pictures/useCanvas.ts";
import { lacedIn } from "../draw/paint/laced.ts";
import { usePicture } from "../pictures/usePicture.ts";
import { drawStretched, drawWrap } from "../draw/drawWrap.ts";

interface Props {
  analysis: Analysis;
  doc: Document;
  /** The row that is shown. */
  row: string;
}

/** CrossSection shows the body with the beads round it, true to scale. */
export function CrossSection({ analysis, doc, row }: Props) {
  const drawn = usePicture(analysis, doc);
  const wrap = drawn?.picture.wraps.find((one) => one.strand === row);
  const draw = useCallback(
    (ctx: CanvasRenderingContext2D, { width, height }: CanvasSize) => {
      if (!drawn || !wrap) return;
      const outlines = drawn.analysis.drawing?.outlines ?? {};
      drawWrap(ctx, { wrap, doc: drawn.doc, outlines, placed: strandOf(drawn.analysis, row).placed, placedOf: (id) => strandOf(drawn.analysis, id).placed, lacedOf: (id) => lacedIn(drawn.doc, strandOf(drawn.analysis, id)), measureMm: drawn.analysis.fit?.measureMm ?? null, width, height });
    },
    [drawn, wrap, row],
  );
  const { ref } = useCanvas(draw);
  const says = wrap ? `Cross-section: ${wrap.touching} of ${strandOf(drawn!.analysis, row).beads} beads touch the body.` : "There is no cross-section to draw.";
  return <canvas ref={ref} className="cross-section" role="img" aria-label={says} />;
}

/** OverTheHand shows an elastic at full stretch over the hand or head it must pass. */
export function OverTheHand({ analysis, doc, row }: Props) {
  const passage = analysis.fit?.passage;
  const strand = strandOf(analysis, row);
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
