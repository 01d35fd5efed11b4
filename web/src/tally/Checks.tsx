import { Button, TextField } from "@mui/material";
import { useState, type FormEvent } from "react";
import type { Check, Fix } from "../api/client.ts";
import type { Bench } from "../piece/Bench.ts";
import type { BenchState } from "../piece/BenchState.ts";
import { FixAll } from "./FixAll.tsx";
import { useFixes } from "./useFixes.ts";

interface Props {
  bench: Bench;
  state: BenchState;
  /** Only the checks that are fixed at this step. */
  step?: Check["step"];
  /** Called when the finding's place has been selected. */
  onShown?: () => void;
}

const SIGNS: Record<Check["severity"], { sign: string; says: string }> = {
  stop: { sign: "✕", says: "Stop" },
  warn: { sign: "▲", says: "Warning" },
  advise: { sign: "•", says: "Advice" },
};

/** Checks lists the findings on the piece, worst first, each with its place and its fix. */
export function Checks({ bench, state, step, onShown }: Props) {
  const checks = (state.analysis?.checks ?? []).filter((c) => !step || c.step === step || (step === "ends" && c.end));
  const fixes = useFixes(state);
  const open = checks.filter((c) => !c.waived);
  const waived = checks.filter((c) => c.waived);
  return (
    <section aria-label="Checks" className={state.behind ? "behind" : undefined}>
      <h2>Checks</h2>
      {!step && open.filter((c) => c.severity !== "advise" && fixes.get(c)).length > 1 && <FixAll bench={bench} state={state} />}
      {open.length === 0 && <p className="all-right">✓ No problems found.</p>}
      {open.map((check, i) => (
        <OpenCheck key={`${check.code}${check.end}${i}`} check={check} fix={fixes.get(check)} bench={bench} onShown={onShown} />
      ))}
      {waived.map((check, i) => (
        <div key={`${check.code}${check.end}${i}`} className="check waived" role="group" aria-label={`${check.title}, waived`}>
          <div className="what">{check.title}: waived</div>
          <div>“{check.waived}”</div>
          <div className="acts">
            <button type="button" className="link" onClick={() => void bench.apply(...placesOf(check).map((at) => ({ do: "unwaive" as const, field: check.code, at, material: check.of })))}>
              Remove waiver
            </button>
          </div>
        </div>
      ))}
    </section>
  );
}

/** placesOf are the strands and ends a waiver of the check holds for, those of alike rows too: it stays while the strands are edited. */
function placesOf({ strand, end, more }: Check) {
  const others = new Set((more ?? []).map((place) => place.strand).filter((other) => other && other !== strand));
  return [{ strand, end }, ...[...others].map((other) => ({ strand: other, end }))];
}

function OpenCheck({ check, fix, bench, onShown }: { check: Check; fix?: Fix | null; bench: Bench; onShown?: () => void }) {
  const [waiving, setWaiving] = useState(false);
  function show() {
    if (check.element === undefined) return;
    if (check.strand) bench.toRow(check.strand);
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
        {fix && (
          <button type="button" className="link" onClick={() => void bench.applyFix(fix)}>
            {fix.says}
          </button>
        )}
        <button type="button" className="link light" aria-expanded={waiving} onClick={() => setWaiving(!waiving)}>
          Waive
        </button>
      </div>
      {waiving && <WaiverForm onCancel={() => setWaiving(false)} onNote={(note) => void bench.apply(...placesOf(check).map((at) => ({ do: "waive" as const, field: check.code, at, material: check.of, text: note })))} />}
    </div>
  );
}

function WaiverForm({ onNote, onCancel }: { onNote: (note: string) => void; onCancel: () => void }) {
  const [note, setNote] = useState("");
  function save(event: FormEvent) {
    event.preventDefault();
    if (note.trim()) onNote(note.trim());
  }
  return (
    <form className="waiver" onSubmit={save} onKeyDown={(e) => e.key === "Escape" && onCancel()}>
      <TextField autoFocus fullWidth size="small" label="Reason" value={note} onChange={(e) => setNote(e.target.value)} slotProps={{ htmlInput: { maxLength: 500 } }} />
      <Button type="submit" size="small" disabled={!note.trim()}>
        Save
      </Button>
    </form>
  );
}
