import type { Cell, Matrix } from "../api/client.ts";
import { PiecePicture } from "../pictures/PiecePictures.tsx";
import { Length } from "../ui/UnitContext.tsx";
import { Cloth, FromStock, Wrong } from "../compare/Cloth.tsx";

/** MatrixCloth lays the piece out in every size and colourway. */
export function MatrixCloth({ matrix, behind }: { matrix: Matrix; behind: boolean }) {
  const { sizes, colourways, cells } = matrix;
  return <Cloth caption="The piece in its sizes and colourways" sizes={sizes} colourways={colourways} behind={behind} cell={(s, c) => <OneCell cell={cells[c * sizes.length + s]} />} />;
}

function OneCell({ cell }: { cell: Cell }) {
  return (
    <>
      <PiecePicture doc={cell.document} />
      <p className="figures">
        <b>
          <Length mm={cell.finishedMm} />
        </b>
        {Math.abs(cell.movedMm) >= 0.05 && (
          <span>
            {" "}
            ({cell.movedMm > 0 ? "+" : "−"}
            <Length mm={Math.abs(cell.movedMm)} />)
          </span>
        )}{" "}
        · {cell.beads} beads
      </p>
      <p className="quiet">
        {cell.used !== undefined && <>materials {cell.used}{cell.unpriced ? `, ${cell.unpriced} without a price` : ""} · </>}
        <FromStock {...cell} />
      </p>
      <Wrong wrong={cell.wrong} />
    </>
  );
}
