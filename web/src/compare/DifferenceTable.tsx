import { asShown, formatLength, type Unit } from "../units/length.ts";
import { useUnit } from "../ui/UnitContext.tsx";
import type { Difference } from "./compare.ts";

function shown(value: Difference["one"], kind: Difference["kind"], unit: Unit): string {
  if (value === null) return "has an error";
  if (typeof value === "string") return value;
  if (kind === "length") return formatLength(value, unit);
  return kind === "mass" ? `${value.toFixed(1)} g` : String(value);
}

/** change is by how much two numbers differ as they are shown; 0 where one is none. */
function change({ one, other, kind }: Difference, unit: Unit): number {
  if (typeof one !== "number" || typeof other !== "number") return 0;
  const as = (value: number) => (kind === "length" ? asShown(value, unit) : kind === "mass" ? Number(value.toFixed(1)) : value);
  return as(other) - as(one);
}

/** DifferenceTable sets two sides beside each other, figure by figure, with the change. */
export function DifferenceTable({ differences, names }: { differences: Difference[]; names: [string, string] }) {
  const { unit } = useUnit();
  return (
    <table className="list" style={{ marginTop: 16 }}>
      <thead>
        <tr>
          <th scope="col">Figure</th>
          <th scope="col" className="n">
            {names[0]}
          </th>
          <th scope="col" className="n">
            {names[1]}
          </th>
          <th scope="col" className="n">
            Change
          </th>
        </tr>
      </thead>
      <tbody>
        {differences.map((d) => {
          const by = change(d, unit);
          const differs = shown(d.one, d.kind, unit) !== shown(d.other, d.kind, unit);
          return (
            <tr key={d.what} className={differs ? "differs" : undefined}>
              <th scope="row">{d.what}</th>
              <td className="n">{shown(d.one, d.kind, unit)}</td>
              <td className="n">{shown(d.other, d.kind, unit)}</td>
              <td className="n">{differs && by !== 0 ? `${by > 0 ? "+" : ""}${shown(by, d.kind, unit)}` : ""}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
