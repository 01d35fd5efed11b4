import { leadStrand } from "../api/piece.ts";
import { useCallback } from "react";
import type { Analysis, Document } from "../api/client.ts";
import { layCloth } from "../felt/cloth.ts";
import { materialsOf } from "../felt/drawWhole.ts";
import { sprites } from "../felt/paint/sprites.ts";
import { useCanvas, type CanvasSize } from "../felt/useCanvas.ts";
import { Length } from "../units/UnitContext.tsx";

const PX = 7;
const BEADS = 6;
const CORD = "#3c3a37";
const STOP_AT = 110;

/** StartPicture shows how the starting end is held. */
export function StartPicture({ analysis, doc }: { analysis: Analysis; doc: Document }) {
  const strand = leadStrand(analysis);
  const { start } = strand;
  const draw = useCallback(
    (ctx: CanvasRenderingContext2D, { width, height }: CanvasSize) => {
      layCloth(ctx, "light", width, height);
      const y = height / 2;
      ctx.strokeStyle = CORD;
      ctx.lineWidth = 1.7;
      ctx.beginPath();
      ctx.moveTo(start.by === "spool" ? 40 : 14, y);
      ctx.lineTo(width, y);
      ctx.stroke();
      if (start.by === "spool") drawSpool(ctx, 44, y);
      else if (start.by === "tape") drawTape(ctx, STOP_AT, y);
      else drawStopper(ctx, STOP_AT, y);
      const materials = materialsOf(doc);
      let x = STOP_AT + 16;
      for (const b of strand.placed.slice(0, BEADS)) {
        const m = materials.get(b.material);
        const outline = analysis.drawing?.outlines[b.material];
        x += (b.alongMm / 2) * PX;
        ctx.save();
        ctx.translate(x, y);
        if (m && outline) sprites.draw(ctx, m, outline, PX, b.turned);
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
        {start.by === "spool" ? (
          "String from the free end: the run that goes on first ends up by the spool."
        ) : (
          <>
            The {start.side} end is held with {NAMES[start.by]}, <Length mm={start.tipMm} /> from its tip.
          </>
        )}
      </p>
    </section>
  );
}

const NAMES = { stopper: "a bead stopper", tape: "a fold of tape", spool: "the spool itself" };

/** drawStopper draws a sprung coil that grips the cord. */
function drawStopper(ctx: CanvasRenderingContext2D, x: number, y: number) {
  ctx.strokeStyle = "#8d9096";
  ctx.lineWidth = 2.4;
  for (let i = 0; i < 6; i++) {
    ctx.beginPath();
    ctx.ellipse(x - 12 + i * 4.5, y, 3, 10, 0.25, 0, 2 * Math.PI);
    ctx.stroke();
  }
  for (const [dx, dy] of [[-17, -12], [16, -12]]) {
    ctx.beginPath();
    ctx.arc(x + dx, y + dy, 5, 0, 2 * Math.PI);
    ctx.stroke();
  }
}

function drawTape(ctx: CanvasRenderingContext2D, x: number, y: number) {
  ctx.fillStyle = "rgba(240, 226, 190, .95)";
  ctx.strokeStyle = "#b79f6b";
  ctx.lineWidth = 1;
  ctx.fillRect(x - 22, y - 13, 32, 26);
  ctx.strokeRect(x - 22, y - 13, 32, 26);
}

/** drawSpool draws the spool from its side, the wire coming off it. */
function drawSpool(ctx: CanvasRenderingContext2D, x: number, y: number) {
  ctx.fillStyle = "#c9b28d";
  ctx.strokeStyle = "#7d6a4a";
  ctx.lineWidth = 1.2;
  for (const [r, fill] of [[30, "#d9c6a4"], [21, "#9a9791"], [9, "#d9c6a4"]] as const) {
    ctx.fillStyle = fill;
    ctx.beginPath();
    ctx.arc(x, y, r, 0, 2 * Math.PI);
    ctx.fill();
    ctx.stroke();
  }
}
