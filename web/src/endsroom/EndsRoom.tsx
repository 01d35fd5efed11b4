import { rowOf, strandOf } from "../api/piece.ts";
import { useBenchContext } from "../piece/context.ts";
import { RowPicker } from "../ends/RowPicker.tsx";
import { CutSum } from "./CutSum.tsx";
import { Ends } from "../ends/Ends.tsx";
import { ExplodedEnd, RingJoin } from "./ExplodedEnd.tsx";
import { PieceHouse } from "./PieceHouse.tsx";
import { StartPicture } from "../ends/StartPicture.tsx";
import { Suggestions } from "../ends/Suggestions.tsx";

/** EndsRoom shows a strand's ends and the cut of its cord. */
export function EndsRoom() {
  const { bench, state } = useBenchContext();
  const { doc, analysis, row } = state;
  if (!analysis) return <p className="quiet ends-room">The ends are drawn as soon as the bead line has no errors.</p>;
  const corded = rowOf(doc, row).cord !== undefined;
  const clasped = doc.closure.type === "clasp";
  return (
    <div className={`ends-room${state.behind ? " behind" : ""}`}>
      <div className="which-row">
        <RowPicker bench={bench} doc={doc} row={row} />
      </div>
      <div className="both-ends">
        {strandOf(analysis, row).ring ? (
          <RingJoin analysis={analysis} doc={doc} row={row} />
        ) : (
          <>
            <ExplodedEnd analysis={analysis} doc={doc} row={row} side="left" />
            <ExplodedEnd analysis={analysis} doc={doc} row={row} side="right" />
          </>
        )}
      </div>
      <div className="end-columns">
        <div>
          <Ends bench={bench} state={state} />
          {corded && <StartPicture analysis={analysis} doc={doc} row={row} />}
        </div>
        <div>
          {corded && <CutSum bench={bench} analysis={analysis} doc={doc} row={row} />}
          {clasped && <Suggestions bench={bench} doc={doc} row={row} />}
        </div>
        <div>
          <PieceHouse bench={bench} state={state} row={row} />
        </div>
      </div>
    </div>
  );
}
