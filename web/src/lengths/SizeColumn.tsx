import type { Document, Operation, SizeFound } from "../api/client.ts";
import { mainRow, rowsOf } from "../api/piece.ts";
import { nameAmong } from "../shop/size.ts";
import type { Bench } from "../piece/Bench.ts";
import { WholePicture } from "../pictures/WholePicture.tsx";
import { bodyOf } from "./Wearer.tsx";
import { formatLength } from "../units/length.ts";
import { Length, useUnit } from "../ui/UnitContext.tsx";
import { Swap, swapKeys } from "./Swap.tsx";
import { useMade } from "./useMade.ts";
import { ShortOfStock } from "../ui/ShortOfStock.tsx";

type Way = SizeFound["items"][number];

interface Props {
  bench: Bench;
  doc: Document;
  size: SizeFound;
  way: Way | undefined;
  /** The size before it that came out the same piece. */
  same: string | undefined;
  onSwap: (by: 1 | -1) => void;
}

/** SizeColumn is the piece in one size: as it looks, its figures, its counts, and what changes; arrow keys swap its proposal. */
export function SizeColumn({ bench, doc, size, way, same, onSwap }: Props) {
  const at = way ? size.items.indexOf(way) : -1;
  const { unit } = useUnit();
  const mm = size.measureMm ?? size.finishedMm;

  return (
    <section className="size-column" aria-label={`Size ${size.name}`} tabIndex={0} onKeyDown={swapKeys(onSwap)}>
      <h3>
        {size.name} <span className="quiet">{mm && formatLength(mm, unit) !== size.name && <Length mm={mm} />}</span>
      </h3>
      {!way && <p role="status">{size.why}</p>}
      {way && (
        <>
          <Picture doc={doc} operations={operationsOf(doc, size, way)} line={JSON.stringify(way.keep)} name={size.name} />
          <table className="list">
            <tbody>
              <Fact what="length" value={<Length mm={way.finishedMm} />} />
              {way.insideMm !== undefined && <Fact what="inside" value={<Length mm={way.insideMm} />} />}
              {way.easeMm !== undefined && size.measureMm !== undefined && <Fact what="ease" value={<Length mm={way.easeMm} />} />}
              {way.easeWord && size.measureMm !== undefined && <Fact what="worn" value={way.easeWord} />}
              <Fact what="cut" value={<Length mm={way.cutMm} />} />
              <Fact what="beads" value={way.beads} />
              {way.counts.map((c) => (
                <Fact key={c.material} what={nameAmong(doc, c.material)} value={c.count} />
              ))}
            </tbody>
          </table>
          {Object.entries(linesOf(doc, way)).map(([id, line]) => (
            <p key={id} className="bead-line">
              {line}
            </p>
          ))}
          {same && <p role="note">The same piece as {same}.</p>}
          <p className="quiet">{way.changes.length > 0 ? way.changes.join(", ") : "the pattern as it is"}</p>
          <ShortOfStock lacks={way.short} />
          <Swap name={size.name} at={at} of={size.items.length} onSwap={onSwap}>
            <button type="button" className="link" onClick={() => void bench.apply(...operationsOf(doc, size, way))}>
              Make the piece this size
            </button>
          </Swap>
        </>
      )}
    </section>
  );
}

/** linesOf are the bead lines of the size by the ids of their rows, from the first row on. */
function linesOf(doc: Document, way: Way): Record<string, string> {
  const { rows } = way.keep ?? {};
  if (!rows) return { [mainRow(doc).id]: way.line };
  return Object.fromEntries(rowsOf(doc).flatMap(({ id }) => (rows[id] ? [[id, rows[id]]] : [])));
}

/** operationsOf makes the piece that size; rows follow the target, which comes first. */
function operationsOf(doc: Document, size: SizeFound, way: Way): Operation[] {
  const body: Operation[] = size.measureMm ? [{ do: "set-body", body: { ...bodyOf(doc), measureMm: size.measureMm, for: size.name } }] : [];
  const lines = Object.entries(linesOf(doc, way)).map(([strand, text]): Operation => ({ do: "set-line", text, at: { strand } }));
  const links = Object.entries(way.keep?.links ?? {}).map(([fitting, n]): Operation => ({ do: "set-links", at: { fitting }, n }));
  const target: Operation[] = way.keep?.finishedMm ? [{ do: "set-target", mm: way.keep.finishedMm }] : [];
  return [...body, ...target, ...lines, ...links];
}

export function Fact({ what, value }: { what: string; value: React.ReactNode }) {
  return (
    <tr>
      <th scope="row">{what}</th>
      <td className="n">{value}</td>
    </tr>
  );
}

/** Picture draws the size, to the same scale as the others. */
function Picture({ doc, operations, line, name }: { doc: Document; operations: Operation[]; line: string; name: string }) {
  const made = useMade(doc, operations, `${name} ${line}`);
  return <WholePicture analysis={made?.analysis} doc={made?.doc} bare says={`${doc.name}, ${name}`} />;
}
