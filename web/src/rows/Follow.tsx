import type { Operation } from "../api/client.ts";
import { numberOf, rowOf } from "../api/piece.ts";
import type { Bench } from "../bench/Bench.ts";
import type { BenchState } from "../bench/BenchState.ts";
import { LengthField } from "../units/LengthField.tsx";

const RULES = [
  { rule: "equal", label: "equal to" },
  { rule: "longer", label: "longer than" },
  { rule: "touching", label: "touching" },
  { rule: "", label: "free of" },
];

/** Follow chooses how the length of a row follows from that of the row before it. */
export function Follow({ bench, state }: { bench: Bench; state: BenchState }) {
  const { doc, row } = state;
  const number = numberOf(doc, row);
  const { follow = "", followMm } = rowOf(doc, row);
  const set = (rest: Partial<Operation>) => void bench.apply({ do: "set-follow", at: { strand: row }, text: follow, ...rest });
  return (
    <span className="row follow">
      row {number} is
      <select aria-label={`Row ${number} follows`} value={follow} onChange={(e) => set({ text: e.target.value })}>
        {RULES.map(({ rule, label }) => (
          <option key={rule} value={rule}>
            {label} row {number - 1}
          </option>
        ))}
      </select>
      {(follow === "longer" || follow === "touching") && (
        <>
          by
          <LengthField label={`By how much row ${number} is longer`} mm={followMm ?? 0} width={72} onChange={(mm) => set({ text: "longer", mm })} />
        </>
      )}
    </span>
  );
}
