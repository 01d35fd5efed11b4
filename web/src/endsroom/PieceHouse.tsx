import { rowOf, strandOf } from "../api/piece.ts";
import { useState } from "react";
import type { Analysis, Document } from "../api/client.ts";
import type { Bench } from "../piece/Bench.ts";
import type { BenchState } from "../piece/BenchState.ts";
import { ALL_CHOICES, labelOf, type ChoiceField, type HouseChoice } from "../shop/choices.ts";
import { useHouse } from "../shop/useHouse.ts";
import { formatLength } from "../units/length.ts";
import { useWhole } from "../piece/useWhole.ts";
import { useUnit } from "../ui/UnitContext.tsx";

interface Props {
  bench: Bench;
  state: BenchState;
  row: string;
}

/** CRIMPED are the choices that only crimped ends have. */
const CRIMPED: ChoiceField[] = ["crimp", "covers", "tail"];

/** applies says whether a choice means anything for the piece. */
function applies(field: ChoiceField, doc: Document, row: string): boolean {
  const type = doc.materials.find((m) => m.id === rowOf(doc, row).cord)?.type;
  const holds = (what: string) => doc.materials.some((m) => m.type === what || m.class === what);
  if (field === "thread") return type === "thread";
  if (field === "guardThreads") return holds("wire-guard");
  if (field === "pinLoops") return holds("component");
  if (field === "knotPlace") return doc.closure.type === "knot" || doc.closure.type === "none";
  if (field === "knot" || field === "glue") return doc.closure.type !== "clasp" || type !== "wire";
  if (field === "stopper") return true;
  if (CRIMPED.includes(field)) return type === "wire" || type === "nylon" || holds("crimp-tube") || holds("crimp-bead");
  if (field === "ornamentCounts") return doc.kind === "ornament";
  if (field === "targetCounts") return doc.closure.type === "clasp";
  return doc.closure.type === "clasp" && type !== "elastic";
}

/** PieceHouse lists the house method's choices that bear on the piece, each to follow or to override. */
export function PieceHouse({ bench, state, row }: Props) {
  const house = useHouse().data?.whole;
  const [changed, setChanged] = useState<{ title: string; from: BenchState } | null>(null);
  const { doc } = state;
  if (!house) return null;
  function choose(choice: HouseChoice, value: string) {
    setChanged({ title: choice.title, from: state });
    void bench.apply({ do: "set-house", field: choice.field, text: value });
  }
  return (
    <section aria-label="House method of this piece">
      <h2>House method for this piece</h2>
      <table className="list own-house">
        <tbody>
          {ALL_CHOICES.filter((c) => applies(c.field, doc, row)).map((choice) => (
            <tr key={choice.field}>
              <th scope="row">{choice.title}</th>
              <td>
                <select aria-label={choice.title} title={choice.why} value={doc.house?.[choice.field] ?? ""} onChange={(e) => choose(choice, e.target.value)}>
                  <option value="">House default: {labelOf(choice, house).toLowerCase()}</option>
                  {choice.options.map((o) => (
                    <option key={o.value} value={o.value}>
                      {o.label}
                    </option>
                  ))}
                </select>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {changed && <Changes title={changed.title} before={changed.from} after={state} row={row} />}
    </section>
  );
}

/** Changes says what the last choice moved. */
function Changes({ title, before, after, row }: { title: string; before: BenchState; after: BenchState; row: string }) {
  const { unit } = useUnit();
  const from = useWhole(before)?.analysis;
  const to = useWhole(after)?.analysis;
  const moved: string[] = [];
  if (!from || !to) return <p className="changes" role="status" />;
  const length = (name: string, a: number, b: number) => {
    if (Math.abs(a - b) > 0.05) moved.push(`${name} ${formatLength(a, unit)} to ${formatLength(b, unit)}`);
  };
  length("finished length", from.finishedMm, to.finishedMm);
  length("slack", strandOf(from, row).slackMm, strandOf(to, row).slackMm);
  length("cut", strandOf(from, row).cutMm, strandOf(to, row).cutMm);
  const counts = (a: Analysis) => a.checks.filter((c) => !c.waived).length;
  if (counts(from) !== counts(to)) moved.push(`open checks ${counts(from)} to ${counts(to)}`);
  const steps = (a: Analysis) => a.steps?.map((s) => s.says).join();
  if (steps(from) !== steps(to)) moved.push("the instructions");
  return (
    <p className="changes" role="status">
      <b>{title}:</b> {moved.length > 0 ? `changed ${moved.join(", ")}.` : "nothing changed."}
    </p>
  );
}
