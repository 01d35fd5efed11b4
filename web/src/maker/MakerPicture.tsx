import { useCallback } from "react";
import type { ComponentFacts, Material } from "../api/client.ts";
import { cloths, layCloth } from "../draw/cloth.ts";
import { boxOf, type View } from "../draw/paint/component.ts";
import { keptTruePx } from "../pictures/trueSize.ts";
import { PX_PER_MM } from "../draw/strandGeometry.ts";
import { useCanvas } from "../pictures/useCanvas.ts";
import { useUnit } from "../ui/UnitContext.tsx";
import { formatLength } from "../units/length.ts";
import { drawMaker } from "../draw/drawMaker.ts";

/** MakerPicture is the component large and to scale on the cord it goes on, with its parts named and its drop measured. */
export function MakerPicture({ material, facts, view }: { material: Material; facts: ComponentFacts; view: View }) {
  const { unit } = useUnit();
  const draw = useCallback(
    (ctx: CanvasRenderingContext2D, { width, height }: { width: number; height: number }) => {
      layCloth(ctx, "light", width, height);
      ctx.fillStyle = cloths.light.text;
      drawMaker(ctx, { material, outline: facts.outline, hangs: facts.hangs, dropMm: facts.dropMm, width, height, view, truePx: keptTruePx() ?? PX_PER_MM, tell: (mm) => formatLength(mm, unit) });
    },
    [material, facts, view, unit],
  );
  const { ref } = useCanvas(draw);
  const parts = (facts.outline.looks ?? []).map((look) => look.material.name).join(", ");
  const box = boxOf(facts.outline);
  return <canvas ref={ref} className="maker-picture" role="img" aria-label={`${material.name || "The component"}, ${formatLength(box.right - box.left, unit)} wide, ${formatLength(facts.dropMm, unit)} below the cord: ${parts}.`} />;
}
