import { useEffect, useMemo, useState, type KeyboardEvent } from "react";
import type { Tone } from "../felt/cloth.ts";
import { CloseUp } from "../felt/CloseUp.tsx";
import { WholePiece } from "../felt/WholePiece.tsx";
import { formatLength } from "../units/length.ts";
import { useUnit } from "../units/UnitContext.tsx";
import type { Bench, BenchState } from "./Bench.ts";
import { strandKey } from "./keys.ts";
import { describePlace, selectionFacts } from "./place.ts";

const TONES: Tone[] = ["light", "middle", "dark"];
const KEPT_AS = "mala.felt";

function keptTone(): Tone {
  const kept = localStorage.getItem(KEPT_AS);
  return TONES.find((tone) => tone === kept) ?? "light";
}

/** Felt is the piece under the hands, in its two bands. */
export function Felt({ bench, state }: { bench: Bench; state: BenchState }) {
  const { unit } = useUnit();
  const [tone, setTone] = useState<Tone>(keptTone);
  const [fromCentre, setFromCentre] = useState(false);
  const { analysis, doc, selection, pending, notice } = state;
  const gaps = useMemo(
    () => ({ from: Math.min(selection.anchor, selection.focus), to: Math.max(selection.anchor, selection.focus), focus: selection.focus }),
    [selection],
  );
  useClipboard(bench);

  if (!analysis) {
    return (
      <>
        <div className="felt-band">
          <p className="felt-empty">{state.fault || state.trouble ? "The strand is laid out as soon as the bead line reads." : "Laying out …"}</p>
        </div>
        <div className="felt-band" />
      </>
    );
  }
  const describe = describePlace(analysis, doc, gaps);
  const facts = selectionFacts(analysis, gaps);
  const onPlace = (gap: number, extend: boolean) => bench.move(gap, extend);

  function onKey(event: KeyboardEvent) {
    const control = event.ctrlKey || event.metaKey;
    const letter = event.key.toLowerCase();
    if (control && (letter === "c" || letter === "x")) {
      event.preventDefault();
      const taken = letter === "c" ? bench.copy() : bench.cut();
      void taken.then((text) => (text ? navigator.clipboard?.writeText(text).catch(() => undefined) : undefined));
      return;
    }
    if (event.key === "?" || event.key === "/" || event.key === "." || event.key === "+") return;
    if (strandKey(bench, event)) event.preventDefault();
  }

  return (
    <>
      <div className={`felt-band ${state.behind ? "behind" : ""}`}>
        <WholePiece analysis={analysis} doc={doc} tone={tone} selection={gaps} onPlace={onPlace} />
        <div className="felt-tools">
          <button
            type="button"
            onClick={() => {
              const next = TONES[(TONES.indexOf(tone) + 1) % TONES.length];
              localStorage.setItem(KEPT_AS, next);
              setTone(next);
            }}
          >
            Felt: {tone}
          </button>
        </div>
      </div>
      <div className={`felt-band ${state.behind ? "behind" : ""}`}>
        <CloseUp analysis={analysis} doc={doc} tone={tone} unit={unit} fromCentre={fromCentre} selection={gaps} pending={pending} describe={describe} onPlace={onPlace} onKey={onKey} />
        <div className="felt-tools" style={{ top: "auto", bottom: 8 }}>
          <button type="button" aria-pressed={fromCentre} onClick={() => setFromCentre(!fromCentre)}>
            Ruler from the centre
          </button>
        </div>
        {(notice || facts) && (
          <div className="felt-note" role={notice ? "alert" : undefined}>
            {notice ?? `${facts!.beads} ${facts!.beads === 1 ? "bead" : "beads"}, ${formatLength(facts!.mm, unit)}`}
          </div>
        )}
        <div className="hidden" aria-live="polite" data-testid="at-caret">
          {describe}
        </div>
      </div>
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
