import { strandOf } from "../api/piece.ts";
import { useCallback } from "react";
import type { Analysis, Document } from "../api/client.ts";
import { layCloth } from "../draw/cloth.ts";
import { materialsOf } from "../draw/strand.ts";
import { drawLaced, lacedIn } from "../draw/paint/laced.ts";
import { sprites } from "../draw/paint/sprites.ts";
import { useCanvas, type CanvasSize } from "../pictures/useCanvas.ts";
import { drawStart, NAMES } from "../draw/drawStart.ts";
import { Length } from "../ui/UnitContext.tsx";

const PX = 7;
const BEADS = 6;
const CORD = "#3c3a37";
const STOP_AT = 110;
/** Where the cord begins, where that is not its tip at the left. */
const CORD_FROM: Partial<Record<string, number>> = { spool: 40, "spare-crimp": STOP_AT - 16, crimped: STOP_AT - 12, foot: STOP_AT - 12, fold: STOP_AT };

/** StartPicture shows how the starting end is held. */
export function StartPicture({ analysis, doc, row }: { analysis: Analysis; doc: Document; row: string }) {
  const strand = strandOf(analysis, row);
  const { start } = strand;
  const draw = useCallback(
    (ctx: CanvasRenderingContext2D, { width, height }: CanvasSize) => {
      layCloth(ctx, "light", width, height);
      const y = height / 2;
      ctx.strokeStyle = CORD;
      ctx.lineWidth = 1.7;
      ctx.beginPath();
      ctx.moveTo(CORD_FROM[start.by] ?? 14, y);
      ctx.lineTo(width, y);
      ctx.stroke();
      drawStart[start.by](ctx, start.by === "spool" ? 44 : STOP_AT, y);
      const materials = materialsOf(doc);
      const laced = lacedIn(doc, strand);
      let x = STOP_AT + 16;
      for (const b of strand.placed.slice(0, BEADS)) {
        const m = materials.get(b.material);
        const outline = analysis.drawing?.outlines[b.material];
        x += (b.alongMm / 2) * PX;
        ctx.save();
        ctx.translate(x, y);
        if (m && laced) drawLaced(ctx, m, b.key, laced, CORD, PX);
        else if (m && outline) sprites.draw(ctx, m, outline, PX, b.turned);
        ctx.restore();
        x += (b.alongMm / 2) * PX;
      }
    },
    [analysis, doc, strand, start],
  );
  const { ref } = useCanvas(draw);
  return (
    <section className="exploded start" aria-label="The start">
      <h2>The start</h2>
      <div className="stage">
        <canvas ref={ref} role="img" aria-label={`The ${start.side} end, held with ${NAMES[start.by]}.`} />
      </div>
      <p className="tail-line">
        {start.by === "spool" && "String from the free end: the run that goes on first ends up by the spool."}
        {start.by === "fold" && "Both halves of the cord are strung together, from the fold."}
        {start.by === "crimped" && `The ${start.side} end is made before any bead goes on.`}
        {start.tipMm > 0 && (
          <>
            The {start.side} end is held with {NAMES[start.by]}, <Length mm={start.tipMm} /> from its tip.
          </>
        )}
      </p>
    </section>
  );
}
