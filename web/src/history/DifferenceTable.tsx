import { formatLength, type Unit } from "../units/length.ts";
import { useUnit } from "../units/UnitContext.tsx";
import type { Difference } from "./compare.ts";

function shown(value: Difference["one"], kind: Difference["kind"], unit: Unit): string {
  if (value === null) return "has an error";
  if (typeof value === "string") return value;
  if (kind === "length") return formatLength(value, unit);
  return kind === "mass" ? `${value.toFixed(1)} g` : String(value);
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
          const numbers = typeof d.one === "number" && typeof d.other === "number";
          const by = numbers ? (d.other as number) - (d.one as number) : 0;
          const differs = shown(d.one, d.kind, unit) !== shown(d.other, d.kind, unit);
          return (
            <tr key={d.what} className={differs ? "differs" : undefined}>
              <th scope="row">{d.what}</th>
              <td className="n">{shown(d.one, d.kind, unit)}</td>
              <td className="n">{shown(d.other, d.kind, unit)}</td>
              <td className="n">{differs && numbers ? `${by > 0 ? "+" : ""}${shown(by, d.kind, unit)}` : ""}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
