import { useCallback } from "react";
import type { Material, Outline } from "../api/client.ts";
import { boxOf, drawComponent } from "../draw/paint/component.ts";
import { sprites } from "../draw/paint/sprites.ts";
import { drawFace, isFlat } from "../draw/paint/laced.ts";
import { hangsBelow } from "../draw/paint/bead.ts";
import { useCanvas } from "./useCanvas.ts";

interface Props {
  material: Material;
  outline: Outline | undefined;
  size: number;
  /** px to the mm; without it the bead fills its place. */
  px?: number;
  turned?: boolean;
}

/** BeadPicture is a small picture of one bead. It says nothing a reader needs: its name stands beside it. */
export function BeadPicture({ material, outline, size, px, turned = false }: Props) {
  const draw = useCallback(
    (ctx: CanvasRenderingContext2D) => {
      if (!outline) return;
      const reach = (face: number[][]) => Math.max(...face.map((p) => p[1]));
      const [left, right] = turned ? [reach(outline.right), reach(outline.left)] : [reach(outline.left), reach(outline.right)];
      const up = outline.left[outline.left.length - 1][0];
      if (material.shape === "charm") {
        // A charm is shown hanging, its ring at the top.
        const high = (material.dropMm ?? 0) + 1;
        const scale = Math.min(px ?? Infinity, (size - 4) / high);
        ctx.translate(size / 2, (size - high * scale) / 2);
        sprites.draw(ctx, material, outline, scale, turned);
        return;
      }
      if (outline.seats) {
        const box = boxOf(outline);
        const scale = Math.min(px ?? Infinity, (size - 4) / Math.max(box.right - box.left, box.bottom - box.top));
        ctx.translate(size / 2 - ((box.left + box.right) / 2) * scale, size / 2 - ((box.top + box.bottom) / 2) * scale);
        drawComponent(ctx, material, outline, { px: scale });
        return;
      }
      if (isFlat(material)) {
        ctx.translate(size / 2, size / 2);
        drawFace(ctx, material, Math.min(px ?? Infinity, (size - 4) / (material.acrossMm ?? 10)));
        return;
      }
      const scale = Math.min(px ?? Infinity, (size - 4) / Math.max(left + right, 2 * up));
      ctx.translate(size / 2 + ((left - right) / 2) * scale, size / 2 - hangsBelow(material) * scale);
      sprites.draw(ctx, material, outline, scale, turned);
    },
    [material, outline, size, px, turned],
  );
  const { ref } = useCanvas(draw);
  return <canvas ref={ref} className="bead-picture" style={{ width: size, height: size }} aria-hidden />;
}
