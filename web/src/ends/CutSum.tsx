import { useQuery } from "@tanstack/react-query";
import { api, given, type Analysis, type Document } from "../api/client.ts";
import type { Bench } from "../bench/Bench.ts";
import { rowOf, withHouse, withRow } from "../bench/document.ts";
import { LengthField } from "../units/LengthField.tsx";
import { Length } from "../units/UnitContext.tsx";

interface Props {
  bench: Bench;
  analysis: Analysis;
  doc: Document;
}

const SCHOOLS = [
  { hand: "standard", label: "standard" },
  { hand: "generous", label: "generous" },
  { hand: "spool", label: "from the spool" },
] as const;

/** CutSum is the cord's length as a sum one can read, and what the other schools would cut. */
export function CutSum({ bench, analysis, doc }: Props) {
  const strand = analysis.strands[0];
  const cord = doc.materials.find((m) => m.id === rowOf(doc).cord);
  return (
    <section aria-label="Cut">
      <h2>Cut</h2>
      <table className="list">
        <tbody>
          {strand.cut.map((c) => (
            <tr key={c.part}>
              <th scope="row">{c.part}</th>
              <td className="n">
                <Length mm={c.mm} />
              </td>
            </tr>
          ))}
          <tr className="sum">
            <th scope="row">{cord?.name ?? "cord"}</th>
            <td className="n" data-testid="cut">
              <Length mm={strand.cutMm} />
            </td>
          </tr>
        </tbody>
      </table>
      {cord?.type === "wire" && <Schools doc={doc} />}
      <p className="have">
        Cut already?{" "}
        <LengthField
          label="What the cord is cut to"
          mm={rowOf(doc).cutMm ?? null}
          placeholder="not yet"
          width={90}
          onChange={(cutMm) => bench.change(withRow(bench.snapshot().doc, { cutMm }))}
          onClear={() => bench.change(withRow(bench.snapshot().doc, { cutMm: undefined }))}
        />
        <span className="quiet">
          {" "}
          its path alone takes <Length mm={strand.pathMm} />
        </span>
      </p>
    </section>
  );
}

/** Schools shows what each way of holding the wire would cut. */
function Schools({ doc }: { doc: Document }) {
  const cuts = useQuery({
    queryKey: ["schools", doc],
    queryFn: () =>
      Promise.all(
        SCHOOLS.map(async ({ hand }) => {
          const other = withHouse(doc, { hand, stopper: hand === "spool" ? "spool" : "stopper" });
          return (await given(api.POST("/api/analyse", { body: other }))).strands[0].cutMm;
        }),
      ),
    placeholderData: (last) => last,
    retry: false,
  });
  if (!cuts.data) return null;
  return (
    <p className="quiet schools">
      {SCHOOLS.map(({ hand, label }, i) => (
        <span key={hand}>
          {label} <Length mm={cuts.data[i]} />
        </span>
      ))}
    </p>
  );
}
