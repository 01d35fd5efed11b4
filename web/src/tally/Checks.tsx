import { Button, TextField } from "@mui/material";
import { useState, type FormEvent } from "react";
import type { Check } from "../api/client.ts";
import type { Bench, BenchState } from "../bench/Bench.ts";
import { withWaiver } from "../bench/document.ts";

interface Props {
  bench: Bench;
  state: BenchState;
  /** Only the checks that are mended at this step. */
  step?: Check["step"];
  /** Called when the strand has been moved to a finding's place. */
  onShown?: () => void;
}

const SIGNS: Record<Check["severity"], { sign: string; says: string }> = {
  stop: { sign: "✕", says: "Stop" },
  warn: { sign: "▲", says: "Warning" },
  advise: { sign: "•", says: "Advice" },
};

/** Checks are the judgements on the piece, worst first, each with its place and its fix. */
export function Checks({ bench, state, step, onShown }: Props) {
  const checks = (state.analysis?.checks ?? []).filter((c) => !step || c.step === step || (step === "ends" && c.end));
  const open = checks.filter((c) => !c.waived);
  const waived = checks.filter((c) => c.waived);
  return (
    <section aria-label="Checks" className={state.behind ? "behind" : undefined}>
      <h2>Checks</h2>
      {open.length === 0 && <p className="all-right">✓ Nothing stands in the way.</p>}
      {open.map((check, i) => (
        <OpenCheck key={`${check.code}${check.end}${i}`} check={check} bench={bench} onShown={onShown} />
      ))}
      {waived.map((check, i) => (
        <div key={`${check.code}${check.end}${i}`} className="check waived" role="group" aria-label={`${check.title}, let stand`}>
          <div className="what">{check.title}: let stand</div>
          <div>“{check.waived}”</div>
          <div className="acts">
            <button type="button" className="link" onClick={() => bench.change(withWaiver(bench.snapshot().doc, check, null))}>
              Count it again
            </button>
          </div>
        </div>
      ))}
    </section>
  );
}

function OpenCheck({ check, bench, onShown }: { check: Check; bench: Bench; onShown?: () => void }) {
  const [waiving, setWaiving] = useState(false);
  function show() {
    if (check.element === undefined) return;
    bench.select(check.element, check.element + 1);
    onShown?.();
  }
  return (
    <div className={`check ${check.severity}`} role="group" aria-label={check.title}>
      <div className="what">
        <span aria-hidden>{SIGNS[check.severity].sign}</span>
        <span className="hidden">{SIGNS[check.severity].says}: </span>
        {check.title}
      </div>
      <div>{check.says}</div>
      <div className="acts">
        {check.element !== undefined && onShown && (
          <button type="button" className="link" onClick={show}>
            Show where
          </button>
        )}
        {check.fix && (
          <button type="button" className="link" onClick={() => void bench.applyFix(check.fix!)}>
            {check.fix.says}
          </button>
        )}
        <button type="button" className="link light" aria-expanded={waiving} onClick={() => setWaiving(!waiving)}>
          Let it stand
        </button>
      </div>
      {waiving && <WaiverForm onCancel={() => setWaiving(false)} onNote={(note) => bench.change(withWaiver(bench.snapshot().doc, check, note))} />}
    </div>
  );
}

function WaiverForm({ onNote, onCancel }: { onNote: (note: string) => void; onCancel: () => void }) {
  const [note, setNote] = useState("");
  function keep(event: FormEvent) {
    event.preventDefault();
    if (note.trim()) onNote(note.trim());
  }
  return (
    <form className="waiver" onSubmit={keep} onKeyDown={(e) => e.key === "Escape" && onCancel()}>
      <TextField autoFocus fullWidth size="small" label="Why it may stand" value={note} onChange={(e) => setNote(e.target.value)} slotProps={{ htmlInput: { maxLength: 500 } }} />
      <Button type="submit" size="small" disabled={!note.trim()}>
        Keep the note
      </Button>
    </form>
  );
}
