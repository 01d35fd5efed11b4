import type { Check } from "../api/client.ts";
import type { Bench, BenchState } from "../bench/Bench.ts";

interface Props {
  bench: Bench;
  state: BenchState;
  /** Called when the strand has been moved to a finding's place. */
  onShown: () => void;
}

const SIGNS: Record<Check["severity"], { sign: string; says: string }> = {
  stop: { sign: "✕", says: "Stop" },
  warn: { sign: "▲", says: "Warning" },
  advise: { sign: "•", says: "Advice" },
};

/** Checks are the judgements on the piece, worst first, each with its place and its fix. */
export function Checks({ bench, state, onShown }: Props) {
  const checks = state.analysis?.checks ?? [];
  function show(check: Check) {
    if (check.element === undefined) return;
    bench.select(check.element, check.element + 1);
    onShown();
  }
  return (
    <section aria-label="Checks" className={state.behind ? "behind" : undefined}>
      <h2>Checks</h2>
      {checks.length === 0 && <p className="all-right">✓ Nothing stands in the way.</p>}
      {checks.map((check, i) => (
        <div key={i} className={`check ${check.severity}`} role="group" aria-label={check.title}>
          <div className="what">
            <span aria-hidden>{SIGNS[check.severity].sign}</span>
            <span className="hidden">{SIGNS[check.severity].says}: </span>
            {check.title}
          </div>
          <div>{check.says}</div>
          <div className="acts">
            {check.element !== undefined && (
              <button type="button" className="link" onClick={() => show(check)}>
                Show where
              </button>
            )}
            {check.fix && (
              <button type="button" className="link" onClick={() => void bench.applyFix(check.fix!)}>
                {check.fix.says}
              </button>
            )}
          </div>
        </div>
      ))}
    </section>
  );
}
