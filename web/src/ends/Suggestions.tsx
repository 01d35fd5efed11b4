import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, unwrap, type Document, type Suggestion } from "../api/client.ts";
import { identity } from "../api/identity.ts";
import type { Bench } from "../piece/Bench.ts";
import { useUnit } from "../ui/UnitContext.tsx";

const ENDS = [
  { end: "left", title: "Left" },
  { end: "right", title: "Right" },
  { end: "", title: "Closure" },
];

/** Suggestions are fittings of the catalogue for the ends, each with its reason. */
export function Suggestions({ bench, doc, row }: { bench: Bench; doc: Document; row: string }) {
  const { unit } = useUnit();
  const found = useQuery({
    queryKey: ["suggest", identity(doc), row, unit],
    queryFn: () => unwrap(api.POST("/api/suggest", { params: { query: { unit, row } }, body: doc })),
    placeholderData: keepPreviousData,
    retry: false,
  });
  if (!found.data || found.data.items.length === 0) return null;
  const { items, byHouse } = found.data;
  return (
    <section aria-label="Suggested findings">
      <h2>Suggested findings</h2>
      {byHouse && (
        <p>
          <button type="button" className="link" onClick={() => void bench.applyFix(byHouse)}>
            {byHouse.says}
          </button>
        </p>
      )}
      {ENDS.map(({ end, title }) => (
        <Offers key={end} title={title} items={items.filter((s) => (s.end ?? "") === end)} bench={bench} />
      ))}
    </section>
  );
}

function Offers({ title, items, bench }: { title: string; items: Suggestion[]; bench: Bench }) {
  if (items.length === 0) return null;
  return (
    <div className="offers" role="group" aria-label={title}>
      <h3>{title}</h3>
      <ul>
        {items.map((s) => (
          <li key={s.role}>
            <b>{s.name}</b>{" "}
            {s.has ? (
              <span className="all-right">✓ in place</span>
            ) : (
              <button type="button" className="link" aria-label={`Use ${s.name}, ${title.toLowerCase()}`} onClick={() => void bench.applyFix(s.fix!)}>
                Use
              </button>
            )}
            <span className="quiet"> {s.reason}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}
