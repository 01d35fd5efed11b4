import { Length } from "../units/UnitContext.tsx";
import type { BenchContext } from "./PieceRoom.tsx";

/** Notices are the few things that must be told across the page: a conflict, a catalogue that has moved on, a server that is away. */
export function Notices({ bench, state }: BenchContext) {
  const { conflict, drift, doc, trouble } = state;
  return (
    <>
      {conflict && (
        <div className="notice stop" role="alert">
          <span>{conflict.detail}</span>
          <button type="button" className="link" onClick={() => bench.settle("theirs")}>
            Go on with theirs
          </button>
          <button type="button" className="link" onClick={() => bench.settle("mine")}>
            Put mine on top
          </button>
        </div>
      )}
      {drift && (
        <div className="notice" role="status">
          <span>
            The catalogue has new measures for {drift.materials.map((id) => doc.materials.find((m) => m.id === id)?.name ?? id).join(", ")}. This piece keeps its own:{" "}
            <Length mm={drift.beforeMm} /> long; with the new ones it would be <Length mm={drift.afterMm} />.
          </span>
          <button type="button" className="link" onClick={() => bench.takeDrift()}>
            Use the new measures
          </button>
          <button type="button" className="link" onClick={() => bench.keepOwn()}>
            Keep these
          </button>
        </div>
      )}
      {trouble && (
        <div className="notice stop" role="alert">
          <span>{trouble}</span>
        </div>
      )}
    </>
  );
}
