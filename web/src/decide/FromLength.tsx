import type { Bench } from "../piece/Bench.ts";
import type { BenchState } from "../piece/BenchState.ts";
import { lengthQuestion } from "../ui/Answers.tsx";
import { formatLength, type Unit } from "../units/length.ts";
import { LengthField } from "../ui/LengthField.tsx";

export interface StartProps {
  bench: Bench;
  state: BenchState;
}

/** FromLength starts from a length that is asked for. */
export function FromLength({ bench, state, counts }: StartProps & { counts: string | undefined }) {
  const { doc, analysis } = state;
  return (
    <fieldset>
      <legend>{lengthQuestion(counts, doc.kind === "ornament")}</legend>
      <LengthField label="Target length" mm={doc.target?.finishedMm ?? null} placeholder="no target yet" width={130} onChange={(mm) => void bench.apply({ do: "set-target", mm })} onClear={() => void bench.apply({ do: "set-target" })} />
      {" ± "}
      <LengthField label="Tolerance" mm={doc.target?.toleranceMm ?? null} placeholder="3 mm" width={80} onChange={(toleranceMm) => void bench.apply({ do: "set-target", mm: doc.target?.finishedMm ?? analysis?.finishedMm, toleranceMm })} />
      {doc.target && <Rounded mm={doc.target.finishedMm} onRound={(mm) => void bench.apply({ do: "set-target", mm })} />}
    </fieldset>
  );
}

/** Rounded offers the target as a round figure of either unit, where it is none. */
function Rounded({ mm, onRound }: { mm: number; onRound: (mm: number) => void }) {
  const offered = ROUND.map(({ unit, step }) => ({ unit, to: Math.max(1, Math.round(mm / step)) * step })).filter(({ to }) => Math.abs(to - mm) > 0.05);
  return (
    <p className="rounded">
      {offered.map(({ unit, to }) => (
        <button key={unit} type="button" className="link" onClick={() => onRound(to)}>
          {`Round to ${formatLength(to, unit)}`}
        </button>
      ))}
    </p>
  );
}

/** ROUND is how lengths are asked for in round figures: by 5 mm, and by a quarter of an inch. */
const ROUND: { unit: Unit; step: number }[] = [
  { unit: "mm", step: 5 },
  { unit: "in", step: 6.35 },
];
