import { useState } from "react";
import { numberOf, rowOf, rowsOf, several, strandOf } from "../api/piece.ts";
import type { Fitting } from "../api/client.ts";
import type { Bench } from "../piece/Bench.ts";
import type { BenchState } from "../piece/BenchState.ts";
import { Length } from "../ui/UnitContext.tsx";
import { Ends } from "./Ends.tsx";
import { waySays } from "./EndWay.tsx";

/** EndsInBrief is the cord and what closes it in a line each, until something of it is to be changed. */
export function EndsInBrief({ bench, state }: { bench: Bench; state: BenchState }) {
  const [open, setOpen] = useState(false);
  const { doc, analysis } = state;
  const row = rowOf(doc, state.row);
  const strand = strandOf(analysis, state.row);
  const name = (id: string) => doc.materials.find((m) => m.id === id)?.name ?? id;
  const names = (...lists: (Fitting[] | undefined)[]) => lists.flatMap((list) => list ?? []).map(({ of, hung }) => [name(of), ...(hung ?? []).map((h) => `${name(h)} on it`)].join(", ")).join(" · ");
  if (open) {
    return (
      <div className="ends-open">
        <button type="button" className="link change" onClick={() => setOpen(false)}>
          Done
        </button>
        <Ends bench={bench} state={state} brief />
      </div>
    );
  }
  const clasp = (side: "left" | "right") => (doc.closure.type === "clasp" ? [...(doc.closure[side] ?? [])].reverse() : []);
  const end = (side: "left" | "right") => [waySays(doc, row.id, side), names(row[side], clasp(side))].filter(Boolean).join(" · ") || "nothing yet";
  return (
    <section aria-label="Cord and ends" className="ends-in-brief">
      <h2>Cord and ends</h2>
      <button type="button" className="link change" aria-label="Change the cord and the ends" onClick={() => setOpen(true)}>
        Change
      </button>
      <dl>
        {several(doc) && (
          <>
            <dt>row</dt>
            <dd>
              {numberOf(doc, row.id)} of {rowsOf(doc).length}
            </dd>
          </>
        )}
        <dt>cord</dt>
        <dd>{row.cord === undefined ? "none: its links hang in one another" : `${name(row.cord)}${(row.passes ?? 1) > 1 ? ` × ${row.passes}` : ""}`}</dd>
        {strand?.ring ? (
          <>
            <dt>ends</dt>
            <dd>tied in a ring</dd>
          </>
        ) : (
          <>
            <dt>left</dt>
            <dd>{end("left")}</dd>
            <dt>right</dt>
            <dd>{end("right")}</dd>
          </>
        )}
        {strand && row.cord !== undefined && (
          <>
            <dt>slack</dt>
            <dd>
              <Length mm={strand.slackMm} />
            </dd>
          </>
        )}
      </dl>
    </section>
  );
}
