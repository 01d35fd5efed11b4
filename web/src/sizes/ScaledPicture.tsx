import { useCallback, useEffect } from "react";
import type { Analysis, Document } from "../api/client.ts";
import { layCloth } from "../felt/cloth.ts";
import { drawWhole, fitWhole } from "../felt/drawWhole.ts";
import { useCanvas, type CanvasSize } from "../felt/useCanvas.ts";
import { usePicture } from "../felt/usePicture.ts";

interface Props {
  analysis: Analysis | null | undefined;
  doc: Document | undefined;
  name: string;
  /** What a screen reader says. */
  says: string;
  /** px to the mm in all pictures; infinite until each has told what fits it. */
  scale: number;
  onFit: (name: string, px: number) => void;
}

/** ScaledPicture is a whole piece to the same scale as others beside it. */
export function ScaledPicture({ analysis, doc, name, says, scale, onFit }: Props) {
  const drawn = usePicture(analysis, doc);
  const draw = useCallback(
    (ctx: CanvasRenderingContext2D, { width, height }: CanvasSize) => {
      layCloth(ctx, "light", width, height);
      if (drawn && Number.isFinite(scale)) drawWhole(ctx, { drawn, width, height, tone: "light", bare: true, mostPx: scale });
    },
    [drawn, scale],
  );
  const { ref, size } = useCanvas(draw);
  const fits = drawn && size.width > 0 ? fitWhole({ drawn, width: size.width, height: size.height, tone: "light", mostPx: 6 }) : 0;
  useEffect(() => {
    if (fits > 0) onFit(name, fits);
  }, [fits, name, onFit]);
  return <canvas ref={ref} className="picture" role="img" aria-label={says} />;
}
