import { useQuery } from "@tanstack/react-query";
import { api, unwrap, type Cell, type Matrix } from "../api/client.ts";
import { identity } from "../api/identity.ts";
import { opened } from "../api/opened.ts";
import { DrawnPicture } from "../felt/WholePicture.tsx";
import { usePicture } from "../felt/usePicture.ts";
import { useInTurn } from "../pieces/useInTurn.ts";
import { Length } from "../units/UnitContext.tsx";

/** MatrixCloth lays the piece out in every size and colourway, colourways down and sizes across. */
export function MatrixCloth({ matrix, behind }: { matrix: Matrix; behind: boolean }) {
  return (
    <table className={`cloth ${behind ? "behind" : ""}`}>
      <caption className="hidden">The piece in its sizes and colourways</caption>
      {matrix.sizes.length > 1 && (
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
            <th scope="row">{name || "Its own colours"}</th>
            {matrix.cells
              .filter((cell) => cell.colourway === c)
              .map((cell) => (
                <td key={cell.size}>
                  <OneCell cell={cell} />
                </td>
              ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function OneCell({ cell }: { cell: Cell }) {
  const { document: doc } = cell;
  const { data: analysis } = useQuery({
    queryKey: ["cell", identity(doc)],
    queryFn: async ({ signal }) => opened(await unwrap(api.POST("/api/analyse", { params: { query: { brief: true } }, body: doc, signal }))),
    retry: false,
    gcTime: 10_000,
  });
  const drawn = useInTurn(usePicture(analysis, analysis && doc));
  return (
    <>
      <DrawnPicture drawn={drawn} />
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
