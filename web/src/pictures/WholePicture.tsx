import { useCallback } from "react";
import type { Analysis, Document } from "../api/client.ts";
import { layCloth } from "../draw/cloth.ts";
import { drawWhole, fitWhole } from "../draw/drawWhole.ts";
import { useSharedScale, useTellScale } from "./OneScale.tsx";
import { useCanvas, type CanvasSize } from "./useCanvas.ts";
import type { Drawn } from "../api/drawn.ts";
import { usePicture } from "./usePicture.ts";

interface Look {
  /** Without the neck it hangs on. */
  bare?: boolean;
  /** What a screen reader says; without it the picture is passed over. */
  says?: string;
}

/** WholePicture shows a piece on the light felt, to look at only. Until the piece is there its place is bare. */
export function WholePicture({ analysis, doc, ...look }: { analysis?: Analysis | null; doc?: Document } & Look) {
  return <DrawnPicture drawn={usePicture(analysis ?? undefined, doc)} {...look} />;
}

/** DrawnPicture is the same of a piece whose picture is at hand. */
export function DrawnPicture({ drawn, bare, says }: { drawn: Drawn | undefined } & Look) {
  const mostPx = useSharedScale();
  const draw = useCallback(
    (ctx: CanvasRenderingContext2D, { width, height }: CanvasSize) => {
      if (!drawn) return;
      layCloth(ctx, "light", width, height);
      drawWhole(ctx, { drawn, width, height, tone: "light", bare, mostPx });
    },
    [drawn, bare, mostPx],
  );
  const { ref, size } = useCanvas(draw);
  useTellScale(drawn && size.width > 0 ? fitWhole({ drawn, width: size.width, height: size.height, tone: "light" }) : 0);
  return <canvas ref={ref} className="picture" {...(says ? { role: "img", "aria-label": says } : { "aria-hidden": true })} />;
}
