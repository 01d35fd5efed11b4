import { rowOf, strandOf } from "../api/piece.ts";
import { useCallback } from "react";
import type { Analysis, Document, Strand } from "../api/client.ts";
import { layCloth } from "../draw/cloth.ts";
import { materialsOf } from "../draw/strand.ts";
import { lacedIn } from "../draw/paint/laced.ts";
import { useCanvas, type CanvasSize } from "../pictures/useCanvas.ts";
import { Length } from "../ui/UnitContext.tsx";
import { drawExploded, stationsOf, type ExplodedView } from "../draw/drawExploded.ts";
import { KnotPicture } from "../ends/KnotPicture.tsx";

interface Props {
  analysis: Analysis;
  doc: Document;
  row: string;
  side: "left" | "right";
}

const NAMES = { left: "Left end", right: "Right end" };
/** HUNG names the ends of an ornament. */
const HUNG = { left: "Left end, the foot", right: "Right end, the top" };

/** ExplodedEnd shows one end drawn apart in threading order, with every pass of the cord. */
export function ExplodedEnd({ analysis, doc, row, side }: Props) {
  const strand = strandOf(analysis, row);
  const view = useCallback(
    ({ width, height }: CanvasSize): ExplodedView => ({ strand, side, materials: materialsOf(doc), outlines: analysis.drawing?.outlines ?? {}, laced: lacedIn(doc, strand), width, height }),
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
      <h2>{doc.kind === "ornament" ? HUNG[side] : NAMES[side]}</h2>
      <div className="stage">
        <canvas ref={ref} role="img" aria-label={`${NAMES[side]}, from the last bead outwards: ${stations.map((s) => s.name).join(", ") || "bare cord"}.`} />
        {stations.map((s, i) => (
          <span key={i} className="station" style={{ left: s.label.x, width: s.label.width }} aria-hidden>
            <b>{s.name}</b>
            <span>{s.adds || <Length mm={s.part.legMm ?? s.part.mm} />}</span>
          </span>
        ))}
      </div>
      <TailLine analysis={analysis} doc={doc} row={row} side={side} />
    </section>
  );
}

/** HOLDS says what keeps the cord in, where no crimp does. */
const HOLDS: Record<Exclude<Strand["leftHold"], "crimp">, string> = {
  knot: "The cord is tied to this end with a knot.",
  "cord-end": "The knotted cord sits in the cord end.",
  "cone-end": "The knot sits in the cone, tied to the eye inside it.",
  leg: "A knot holds the strand; the cord runs on as a leg and ends in a knot.",
  fold: "The middle of the cord lies here: nothing can run off, and nothing is cut.",
  stopped: "The crimp or knot alone stops the cord; nothing goes back.",
  "fold-over": "The cord lies in the trough, one flap pressed over it, the other over that.",
  ring: "The cord is tied round the ring.",
  through: "The cord runs on through the shared bead.",
  links: "A row of links: its last one hangs on what lies beyond.",
  nothing: "Nothing holds the cord here.",
};

/** TailLine says which wire must not be cut, which is trimmed, and whether the tail passes. */
function TailLine({ analysis, doc, row, side }: Props) {
  const strand = strandOf(analysis, row);
  const tail = side === "left" ? strand.leftTail : strand.rightTail;
  const hold = side === "left" ? strand.leftHold : strand.rightHold;
  const loop = strand[side].find((part) => part.loop)?.loop;
  const round = loop && (
    <>
      The loop of {loop.beads.length} beads is <Length mm={loop.girthMm} /> round inside.{" "}
    </>
  );
  const knot = side === "left" ? strand.leftKnot : strand.rightKnot;
  if (hold !== "crimp" && tail.mm === 0) {
    return (
      <p className="quiet">
        {round}
        {HOLDS[hold]}
        {knot && (knot.element === undefined ? " No hole here takes the knot, so it stays visible." : " The knot is drawn into the last bead.")}
      </p>
    );
  }
  return (
    <p className="tail-line">
      {round}
      {hold !== "crimp" && <>{HOLDS[hold]} </>}
      <i className="live" aria-hidden /> the working {cordNoun(doc, row)}: do not cut; <i className="tail" aria-hidden /> the tail{" "}
      {tail.mm > 0 ? <TailBack doc={doc} tail={tail} /> : "trimmed close to the crimp."}
    </p>
  );
}

/** cordNoun is what a maker calls what the row is strung on. */
function cordNoun(doc: Document, row: string): string {
  const cord = doc.materials.find((m) => m.id === rowOf(doc, row).cord);
  return cord?.type === "wire" ? "wire" : "cord";
}

/** TailBack says how far a tail goes back, and whether the finest bead there takes it. */
function TailBack({ doc, tail }: { doc: Document; tail: Strand["leftTail"] }) {
  const finest = doc.materials.find((m) => m.id === tail.finest);
  return (
    <>
      back through {tail.beads} {tail.beads === 1 ? "bead" : "beads"}, <Length mm={tail.mm} />, then trimmed.
      {finest && (
        <>
          {" "}
          The finest hole there, {tail.holeMm} mm of {finest.name}, {(tail.holeMm ?? 0) >= (tail.needMm ?? 0) ? "takes" : "does not take"} {tail.passes} passes: they need {(tail.needMm ?? 0).toFixed(2)} mm.
        </>
      )}
    </>
  );
}

/** RingJoin shows where a ring is tied, and what hides the knot. */
export function RingJoin({ analysis, doc, row }: { analysis: Analysis; doc: Document; row: string }) {
  const knot = strandOf(analysis, row).knot;
  const hides = knot?.element === undefined ? undefined : strandOf(analysis, row).placed[knot.element];
  const bead = doc.materials.find((m) => m.id === hides?.material);
  return (
    <section className="exploded" aria-label="The knot">
      <h2>The knot</h2>
      <KnotPicture analysis={analysis} doc={doc} row={row} />
      <p className="tail-line">
        {knot && (
          <>
            It is about {knot.acrossMm.toFixed(1)} mm thick.{" "}
            {bead ? `It hides in ${bead.name}, bead ${knot.element! + 1}, whose hole is ${bead.holeMm} mm.` : "No bead here has a hole that takes it, so it stays visible."}
          </>
        )}
      </p>
    </section>
  );
}
