import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { api, unwrap, type Document } from "../api/client.ts";
import { identity } from "../api/identity.ts";
import { CLOSURES, KINDS, usualLength } from "../ui/Answers.tsx";
import { WayList } from "../proposals/WayList.tsx";
import { takenByNumber } from "../proposals/WaysSection.tsx";
import { LengthField } from "../ui/LengthField.tsx";
import { useUnit } from "../ui/UnitContext.tsx";
import type { StartProps } from "./FromLength.tsx";

type Kind = "necklace" | "bracelet" | "anklet";
type Closure = "clasp" | "knot" | "none" | "bar" | "tied";

/** Convert makes the piece another kind, or closes it another way: of its pattern the counts alone change. */
export function Convert({ bench, state }: StartProps) {
  const [open, setOpen] = useState(false);
  return (
    <details className="convert" open={open} onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>Convert it, keeping the pattern</summary>
      {open && <To bench={bench} state={state} />}
    </details>
  );
}

function To({ bench, state }: StartProps) {
  const { unit } = useUnit();
  const { analysed: doc } = state;
  const [kind, setKind] = useState<Kind>(kindOf(doc));
  const [closure, setClosure] = useState<Closure>(doc.closure.type as Closure);
  const [to, setTo] = useState<number | null>(null);
  const [inStock, setInStock] = useState(false);
  const same = kind === doc.kind && closure === doc.closure.type && to === null;
  const toMm = to ?? (kind === doc.kind ? undefined : usualLength(kind, unit));
  const found = useQuery({
    queryKey: ["convert", identity(doc), kind, closure, toMm, inStock, unit],
    queryFn: ({ signal }) => unwrap(api.POST("/api/convert", { params: { query: { unit } }, body: { document: doc, kind, closure, toMm, inStock: inStock || undefined }, signal })),
    enabled: !same && !state.behind,
    placeholderData: (old) => old,
    retry: false,
  });
  useEffect(() => () => void bench.preview(null), [bench]);
  const data = same ? undefined : found.data;

  return (
    <div className="proposals" onKeyDown={takenByNumber(bench, data?.items ?? [])}>
      <label>
        to a{" "}
        <select aria-label="Convert to a" value={kind} onChange={(e) => setKind(e.target.value as Kind)}>
          {KINDS.filter(({ value }) => value !== "ornament").map(({ value, label }) => (
            <option key={value} value={value}>
              {label.toLowerCase()}
            </option>
          ))}
        </select>
      </label>
      <label>
        closed by{" "}
        <select aria-label="Closed by" value={closure} onChange={(e) => setClosure(e.target.value as Closure)}>
          {CLOSURES.map(({ value, label }) => (
            <option key={value} value={value}>
              {label.toLowerCase()}
            </option>
          ))}
        </select>
      </label>
      <p>
        of <LengthField label="Length to convert it to" mm={toMm ?? null} placeholder="the same inside" width={120} onChange={setTo} onClear={() => setTo(null)} />
      </p>
      <label className="tick">
        <input type="checkbox" checked={inStock} onChange={(e) => setInStock(e.target.checked)} /> only what is in stock
      </label>
      {!same && <WayList bench={bench} found={found} />}
      {!!data?.checks.length && (
        <>
          <p>Converting causes these problems, to be fixed afterwards:</p>
          <ul>
            {data.checks.map((says) => (
              <li key={says}>{says}</li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}

/** kindOf is what an ornament would first be made into: it is not worn as it is. */
const kindOf = (doc: Document): Kind => (doc.kind === "ornament" ? "necklace" : doc.kind);
