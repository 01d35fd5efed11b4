import { Link } from "react-router";
import { Length } from "../ui/UnitContext.tsx";
import type { BenchContext } from "../piece/context.ts";

/** Notices are the few messages that go across the page: a conflict, newer measures in the catalogue, a server that is unavailable. */
export function Notices({ id, bench, state }: BenchContext) {
  const { conflict, aside, drift, doc, trouble } = state;
  return (
    <>
      {conflict && (
        <div className="notice stop" role="alert">
          <span>{conflict.detail}</span>
          <button type="button" className="link" onClick={() => bench.settle("theirs")}>
            Keep theirs
          </button>
          <button type="button" className="link" onClick={() => bench.settle("mine")}>
            Overwrite with mine
          </button>
        </div>
      )}
      {aside !== null && (
        <div className="notice" role="status">
          <span>
            Another window was closed with changes of its own that were not saved. They are kept as version {aside}: look in <Link to={`/pieces/${id}/history`}>History</Link>.
          </span>
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
            Keep the old ones
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
