import { useCallback } from "react";
import type { Analysis, Document } from "../api/client.ts";
import { layCloth } from "./cloth.ts";
import { drawWhole } from "./drawWhole.ts";
import { useCanvas, type CanvasSize } from "./useCanvas.ts";
import { usePicture, type Drawn } from "./usePicture.ts";

/** WholePicture shows a piece on the light felt, to look at only. Until the piece is there its place is bare. */
export function WholePicture({ analysis, doc }: { analysis?: Analysis; doc?: Document }) {
  return <DrawnPicture drawn={usePicture(analysis, doc)} />;
}

/** DrawnPicture is the same of a piece whose picture is at hand. */
export function DrawnPicture({ drawn }: { drawn: Drawn | undefined }) {
  const draw = useCallback(
    (ctx: CanvasRenderingContext2D, { width, height }: CanvasSize) => {
      if (!drawn) return;
      layCloth(ctx, "light", width, height);
      drawWhole(ctx, { drawn, width, height, tone: "light" });
    },
    [drawn],
  );
  const { ref } = useCanvas(draw);
  return <canvas ref={ref} className="picture" aria-hidden />;
}
