import { useEffect, useMemo, type KeyboardEvent } from "react";
import { Calibrate } from "../pictures/Calibrate.tsx";
import { CloseUp } from "../pictures/CloseUp.tsx";
import type { Drawn } from "../api/drawn.ts";
import { WholePiece } from "../pictures/WholePiece.tsx";
import { formatLength } from "../units/length.ts";
import { useUnit } from "../ui/UnitContext.tsx";
import type { Bench } from "../piece/Bench.ts";
import type { BenchState } from "../piece/BenchState.ts";
import { strandKey } from "../piece/strandKeys.ts";
import { numberOf, several, strandOf } from "../api/piece.ts";
import { describePlace, handleOf, runAt, selectionFacts } from "../piece/place.ts";
import type { FeltView } from "./useFeltView.ts";

interface Props {
  bench: Bench;
  state: BenchState;
  view: FeltView;
  /** What the whole piece is drawn from. */
  drawn: Drawn | null | undefined;
  /** The dish whose beads light up. */
  lit: string | null;
}

/** Felt shows the piece in two bands: the whole piece, and the close-up that is edited. */
export function Felt({ bench, state, view, drawn, lit }: Props) {
  const { unit } = useUnit();
  const { analysis, doc, row, selection, pending, notice } = state;
  const strand = strandOf(analysis, row);
  const gaps = useMemo(
    () => ({ from: Math.min(selection.anchor, selection.focus), to: Math.max(selection.anchor, selection.focus), focus: selection.focus }),
    [selection],
  );
  const handle = useMemo(() => (strand ? handleOf(strand, gaps) : null), [strand, gaps]);
  useClipboard(bench);

  if (!analysis || !strand) {
    return (
      <>
        <div className="felt-band">
          <p className="felt-empty">{state.faults.length > 0 || state.trouble ? "The strand is drawn as soon as the bead line has no errors." : "Laying out …"}</p>
        </div>
        <div className="felt-band" />
      </>
    );
  }
  const describe = `${several(doc) ? `Row ${numberOf(doc, row)} of ${analysis.strands.length}. ` : ""}${describePlace(strand, doc, gaps)}`;
  const facts = selectionFacts(strand, gaps);

  function onKey(event: KeyboardEvent) {
    if (strandKey(bench, event, { zoom: view.zoomBy })) event.preventDefault();
  }

  return (
    <>
      <div className={`felt-band ${state.behind ? "behind" : ""}`}>
        {drawn ? (
          <WholePiece drawn={drawn} tone={view.tone} letters={view.letters} row={row} selection={gaps} lit={lit} lens={view.lens} onLens={(lens) => view.change({ lens })} onPlace={(to, gap, extend) => bench.toRow(to, gap, extend)} />
        ) : (
          <p className="felt-empty">Drawing …</p>
        )}
      </div>
      <div className={`felt-band ${state.behind ? "behind" : ""}`}>
        <CloseUp
          analysis={analysis}
          doc={doc}
          row={row}
          align={view.align}
          onRow={(to, gap) => bench.toRow(to, gap)}
          tone={view.tone}
          unit={unit}
          fromCentre={view.fromCentre}
          letters={view.letters}
          zoom={view.times}
          truePx={view.truePx}
          selection={gaps}
          lit={lit}
          handle={handle}
          pending={pending}
          describe={describe}
          onPlace={(gap, extend) => bench.move(gap, extend)}
          onRun={(gap) => bench.select(...runAt(strand, gap))}
          onMove={(gap) => bench.moveTo(gap)}
          onDish={(key, gap) => void bench.edit({ do: "insert", text: key, from: gap, to: gap })}
          onCount={(node, n) => void bench.pull(node, n)}
          onZoom={view.zoomBy}
          onKey={onKey}
        />
        {(notice || facts) && (
          <div className="felt-note" role={notice ? "alert" : undefined}>
            {notice ?? `${facts!.beads} ${facts!.beads === 1 ? "bead" : "beads"}, ${formatLength(facts!.mm, unit)}`}
          </div>
        )}
        <div className="hidden" aria-live="polite" data-testid="at-caret">
          {describe}
        </div>
      </div>
      {view.calibrating && <Calibrate open onDone={(px) => view.change({ calibrating: false, ...(px ? { truePx: px } : {}) })} />}
    </>
  );
}

/** useClipboard pastes into the strand when it has the focus. */
function useClipboard(bench: Bench) {
  useEffect(() => {
    const onPaste = (event: ClipboardEvent) => {
      if (!document.activeElement?.classList.contains("felt-close")) return;
      event.preventDefault();
      bench.paste(event.clipboardData?.getData("text/plain") ?? "");
    };
    window.addEventListener("paste", onPaste);
    return () => window.removeEventListener("paste", onPaste);
  }, [bench]);
}
