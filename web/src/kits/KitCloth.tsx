import { Link } from "react-router";
import type { KitCell, KitMatrix } from "../api/client.ts";
import { Length } from "../units/UnitContext.tsx";
import { cellAddress } from "./cell.ts";
import { PiecePictures } from "./PiecePictures.tsx";
import "../colours/colours.css"; // the cloth

interface Props {
  id: string;
  matrix: KitMatrix;
  copies: number;
  behind: boolean;
}

/** KitCloth lays out all that a kit is sold in, as finished pieces: colourways down, sizes across. */
export function KitCloth({ id, matrix, copies, behind }: Props) {
  return (
    <>
      {matrix.options.map((option, o) => (
        <section key={o} aria-label={option || "The kit"}>
          {option && <h2 className="option">{option}</h2>}
          <table className={`cloth ${behind ? "behind" : ""}`}>
            <caption className="hidden">{option || "The kit"} in its sizes and colourways</caption>
            {(matrix.sizes.length > 1 || matrix.sizes[0]) && (
              <thead>
                <tr>
                  <td />
                  {matrix.sizes.map((name, i) => (
                    <th key={i} scope="col">
                      {name || "As it is"}
                    </th>
                  ))}
                </tr>
              </thead>
            )}
            <tbody>
              {matrix.colourways.map((name, c) => (
                <tr key={c}>
                  <th scope="row">{name || (matrix.colourways.length > 1 ? "Its own colours" : <span className="hidden">Its own colours</span>)}</th>
                  {matrix.cells
                    .filter((cell) => cell.option === o && cell.colourway === c)
                    .map((cell) => (
                      <td key={cell.size}>
                        <OneCell id={id} cell={cell} matrix={matrix} copies={copies} />
                      </td>
                    ))}
                </tr>
              ))}
            </tbody>
          </table>
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
      <p className="quiet">
        {cell.makeable > 0 ? `${cell.makeable} from stock` : "none from stock"}
        {cell.runsOut && `, then ${cell.runsOut.toLowerCase()} runs out`}
      </p>
      {cell.wrong && (
        <ul className="wrong">
          {cell.wrong.slice(0, 3).map((says) => (
            <li key={says}>{says}</li>
          ))}
        </ul>
      )}
    </>
  );
}
