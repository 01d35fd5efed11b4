import { useState, type FormEvent } from "react";
import { Link, useLocation, useNavigate } from "react-router";
import type { Check, Fix } from "../api/client.ts";
import { numberOf, several } from "../api/piece.ts";
import type { BenchContext } from "../piece/context.ts";
import { FixAll } from "./FixAll.tsx";
import { openProblems, SEVERITY } from "./severity.ts";

interface Props extends BenchContext {
  fixes: Map<Check, Fix | null>;
}

/** STEPS are the views in which problems are put right. */
const STEPS = {
  decide: { path: "/decide", name: "Decide" },
  "lay-out": { path: "", name: "Lay out" },
  fit: { path: "/fit", name: "Fit" },
  ends: { path: "/ends", name: "Ends and cutting" },
} satisfies Record<Check["step"], { path: string; name: string }>;

/** ProblemList lists the problems of the piece, worst first, each with its place and its fix, and those that are ignored. */
export function ProblemList({ id, bench, state, fixes }: Props) {
  const { analysis, faults } = state;
  const open = openProblems(analysis);
  const ignored = analysis?.checks.filter((c) => c.waived) ?? [];
  if (faults.length > 0) {
    return (
      <div className="check stop" role="group" aria-label="The bead line has an error">
        <div className="what">
          <span aria-hidden>{SEVERITY.stop.sign}</span> The bead line has an error
        </div>
        <div>
          Column {faults[0].column}: {faults[0].says}
        </div>
        <div className="acts">
          <Link to={`/pieces/${id}`} className="link">
            Show it in Lay out
          </Link>
        </div>
      </div>
    );
  }
  return (
    <>
      {open.length === 0 && <p className="all-right">✓ No problems found.</p>}
      {open.filter((c) => c.severity !== "advise" && fixes.get(c)).length > 1 && <FixAll bench={bench} state={state} />}
      {open.map((check, i) => (
        <OpenProblem key={`${check.code}${check.end}${i}`} check={check} fix={fixes.get(check)} id={id} bench={bench} state={state} />
      ))}
      {ignored.length > 0 && <h3>Ignored</h3>}
      {ignored.map((check, i) => (
        <div key={`${check.code}${check.end}${i}`} className="check waived" role="group" aria-label={`${check.title}, ignored`}>
          <div className="what">{check.title}</div>
          <div>“{check.waived}”</div>
          <div className="acts">
            <button type="button" className="link" onClick={() => void bench.apply(...placesOf(check).map((at) => ({ do: "unwaive" as const, field: check.code, at, material: check.of })))}>
              Do not ignore it
            </button>
          </div>
        </div>
      ))}
    </>
  );
}

/** placesOf are the strands and ends that a problem is ignored at, those of alike rows too: it stays so while the strands are edited. */
function placesOf({ strand, end, more }: Check) {
  const others = new Set((more ?? []).map((place) => place.strand).filter((other) => other && other !== strand));
  return [{ strand, end }, ...[...others].map((other) => ({ strand: other, end }))];
}

function OpenProblem({ check, fix, id, bench, state }: { check: Check; fix?: Fix | null } & BenchContext) {
  const [asked, setAsked] = useState(false);
  const severity = SEVERITY[check.severity];
  return (
    <div className={`check ${check.severity}`} role="group" aria-label={check.title}>
      <div className="what">
        <span aria-hidden>{severity.sign}</span> {check.title}
        <span className="severity">{severity.says}</span>
      </div>
      <div>{check.says}</div>
      <div className="acts">
        {fix && (
          <button type="button" className="link" onClick={() => void bench.applyFix(fix)}>
            {fix.says}
          </button>
        )}
        <Where check={check} id={id} bench={bench} state={state} />
        <button type="button" className="link light" aria-expanded={asked} onClick={() => setAsked(!asked)}>
          Ignore …
        </button>
      </div>
      {asked && <Reason onCancel={() => setAsked(false)} onReason={(reason) => void bench.apply(...placesOf(check).map((at) => ({ do: "waive" as const, field: check.code, at, material: check.of, text: reason })))} />}
    </div>
  );
}

/** Where leads to the beads that a problem is at, or to the view in which it is put right. */
function Where({ check, id, bench, state }: { check: Check } & BenchContext) {
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const step = STEPS[check.step];
  const row = check.strand && several(state.doc) ? ` row ${numberOf(state.doc, check.strand)}` : "";
  if (check.element === undefined) {
    const to = `/pieces/${id}${step.path}`;
    return to === pathname ? null : (
      <Link className="link light" to={to} onClick={() => check.strand && bench.toRow(check.strand)}>
        Show{row} in {step.name}
      </Link>
    );
  }
  const { element } = check;
  return (
    <button
      type="button"
      className="link light"
      onClick={() => {
        if (check.strand) bench.toRow(check.strand);
        bench.select(element, element + 1);
        void navigate(`/pieces/${id}`);
        document.querySelector<HTMLElement>(".felt-close")?.focus(); // in Lay out already; else it takes the focus as it appears
      }}
    >
      Show where
    </button>
  );
}

function Reason({ onReason, onCancel }: { onReason: (reason: string) => void; onCancel: () => void }) {
  const [reason, setReason] = useState("");
  function save(event: FormEvent) {
    event.preventDefault();
    if (reason.trim()) onReason(reason.trim());
  }
  return (
    <form
      className="reason"
      onSubmit={save}
      onKeyDown={(e) => {
        if (e.key !== "Escape") return;
        e.stopPropagation();
        onCancel();
      }}
    >
      <label>
        Reason <input autoFocus value={reason} maxLength={500} onChange={(e) => setReason(e.target.value)} />
      </label>
      <button type="submit" className="does" disabled={!reason.trim()}>
        Ignore
      </button>
    </form>
  );
}
