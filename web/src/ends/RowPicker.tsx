import type { Document } from "../api/client.ts";
import { rowsOf } from "../api/piece.ts";
import type { Bench } from "../piece/Bench.ts";
import "./rows.css";

/** RowPicker chooses the row in hand; of a piece of one row there is nothing to choose. */
export function RowPicker({ bench, doc, row }: { bench: Bench; doc: Document; row: string }) {
  const rows = rowsOf(doc);
  if (rows.length < 2) return null;
  return (
    <div className="row-picker" role="group" aria-label="Row">
      {rows.map(({ id }, i) => (
        <button type="button" key={id} aria-pressed={id === row} aria-label={`Row ${i + 1}`} onClick={() => bench.toRow(id)}>
          {i + 1}
        </button>
      ))}
    </div>
  );
}
