import { useCallback } from "react";
import type { Analysis, Document } from "../api/client.ts";
import { layCloth } from "../felt/cloth.ts";
import { materialsOf } from "../felt/drawWhole.ts";
import { useCanvas, type CanvasSize } from "../felt/useCanvas.ts";
import { Length } from "../units/UnitContext.tsx";
import { drawExploded, stationsOf, type ExplodedView } from "./drawExploded.ts";
import { KnotPicture } from "./KnotPicture.tsx";

interface Props {
  analysis: Analysis;
  doc: Document;
  side: "left" | "right";
}

const NAMES = { left: "Left end", right: "Right end" };

/** ExplodedEnd shows one end drawn apart in threading order, with every pass of the cord. */
export function ExplodedEnd({ analysis, doc, side }: Props) {
  const strand = analysis.strands[0];
  const view = useCallback(
    ({ width, height }: CanvasSize): ExplodedView => ({ strand, side, materials: materialsOf(doc), outlines: analysis.drawing?.outlines ?? {}, width, height }),
    [strand, side, doc, analysis],
  );
  const draw = useCallback(
    (ctx: CanvasRenderingContext2D, size: CanvasSize) => {
      layCloth(ctx, "light", size.width, size.height);
      drawExploded(ctx, view(size));
    },
    [view],
  );
  const { ref, size } = useCanvas(draw);
  const { stations } = stationsOf(view(size));
  return (
    <section className="exploded" aria-label={NAMES[side]}>
      <h2>{NAMES[side]}</h2>
      <div className="stage">
        <canvas ref={ref} role="img" aria-label={`${NAMES[side]}, from the last bead outwards: ${stations.map((s) => s.name).join(", ") || "bare cord"}.`} />
        {stations.map((s, i) => (
          <span key={i} className={`station${i % 2 ? " low" : ""}`} style={{ left: s.x }} aria-hidden>
            <b>{s.name}</b>
            <span>{s.adds || <Length mm={s.part.mm} />}</span>
          </span>
        ))}
      </div>
      <TailLine analysis={analysis} doc={doc} side={side} />
    </section>
  );
}

/** TailLine says which wire is live, which may be snipped, and whether the tail can pass. */
function TailLine({ analysis, doc, side }: Props) {
  const strand = analysis.strands[0];
  const tail = side === "left" ? strand.leftTail : strand.rightTail;
  const crimped = strand[side].some((p) => p.does === "crimp");
  if (!crimped) return <p className="quiet">The cord ends bare here.</p>;
  const finest = doc.materials.find((m) => m.id === tail.finest);
  return (
    <p className="tail-line">
      <i className="live" aria-hidden /> the live wire, never snipped; <i className="tail" aria-hidden /> the tail,{" "}
      {tail.mm > 0 ? (
        <>
          back through {tail.beads} {tail.beads === 1 ? "bead" : "beads"}, <Length mm={tail.mm} />, then snipped.
          {finest && (
            <>
              {" "}
              The finest hole there, {tail.holeMm} mm of {finest.name}, {(tail.holeMm ?? 0) >= (tail.needMm ?? 0) ? "takes" : "does not take"} {tail.passes} passes: they need {(tail.needMm ?? 0).toFixed(2)} mm.
            </>
          )}
        </>
      ) : (
        "snipped close to the crimp."
      )}
    </p>
  );
}

/** RingJoin shows where a ring is tied, and what hides the knot. */
export function RingJoin({ analysis, doc }: { analysis: Analysis; doc: Document }) {
  const knot = analysis.strands[0].knot;
  const hides = knot?.element === undefined ? undefined : analysis.strands[0].placed[knot.element];
  const bead = doc.materials.find((m) => m.id === hides?.material);
  return (
    <section className="exploded" aria-label="The knot">
      <h2>The knot</h2>
      <KnotPicture analysis={analysis} doc={doc} />
      <p className="tail-line">
        {knot && (
          <>
            It is about {knot.acrossMm.toFixed(1)} mm thick.{" "}
            {bead ? `It hides in ${bead.name}, bead ${knot.element! + 1}, whose hole is ${bead.holeMm} mm.` : "No bead here has a hole that takes it: it stays to be seen."}
          </>
        )}
      </p>
    </section>
  );
}
