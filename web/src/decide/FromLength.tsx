import type { Bench } from "../bench/Bench.ts";
import type { BenchState } from "../bench/BenchState.ts";
import { lengthQuestion } from "../pieces/Answers.tsx";
import { LengthField } from "../units/LengthField.tsx";

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
    </fieldset>
  );
}
