import type { Document, Strand } from "../api/client.ts";
import { rowOf } from "../api/piece.ts";
import type { Unit } from "../units/length.ts";

interface Props {
  doc: Document;
  strands: Strand[];
  unit: Unit;
  text: (mm: number) => string;
  /** What a material is called, with its size. */
  named: (id: string) => string;
}

/** RowsTable gives the lengths of several rows and what their cords are cut to, a column for each. */
export function RowsTable({ doc, strands, unit, text, named }: Props) {
  const cordOf = (strand: Strand) => rowOf(doc, strand.id).cord;
  const cords = [...new Set(strands.flatMap((strand) => cordOf(strand) ?? []))];
  const parts = [...new Set(strands.flatMap((strand) => strand.cut.map((c) => c.part)))];
  const line = (what: string, of: (strand: Strand) => string, sum = false) => (
    <tr key={what} className={sum ? "sum" : undefined}>
      <th scope="row">{what}</th>
      {strands.map((strand) => (
        <td key={strand.id}>{of(strand)}</td>
      ))}
    </tr>
  );
  const cutOf = (strand: Strand, part: string) => strand.cut.find((c) => c.part === part)?.read[unit] ?? "";
  return (
    <table className="rows-table">
      <caption>Lengths and cut by row{cords.length === 1 && `, ${named(cords[0])}`}</caption>
      <thead>
        <tr>
          <td />
          {strands.map((strand, i) => (
            <th key={strand.id} scope="col">
              row {i + 1}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {cords.length > 1 && line("Cord", (strand) => named(cordOf(strand) ?? ""))}
        {line("Finished", (strand) => text(strand.finishedMm))}
        {line("Strung, bead to bead", (strand) => text(strand.strungMm))}
        {strands.some((strand) => strand.slackMm > 0) && line("Slack", (strand) => text(strand.slackMm))}
        {parts.map((part) => line(`Cut: ${part}`, (strand) => cutOf(strand, part)))}
        {line("Total cut", (strand) => (cordOf(strand) ? strand.cutRead[unit] : "links"), true)}
      </tbody>
    </table>
  );
}
