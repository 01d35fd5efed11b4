import { numberOf, rowsOf, several } from "../api/piece.ts";
import type { Bench } from "../piece/Bench.ts";
import type { BenchState } from "../piece/BenchState.ts";
import { Follow } from "./Follow.tsx";
import { formatLength } from "../units/length.ts";
import { LengthField } from "../ui/LengthField.tsx";
import { Length, useUnit } from "../ui/UnitContext.tsx";

interface Props {
  bench: Bench;
  state: BenchState;
  /** Opens the ways to bring it right. */
  onProposals: () => void;
}

/** Gauge compares the finished length with its target. */
export function Gauge(props: Props) {
  return several(props.state.doc) ? <RowsGauge {...props} /> : <OneGauge {...props} />;
}

function OneGauge({ bench, state, onProposals }: Props) {
  const { unit } = useUnit();
  const { analysis, behind } = state;
  const target = analysis?.target;
  const shown = target?.counts === "beads" ? target.mm : (analysis?.finishedMm ?? 0);

  return (
    <section className="gauge" aria-label="Length">
      <div className={`figure ${behind ? "behind" : ""}`} data-testid="finished">
        {analysis ? <Length mm={shown} /> : "…"}
      </div>
      {target && !behind && <Verdict off={target.offMm} within={target.within} />}
      <BringRight state={state} onProposals={onProposals} />
      {analysis && target && <Bar mm={target.mm} target={target.finishedMm} tolerance={target.toleranceMm} />}
      <div className="asked">
        <Target bench={bench} state={state} />
        {analysis && <Inside analysis={analysis} text={(mm) => formatLength(mm, unit)} />}
        <AnyOrder state={state} text={(mm) => formatLength(mm, unit)} />
      </div>
    </section>
  );
}

/** RowsGauge is the length of each row against what is asked of it, that in hand larger. */
function RowsGauge({ bench, state, onProposals }: Props) {
  const { unit } = useUnit();
  const { analysis, doc, row, behind } = state;
  const firstOfMain = analysis?.rows ? analysis.rows.main[0] === row || !analysis.rows.main.includes(row) : numberOf(doc, row) === 1;
  return (
    <section className="gauge" aria-label="Length">
      <div className={`rows-gauge ${behind ? "behind" : ""}`}>
        {rowsOf(doc).map(({ id }, i) => {
          // Of rows in series one loop is one length: the section with the most rows shows them all.
          if (analysis?.rows && !analysis.rows.main.includes(id) && id !== row) return null;
          const strand = analysis?.strands.find((s) => s.id === id);
          const target = strand?.target;
          const inHand = id === row;
          return (
            <button type="button" key={id} aria-pressed={inHand} aria-label={`Row ${i + 1}`} onClick={() => bench.toRow(id)}>
              <span className="number">{i + 1}</span>
              <span className="figure" data-testid={inHand ? "finished" : undefined}>
                {strand ? <Length mm={target?.counts === "beads" ? target.mm : strand.finishedMm} bare={!inHand} /> : "…"}
              </span>
              {target && !behind && <Verdict off={target.offMm} within={target.within} short />}
            </button>
          );
        })}
      </div>
      <BringRight state={state} onProposals={onProposals} />
      <div className="asked">
        {firstOfMain ? <Target bench={bench} state={state} /> : <Follow bench={bench} state={state} />}
        {analysis && <Inside analysis={analysis} text={(mm) => formatLength(mm, unit)} />}
        <AnyOrder state={state} text={(mm) => formatLength(mm, unit)} />
      </div>
    </section>
  );
}

/** BringRight leads to the proposals where the row in hand is off its target, or the piece does not suit its wearer. */
function BringRight({ state, onProposals }: Pick<Props, "state" | "onProposals">) {
  const target = state.analysis?.strands.find((s) => s.id === state.row)?.target;
  const fit = state.analysis?.fit;
  if (state.behind || ((!target || target.within) && (!fit || fit.suits))) return null;
  return (
    <button type="button" className="link" title="Ways to bring it right (=)" onClick={onProposals}>
      Bring it right …
    </button>
  );
}

/** Target is the length asked for, and how far off is still right. */
function Target({ bench, state }: { bench: Bench; state: BenchState }) {
  const { analysis, doc } = state;
  return (
        <span className="row">
          {several(doc) ? "row 1" : "target"}
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
  );
}

function Verdict({ off, within, short = false }: { off: number; within: boolean; short?: boolean }) {
  const { unit } = useUnit();
  const by = formatLength(Math.abs(off), unit);
  const exact = by.startsWith("0 ");
  const words = exact ? "on target" : `${by} ${off > 0 ? "over" : "under"}`;
  if (short) return <span className={`verdict ${within ? "right" : "off"}`} title={words}>{within ? "✓" : `${off > 0 ? "▲" : "▼"} ${by}`}<span className="hidden"> {words}</span></span>;
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

/** AnyOrder says how long the row in hand is with its free runs mixed one way or another. */
function AnyOrder({ state, text }: { state: BenchState; text: (mm: number) => string }) {
  const strand = state.analysis?.strands.find((s) => s.id === state.row);
  if (!strand?.free) return null;
  const { free, finishedMm } = strand;
  const sum = (of: (one: (typeof free)[number]) => number) => free.reduce((mm, one) => mm + of(one) - finishedMm, finishedMm);
  return (
    <span title="The shortest and the longest that its free runs can be mixed to" data-testid="any-order">
      in any order {text(sum((one) => one.leastMm))} to {text(sum((one) => one.mostMm))}
    </span>
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
