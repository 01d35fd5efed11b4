import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, unwrap, type Document, type MadeInHand, type Operation } from "../api/client.ts";
import { identity } from "../api/identity.ts";
import { nameAmong } from "../shop/size.ts";
import { bodyOf } from "../lengths/Wearer.tsx";
import { LengthField } from "../ui/LengthField.tsx";
import { formatLength } from "../units/length.ts";
import { Length, useUnit } from "../ui/UnitContext.tsx";
import type { StartProps } from "./FromLength.tsx";

/** FromBeads starts from the beads and the cord that there are: how long the pattern can be, and whom it can suit. */
export function FromBeads({ bench, state }: StartProps) {
  const { unit } = useUnit();
  const { analysed: doc } = state;
  const [beads, setBeads] = useState<Record<string, number>>({});
  const [cord, setCord] = useState<number | null>(null);
  const letters = Object.keys(doc.palette).sort();
  const given = Object.fromEntries(Object.entries(beads).filter(([key]) => letters.includes(key)));
  const asked = Object.keys(given).length > 0 || cord !== null;
  const found = useQuery({
    queryKey: ["in hand", identity(doc), JSON.stringify(given), cord, unit],
    queryFn: ({ signal }) => unwrap(api.POST("/api/in-hand", { params: { query: { unit } }, body: { document: doc, beads: given, cordMm: cord ?? undefined }, signal })),
    enabled: asked && !state.behind,
    placeholderData: (old) => old,
    retry: false,
  });
  const set = (key: string, text: string) => {
    const next = { ...given };
    delete next[key];
    if (text.trim() !== "") next[key] = Math.max(0, Math.min(1_000_000, Math.floor(Number(text)) || 0));
    setBeads(next);
  };
  return (
    <>
      <fieldset>
        <legend>What is in hand?</legend>
        <div className="hand-list">
          {letters.map((key) => (
            <label key={key}>
              <b>{key}</b> {nameAmong(doc, doc.palette[key])}
              <input type="number" min={0} aria-label={`${nameAmong(doc, doc.palette[key])} in hand`} placeholder="enough" value={given[key] ?? ""} onChange={(e) => set(key, e.target.value)} />
            </label>
          ))}
          <label>
            a piece of cord of <LengthField label="Cord in hand" mm={cord} placeholder="enough" width={90} onChange={setCord} onClear={() => setCord(null)} />
          </label>
        </div>
        {letters.length === 0 && <p className="quiet">Give the piece a dish of beads first, in Lay out.</p>}
      </fieldset>
      {found.isError && <p role="alert">{found.error.message}</p>}
      {asked && found.data && <Becomes found={found.data} doc={doc} take={(...operations) => void bench.apply(...operations)} look={(operations) => void bench.preview(operations)} />}
    </>
  );
}

interface BecomesProps {
  found: MadeInHand;
  doc: Document;
  take: (...operations: Operation[]) => void;
  look: (operations: Operation[] | null) => void;
}

/** Becomes lists what the pattern can become: as long as possible, and in each standard size. */
function Becomes({ found, doc, take, look }: BecomesProps) {
  const { unit } = useUnit();
  const formatted = (mm: number) => formatLength(mm, unit);
  const use = (label: string, operations: Operation[]) => (
    <button type="button" className="link" aria-label={`Use ${label}`} onClick={() => take(...operations)} onMouseEnter={() => look(operations)} onMouseLeave={() => look(null)} onFocus={() => look(operations)} onBlur={() => look(null)}>
      Use
    </button>
  );
  return (
    <>
      {found.why && <p role="status">{found.why}</p>}
      {found.longest.length > 0 && (
        <section aria-label="The longest it can be">
          <h3>At its longest</h3>
          <ul className="takes">
            {found.longest.map((way) => (
              <li key={way.line}>
                <span>
                  <b className="bead-line">{way.line}</b> <Length mm={way.finishedMm} />
                  {way.covers.length > 0 && `, suits ${way.covers.join(", ")}`}
                  <br />
                  <span className="quiet">
                    {way.limit ? `${nameAmong(doc, way.limit)} runs out` : "nothing runs out"}
                    {way.spare.map((c) => `; ${c.count} ${nameAmong(doc, c.material)} left`)}
                    {way.cordMm !== undefined && `; ${formatted(way.cordMm)} of cord left`}
                    {way.comes?.map((says) => (
                      <span key={says}>
                        <br />▲ {says}
                      </span>
                    ))}
                  </span>
                </span>
                {use(way.line, [{ do: "set-line", text: way.line }, { do: "set-target", mm: way.finishedMm }])}
              </li>
            ))}
          </ul>
        </section>
      )}
      {found.sizes.length > 0 && (
        <section aria-label="Sizes it would fit">
          <h3>Sizes it would fit</h3>
          <table className="list">
            <tbody>
              {found.sizes.map(({ name, measureMm, finishedMm, items, why }) => {
                const way = items[0];
                return (
                  <tr key={name}>
                    <th scope="row" className="whom">
                      {name} <span className="quiet">{measureMm ? formatted(measureMm) : finishedMm && formatted(finishedMm)}</span>
                    </th>
                    {way ? (
                      <>
                        <td>
                          ✓ <span className="bead-line">{way.line}</span> <Length mm={way.finishedMm} />
                        </td>
                        <td>{use(`${name}: ${way.line}`, [{ do: "set-line", text: way.line }, measureMm ? { do: "set-body", body: { ...bodyOf(doc), measureMm, for: name } } : { do: "set-target", mm: way.finishedMm }])}</td>
                      </>
                    ) : (
                      <td colSpan={2} className="quiet">
                        ✕ {why}
                      </td>
                    )}
                  </tr>
                );
              })}
            </tbody>
          </table>
        </section>
      )}
    </>
  );
}
