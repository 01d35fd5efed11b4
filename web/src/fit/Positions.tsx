import type { Analysis } from "../api/client.ts";
import { Length } from "../ui/UnitContext.tsx";

/** Positions lists where the clasp can be hooked in, with the length and the sizes each covers. */
export function Positions({ positions }: { positions: NonNullable<Analysis["positions"]> }) {
  return (
    <section aria-label="Places to close it">
      <h2>Places to close it</h2>
      <table className="list positions">
        <thead>
          <tr>
            <th scope="col">link</th>
            <th scope="col" className="n">
              closed
            </th>
            <th scope="col" className="n">
              inside
            </th>
            <th scope="col">covers</th>
          </tr>
        </thead>
        <tbody>
          {positions.map((p) => (
            <tr key={p.link}>
              <th scope="row">{p.link}</th>
              <td className="n">
                <Length mm={p.finishedMm} />
              </td>
              <td className="n">{p.insideMm !== undefined && <Length mm={p.insideMm} />}</td>
              <td>{[p.word && `${p.word} here`, ...p.covers].filter(Boolean).join(", ")}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
