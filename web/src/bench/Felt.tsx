import { useCallback, useEffect, useMemo, useState, type KeyboardEvent } from "react";
import { Calibrate } from "../pictures/Calibrate.tsx";
import { CloseUp } from "../pictures/CloseUp.tsx";
import type { Tone } from "../draw/cloth.ts";
import { PLAIN_LENS } from "../draw/drawWhole.ts";
import { keptTruePx } from "../pictures/trueSize.ts";
import { laidFlat, usePicture } from "../pictures/usePicture.ts";
import { WholePiece, zoomed } from "../pictures/WholePiece.tsx";
import { formatLength } from "../units/length.ts";
import { useUnit } from "../ui/UnitContext.tsx";
import type { Bench } from "../piece/Bench.ts";
import type { BenchState } from "../piece/BenchState.ts";
import { strandKey } from "../piece/strandKeys.ts";
import { numberOf, several, strandOf } from "../api/piece.ts";
import { describePlace, handleOf, runAt, selectionFacts } from "../piece/place.ts";

const TONES: Tone[] = ["light", "middle", "dark"];
const KEPT_TONE = "mala.felt";
const KEPT_LETTERS = "mala.letters";
const KEPT_LAID = "mala.laid";
const ZOOMS = [0.5, 0.7, 1, 1.4, 2, 2.8, 4];

function keptTone(): Tone {
  const kept = localStorage.getItem(KEPT_TONE);
  return TONES.find((tone) => tone === kept) ?? "light";
}

/** Felt shows the piece in two bands: the whole piece, and the close-up that is edited. */
export function Felt({ bench, state }: { bench: Bench; state: BenchState }) {
  const { unit } = useUnit();
  const [tone, setTone] = useState<Tone>(keptTone);
  const [letters, setLetters] = useState(() => localStorage.getItem(KEPT_LETTERS) === "yes");
  const [laid, setLaid] = useState(() => localStorage.getItem(KEPT_LAID) === "yes");
  const [fromCentre, setFromCentre] = useState(false);
  const [align, setAlign] = useState<"centre" | "left">("centre");
  const [lens, setLens] = useState(PLAIN_LENS);
  const [zoom, setZoom] = useState(2);
  const [truePx, setTruePx] = useState<number | null>(null);
  const [calibrating, setCalibrating] = useState(false);
  const { analysis, doc, row, selection, pending, notice } = state;
  const strand = strandOf(analysis, row);
  const gaps = useMemo(
    () => ({ from: Math.min(selection.anchor, selection.focus), to: Math.max(selection.anchor, selection.focus), focus: selection.focus }),
    [selection],
  );
  const handle = useMemo(() => (strand ? handleOf(strand, gaps) : null), [strand, gaps]);
  const onZoom = useCallback((by: number) => {
    setTruePx(null);
    setZoom((z) => Math.max(0, Math.min(ZOOMS.length - 1, z + by)));
  }, []);
  useClipboard(bench);
  const picture = usePicture(analysis, state.analysed);
  const flat = useMemo(() => laidFlat(picture), [picture]);
  const hangs = state.doc.kind === "ornament"; // it lies along the felt, and hangs in Fit
  const drawn = (laid || hangs) && flat ? flat : picture;
  const along = ["rows", "straight"].includes(drawn?.picture.whole?.shape ?? ""); // a row of buttons lies clear of it, a corner does not

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
  const onPlace = (gap: number, extend: boolean) => bench.move(gap, extend);

  function onKey(event: KeyboardEvent) {
    if (strandKey(bench, event, { zoom: onZoom })) event.preventDefault();
  }

  function showTrueSize() {
    if (truePx) setTruePx(null);
    else if (keptTruePx()) setTruePx(keptTruePx());
    else setCalibrating(true);
  }

  return (
    <>
      <div className={`felt-band ${state.behind ? "behind" : ""}`}>
        {drawn ? <WholePiece drawn={drawn} tone={tone} letters={letters} row={row} selection={gaps} lens={lens} onLens={setLens} onPlace={(to, gap, extend) => bench.toRow(to, gap, extend)} /> : <p className="felt-empty">Drawing …</p>}
        <div className={`felt-tools ${along ? "along" : ""}`}>
          {flat && !hangs && (
            <button
              type="button"
              aria-pressed={laid}
              onClick={() => {
                localStorage.setItem(KEPT_LAID, laid ? "no" : "yes");
                setLaid(!laid);
              }}
            >
              Laid flat
            </button>
          )}
          <button
            type="button"
            onClick={() => {
              const next = TONES[(TONES.indexOf(tone) + 1) % TONES.length];
              localStorage.setItem(KEPT_TONE, next);
              setTone(next);
            }}
          >
            Background: {tone}
          </button>
          <button
            type="button"
            aria-pressed={letters}
            onClick={() => {
              localStorage.setItem(KEPT_LETTERS, letters ? "no" : "yes");
              setLetters(!letters);
            }}
          >
            Letters
          </button>
          <button type="button" aria-label="Zoom in on the whole piece" onClick={() => setLens(zoomed(lens, 1.4))}>
            +
          </button>
          <button type="button" aria-label="Zoom out of the whole piece" onClick={() => setLens(zoomed(lens, 1 / 1.4))}>
            −
          </button>
        </div>
      </div>
      <div className={`felt-band ${state.behind ? "behind" : ""}`}>
        <CloseUp
          analysis={analysis}
          doc={doc}
          row={row}
          align={align}
          onRow={(to, gap) => bench.toRow(to, gap)}
          tone={tone}
          unit={unit}
          fromCentre={fromCentre}
          letters={letters}
          zoom={ZOOMS[zoom]}
          truePx={truePx}
          selection={gaps}
          handle={handle}
          pending={pending}
          describe={describe}
          onPlace={onPlace}
          onRun={(gap) => bench.select(...runAt(strand, gap))}
          onMove={(gap) => bench.moveTo(gap)}
          onDish={(key, gap) => void bench.edit({ do: "insert", text: key, from: gap, to: gap })}
          onCount={(node, n) => void bench.pull(node, n)}
          onZoom={onZoom}
          onKey={onKey}
        />
        <div className="felt-tools low">
          <button type="button" aria-pressed={truePx !== null} onClick={showTrueSize}>
            True size
          </button>
          <button type="button" aria-label="Zoom in on the close-up" title="Zoom in (])" onClick={() => onZoom(1)}>
            +
          </button>
          <button type="button" aria-label="Zoom out of the close-up" title="Zoom out ([)" onClick={() => onZoom(-1)}>
            −
          </button>
          <button type="button" aria-pressed={fromCentre} onClick={() => setFromCentre(!fromCentre)}>
            Ruler from the centre
          </button>
          {several(doc) && (
            <button type="button" onClick={() => setAlign(align === "centre" ? "left" : "centre")}>
              Line up: {align}
            </button>
          )}
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
      {calibrating && (
        <Calibrate
          open
          onDone={(px) => {
            setCalibrating(false);
            if (px) setTruePx(px);
          }}
        />
      )}
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
