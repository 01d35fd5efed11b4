import type { Operation } from "../api/client.ts";
import { numberOf, rowOf, strandOf } from "../api/piece.ts";
import type { Bench } from "../piece/Bench.ts";
import type { BenchState } from "../piece/BenchState.ts";
import { LengthField } from "../ui/LengthField.tsx";

const RULES = [
  { rule: "equal", label: "equal to" },
  { rule: "longer", label: "longer than" },
  { rule: "touching", label: "touching" },
  { rule: "own", label: "own" },
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
      <select aria-label={`Row ${number} follows`} value={follow} onChange={(e) => set({ text: e.target.value, mm: e.target.value === "own" ? Math.round(strandOf(state.analysis!, row).finishedMm) : undefined })}>
        {RULES.map(({ rule, label }) => (
          <option key={rule} value={rule}>
            {rule === "own" ? "of a length of its own" : `${label} row ${number - 1}`}
          </option>
        ))}
      </select>
      {(follow === "longer" || follow === "touching") && (
        <>
          by
          <LengthField label={`By how much row ${number} is longer`} mm={followMm ?? 0} width={72} onChange={(mm) => set({ text: "longer", mm })} />
        </>
      )}
      {follow === "own" && <LengthField label={`Length asked of row ${number}`} mm={followMm ?? 0} width={84} onChange={(mm) => set({ mm })} />}
    </span>
  );
}
