import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useCallback } from "react";
import { api, given, type Analysis, type Document, type Round } from "../api/client.ts";
import { useCanvas, type CanvasSize } from "../felt/useCanvas.ts";
import { drawRound, drawStretched, TOUCHES } from "./drawRound.ts";

interface Props {
  analysis: Analysis;
  doc: Document;
}

/** Cross is a piece with how it lies round a body. */
interface Cross {
  doc: Document;
  analysis: Analysis;
  round: Round;
}

/** useCross asks how the piece lies; the figures of a strand being typed do without. */
function useCross(doc: Document): Cross | undefined {
  return useQuery({
    queryKey: ["round", doc],
    queryFn: async () => {
      const analysis = await given(api.POST("/api/analyse", { params: { query: { round: true } }, body: doc }));
      return analysis.drawing?.round ? { doc, analysis, round: analysis.drawing.round } : null;
    },
    placeholderData: keepPreviousData,
    retry: false,
  }).data ?? undefined;
}

/** CrossSection shows the body with the beads round it, true to scale. */
export function CrossSection({ doc }: { doc: Document }) {
  const cross = useCross(doc);
  const draw = useCallback(
    (ctx: CanvasRenderingContext2D, { width, height }: CanvasSize) => {
      if (!cross) return;
      const { analysis, round } = cross;
      drawRound(ctx, { round, doc: cross.doc, outlines: analysis.drawing?.outlines ?? {}, placed: analysis.strands[0].placed, measureMm: analysis.fit?.measureMm ?? null, width, height });
    },
    [cross],
  );
  const { ref } = useCanvas(draw);
  const touching = cross?.round.links.filter((l) => l.element !== undefined && l.gapMm < TOUCHES).length ?? 0;
  const says = cross ? `Cross-section: ${touching} of ${cross.analysis.strands[0].beads} beads touch the widest thing it goes round.` : "It goes round nothing yet.";
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
