import { Link } from "react-router";
import type { KitCell, KitMatrix } from "../api/client.ts";
import { Cloth, FromStock, Wrong } from "../compare/Cloth.tsx";
import { PiecePictures } from "../pictures/PiecePictures.tsx";
import { Length } from "../ui/UnitContext.tsx";
import { cellAddress } from "../sheets/cell.ts";
import "../compare/colours.css"; // the cloth

interface Props {
  id: string;
  matrix: KitMatrix;
  copies: number;
  behind: boolean;
}

/** KitCloth lays out all that a kit is sold in, of a choice each piece by itself. */
export function KitCloth({ id, matrix, copies, behind }: Props) {
  const { options, sizes, colourways, cells } = matrix;
  const at = (o: number, s: number, c: number) => cells[(o * colourways.length + c) * sizes.length + s];
  return (
    <>
      {options.map((option, o) => (
        <section key={o} aria-label={option || "The kit"}>
          {option && <h2 className="option">{option}</h2>}
          <Cloth
            caption={`${option || "The kit"} in its sizes and colourways`}
            sizes={sizes}
            colourways={colourways}
            behind={behind}
            cell={(s, c) => <OneCell id={id} cell={at(o, s, c)} matrix={matrix} copies={copies} />}
          />
        </section>
      ))}
    </>
  );
}

function OneCell({ id, cell, matrix, copies }: { id: string; cell: KitCell; matrix: KitMatrix; copies: number }) {
  const named = [matrix.sizes[cell.size], matrix.colourways[cell.colourway]].filter(Boolean).join(", ") || matrix.options[cell.option] || "the kit";
  return (
    <>
      <Link to={`/kits/${id}/bag/${cellAddress(cell)}?copies=${copies}`} className="open-cell" aria-label={`Open the bag of ${named}`}>
        <PiecePictures documents={cell.pieces.map((p) => matrix.documents[p.document])} />
      </Link>
      <p className="figures">
        <b className="price">{cell.price}</b> · {cell.pieces.map((p, i) => (
          <span key={i}>
            {i > 0 && ", "}
            {p.quantity > 1 && `${p.quantity} × `}
            <Length mm={p.finishedMm} />
          </span>
        ))}
      </p>
      <p className="quiet">
        {cell.beads} beads · costs {cell.cost}
        {cell.unpriced ? `, ${cell.unpriced} without a price` : ""}
      </p>
      {cell.pieces.some((p) => p.changed) && <p className="quiet">other counts, to keep its length</p>}
      <p className="quiet">
        <FromStock {...cell} />
      </p>
      <Wrong wrong={cell.wrong} />
    </>
  );
}
