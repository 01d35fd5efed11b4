import { type KeyboardEvent, type ReactNode, type RefObject } from "react";
import { rowOf, rowsOf, several, type Row } from "../api/piece.ts";
import type { Bench } from "../piece/Bench.ts";
import type { BenchState } from "../piece/BenchState.ts";
import { Chips } from "./Chips.tsx";
import { Lacing } from "./Lacing.tsx";
import { Riders } from "./Riders.tsx";

interface Props {
  bench: Bench;
  state: BenchState;
  inputRef: RefObject<HTMLTextAreaElement | null>;
  onLeave: () => void;
  /** Sliding beads were asked for, though none is there yet. */
  sliding: boolean;
  onSliding: (asked: boolean) => void;
}

/** BeadLine is the sequence as text and as chips, in step with the felt. */
export function BeadLine({ bench, state, inputRef, onLeave, sliding, onSliding }: Props) {
  const { lineText, analysis, doc, row } = state;
  const faults = state.faults.filter((one) => one.row === undefined || one.row === row);
  const [fault] = faults;
  const rows = rowsOf(doc);

  function onKey(event: KeyboardEvent<HTMLTextAreaElement>) {
    if (event.key === "Enter" || event.key === "Escape") {
      event.preventDefault();
      bench.settleLine();
      onLeave();
    }
  }

  const written = (
    <>
      <textarea
        ref={inputRef}
        rows={1}
        value={lineText}
        spellCheck={false}
        autoComplete="off"
        className={fault ? "wrong" : undefined}
        aria-label="The bead line as text"
        aria-invalid={faults.length > 0}
        aria-describedby={fault ? "line-fault" : undefined}
        onChange={(e) => bench.typeLine(e.target.value.replaceAll("\n", " "))}
        onKeyDown={onKey}
        onBlur={() => bench.settleLine()}
      />
      {fault && (
        <div className="fault" id="line-fault" role="alert">
          <pre aria-hidden>{pointAt(lineText, fault.column)}</pre>
          {faults.map((one) => (
            <div key={one.column}>
              Column {one.column}: {one.says}
              {one.expected && <span className="quiet"> Expected {one.expected}.</span>}
            </div>
          ))}
        </div>
      )}
      {analysis?.drawing && lineText.trim() !== "" && <Chips bench={bench} state={state} />}
      {lineText.trim() === "" && <Hint />}
    </>
  );

  return (
    <section className="line" aria-label="Bead line">
      <h2 className="hidden">{several(doc) ? "Bead lines" : "Bead line"}</h2>
      <div className={rows.length > 1 ? "lines" : undefined}>
        {rows.map((one, i) => (one.id === row ? <InHand key={one.id} number={rows.length > 1 ? i + 1 : 0}>{written}</InHand> : <OtherLine key={one.id} bench={bench} state={state} row={one} number={i + 1} />))}
      </div>
      {(alikeRows(state) > 1 || (state.alike && rows.length > 1)) && (
        <label className="tick alike">
          <input type="checkbox" checked={state.alike} onChange={(e) => bench.setAlike(e.target.checked)} /> {alikeRows(state) > 1 ? `edit the ${alikeRows(state)} alike rows together` : "edit alike rows together"}
        </label>
      )}
      <Lacing bench={bench} state={state} />
      <Riders key={`${row} ${rowOf(doc, row).riders ?? ""}`} bench={bench} state={state} asked={sliding} onAsk={onSliding} />
    </section>
  );
}

/** Hint is how a line is written, until there is one. */
function Hint() {
  return (
    <p className="hint">
      <kbd>9P</kbd> nine · <kbd>3(A B)</kbd> repeat · <kbd>{"<A | C>"}</kbd> mirror · <kbd>{"{A}"}</kbd> fills · <kbd>~</kbd> reversed · <kbd>_10mm</kbd> gap
    </p>
  );
}

/** InHand marks the line in hand with the number of its row. */
function InHand({ number, children }: { number: number; children: ReactNode }) {
  if (number === 0) return children;
  return (
    <div className="in-hand">
      <b aria-hidden>{number}</b>
      <div>{children}</div>
    </div>
  );
}

/** OtherLine is the line of a row that is not in hand: pressed, it is. */
function OtherLine({ bench, state, row, number }: { bench: Bench; state: BenchState; row: Row; number: number }) {
  const wrong = state.faults.some((fault) => fault.row === row.id);
  return (
    <button type="button" className={`other-line ${wrong ? "wrong" : ""}`} aria-label={`Bead line of row ${number}${wrong ? ", has an error" : ""}`} onClick={() => bench.toRow(row.id)}>
      <b aria-hidden>{number}</b>
      <span>{row.line || (row.cord === undefined ? "links, without a cord" : "bare cord")}</span>
    </button>
  );
}

/** alikeRows counts the rows with the same line as the one in hand. */
function alikeRows({ doc, lineText }: BenchState): number {
  return rowsOf(doc).filter((one) => one.line === lineText).length;
}

/** pointAt shows the line round the column with a mark under it. */
function pointAt(text: string, column: number): string {
  const around = 28;
  const characters = [...text];
  const from = Math.max(0, column - 1 - around);
  const shown = characters.slice(from, column - 1 + around).join("");
  return `${shown}\n${" ".repeat(column - 1 - from)}▲`;
}
