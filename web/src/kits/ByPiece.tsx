import type { BillLine, KitBill } from "../api/client.ts";
import { spareOf } from "./item.ts";
import { Length } from "../ui/UnitContext.tsx";

/** ByPiece is the bill as a list: how much of each material every piece takes, of several rows by row. */
export function ByPiece({ bill }: { bill: KitBill }) {
  return (
    <details className="by-piece">
      <summary>The bill by piece and row</summary>
      <table className="list">
        <thead>
          <tr>
            <th scope="col">Material</th>
            {bill.documents.map((d, i) => (
              <th key={i} scope="col" className="n">
                {d.quantity > 1 && `${d.quantity} × `}
                {d.document.name}
              </th>
            ))}
            <th scope="col" className="n">In all</th>
            <th scope="col" className="n">Spare</th>
          </tr>
        </thead>
        <tbody>
          {bill.lines.map((line) => (
            <tr key={line.material}>
              <th scope="row">
                {line.name}
                {line.own && <span className="quiet"> buyer's own</span>}
              </th>
              {bill.documents.map((_, i) => (
                <td key={i} className="n">
                  {line.byPiece[i] || "·"}
                  <Rows line={line} piece={i} />
                </td>
              ))}
              <td className="n">{line.class === "cord" ? <Length mm={line.totalMm ?? 0} /> : line.count}</td>
              <td className="n">{line.spare ? spareOf(line, line.spare) : ""}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}

function Rows({ line, piece }: { line: BillLine; piece: number }) {
  const rows = line.byRow?.[piece] ?? [];
  if (rows.filter(Boolean).length < 2) return null;
  return <span className="quiet"> ({rows.join(" + ")})</span>;
}
