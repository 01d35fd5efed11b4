import type { Bench } from "../bench/Bench.ts";
import type { BenchState } from "../bench/BenchState.ts";
import { formatLength } from "../units/length.ts";
import { LengthField } from "../units/LengthField.tsx";
import { Length, useUnit } from "../units/UnitContext.tsx";

/** Gauge compares the finished length with its target. */
export function Gauge({ bench, state }: { bench: Bench; state: BenchState }) {
  const { unit } = useUnit();
  const { analysis, doc, behind } = state;
  const target = analysis?.target;
  const shown = target?.counts === "beads" ? target.mm : (analysis?.finishedMm ?? 0);

  return (
    <section className="gauge" aria-label="Length">
      <div className={`figure ${behind ? "behind" : ""}`} aria-live="polite" data-testid="finished">
        {analysis ? <Length mm={shown} /> : "…"}
      </div>
      {target && !behind && <Verdict off={target.offMm} within={target.within} />}
      {analysis && target && <Bar mm={target.mm} target={target.finishedMm} tolerance={target.toleranceMm} />}
      <div className="asked">
        <span className="row">
          target
          <LengthField
            label="Target length"
            mm={doc.target?.finishedMm ?? null}
            placeholder="none"
            width={84}
            onChange={(mm) => void bench.apply({ do: "set-target", mm })}
            onClear={() => void bench.apply({ do: "set-target" })}
          />
          ±
          <LengthField label="Tolerance" mm={doc.target?.toleranceMm ?? null} placeholder="3 mm" width={56} onChange={(toleranceMm) => void bench.apply({ do: "set-target", mm: doc.target?.finishedMm ?? analysis?.finishedMm, toleranceMm })} />
        </span>
        {analysis && <Inside analysis={analysis} text={(mm) => formatLength(mm, unit)} />}
      </div>
    </section>
  );
}

function Verdict({ off, within }: { off: number; within: boolean }) {
  const { unit } = useUnit();
  const by = formatLength(Math.abs(off), unit);
  const exact = by.startsWith("0 ");
  const words = exact ? "on target" : `${by} ${off > 0 ? "over" : "under"}`;
  return <span className={`verdict ${within ? "right" : "off"}`}>{within ? `✓ ${words}` : `${off > 0 ? "▲" : "▼"} ${words}`}</span>;
}

/** Bar shows the length on a scale with the target at four fifths. */
function Bar({ mm, target, tolerance }: { mm: number; target: number; tolerance: number }) {
  const share = (value: number) => `${Math.max(0, Math.min(100, (value / target) * 80))}%`;
  return (
    <div className="bar" aria-hidden>
      <div className="run" style={{ width: share(mm) }} />
      <div className="zone" style={{ left: share(target - tolerance), width: share(2 * tolerance) }} />
      <div className="mark" style={{ left: share(target) }} />
    </div>
  );
}

function Inside({ analysis, text }: { analysis: NonNullable<BenchState["analysis"]>; text: (mm: number) => string }) {
  if (analysis.insideMm !== null && analysis.insideMm !== undefined) {
    const { fit } = analysis;
    return (
      <span title={fit ? `What the wearer feels; ${text(fit.easeMm)} of ease on ${text(fit.measureMm)}` : "What the wearer feels"}>
        inside {text(analysis.insideMm)}
        {fit && (
          <span className={fit.suits ? "fits" : "fits not"}>
            {" "}
            {fit.suits ? "✓" : "▲"} {fit.word}
          </span>
        )}
      </span>
    );
  }
  const rule = analysis.insideRule;
  if (!rule) return null;
  return <span title={`Finished length less π × ${rule.thickMm} mm, the thickness of the beads that touch`}>rule of thumb: inside {text(rule.mm)}</span>;
}
