import { numberOf, rowOf, strandOf } from "../api/piece.ts";
import { useQuery } from "@tanstack/react-query";
import { api, unwrap, type Analysis, type Document, type Operation } from "../api/client.ts";
import { opened } from "../api/opened.ts";
import { identity } from "../api/identity.ts";
import type { Bench } from "../piece/Bench.ts";
import { LengthField } from "../ui/LengthField.tsx";
import { Length, ReadLength } from "../ui/UnitContext.tsx";

type StartBy = Analysis["strands"][number]["start"]["by"];

interface Props {
  bench: Bench;
  analysis: Analysis;
  doc: Document;
  row: string;
}

const ALLOWANCES = [
  { allowance: "standard", label: "standard" },
  { allowance: "generous", label: "generous" },
  { allowance: "spool", label: "from the spool" },
] as const;

/** CutSum is the cord's cut length as a readable sum, and what the other allowances would cut. */
export function CutSum({ bench, analysis, doc, row }: Props) {
  const strand = strandOf(analysis, row);
  const cord = doc.materials.find((m) => m.id === rowOf(doc, row).cord);
  return (
    <section aria-label="Cut">
      <h2>Cut</h2>
      <table className="list">
        <tbody>
          {strand.cut.map((c) => (
            <tr key={c.part}>
              <th scope="row">{c.part}</th>
              <td className="n">
                <ReadLength read={c.read} />
              </td>
            </tr>
          ))}
          <tr className="sum">
            <th scope="row">{cord?.name ?? "cord"}</th>
            <td className="n" data-testid="cut">
              <ReadLength read={strand.cutRead} />
            </td>
          </tr>
        </tbody>
      </table>
      {strand.legs && (
        <p className="quiet" data-testid="legs">
          {strand.legs.folded ? `${strand.legs.count} halves of the fold` : `${strand.legs.count} cords side by side`}, <Length mm={strand.legs.eachMm} /> each; at least <Length mm={strand.legs.leastMm} />
        </p>
      )}
      {cord?.type === "wire" && <Allowances doc={doc} row={row} heldBy={strand.start.by} />}
      {rowOf(doc, row).foldOf && <p className="quiet">This row uses the other half of row {numberOf(doc, rowOf(doc, row).foldOf!)}&rsquo;s cord; both are cut as one.</p>}
      <p className="have" hidden={rowOf(doc, row).foldOf !== undefined}>
        Already cut?{" "}
        <LengthField
          label="Length already cut"
          mm={rowOf(doc, row).cutMm ?? null}
          placeholder="not yet"
          width={90}
          onChange={(cutMm) => void bench.apply({ do: "set-cut", at: { strand: row }, mm: cutMm })}
          onClear={() => void bench.apply({ do: "set-cut", at: { strand: row } })}
        />
        <span className="quiet">
          {" "}
          minimum <Length mm={strand.leastCutMm} />
        </span>
      </p>
    </section>
  );
}

/** Allowances shows what each working allowance would cut. */
function Allowances({ doc, row, heldBy }: { doc: Document; row: string; heldBy: StartBy }) {
  const held = heldBy === "spool" ? "stopper" : heldBy;
  const cuts = useQuery({
    queryKey: ["allowances", identity(doc), row, held],
    queryFn: () =>
      Promise.all(
        ALLOWANCES.map(async ({ allowance }) => {
          const operations: Operation[] = [
            { do: "set-house", field: "allowance", text: allowance },
            { do: "set-house", field: "stopper", text: allowance === "spool" ? "spool" : held },
          ];
          const { analysis } = await unwrap(api.POST("/api/edit", { body: { document: doc, operations } }));
          return analysis ? strandOf(opened(analysis), row).cutMm : null;
        }),
      ),
    placeholderData: (last) => last,
    retry: false,
  });
  if (!cuts.data) return null;
  return (
    <p className="quiet allowances">
      {ALLOWANCES.map(({ allowance, label }, i) => (
        <span key={allowance}>
          {label} <Length mm={cuts.data[i] ?? 0} />
        </span>
      ))}
    </p>
  );
}
