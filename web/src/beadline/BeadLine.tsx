import { type KeyboardEvent, type RefObject } from "react";
import type { Bench } from "../bench/Bench.ts";
import type { BenchState } from "../bench/BenchState.ts";
import { Hands } from "../bench/Hands.tsx";
import { Chips } from "./Chips.tsx";

interface Props {
  bench: Bench;
  state: BenchState;
  inputRef: RefObject<HTMLTextAreaElement | null>;
  onLeave: () => void;
}

/** BeadLine is the sequence as text and as chips, in step with the felt. */
export function BeadLine({ bench, state, inputRef, onLeave }: Props) {
  const { lineText, faults, analysis } = state;
  const [fault] = faults;

  function onKey(event: KeyboardEvent<HTMLTextAreaElement>) {
    if (event.key === "Enter" || event.key === "Escape") {
      event.preventDefault();
      onLeave();
    }
  }

  return (
    <section className="line" aria-label="Bead line">
      <div className="top">
        <h2>Bead line</h2>
        {state.selection.anchor !== state.selection.focus || state.copied ? (
          <Hands bench={bench} state={state} />
        ) : (
          <span className="hint">
            <span>
              <kbd>9P</kbd> nine
            </span>{" "}
            · <span>
              <kbd>3(A B)</kbd> three times
            </span>{" "}
            · <span>
              <kbd>{"<A | C>"}</kbd> mirrored about C
            </span>{" "}
            · <span>
              <kbd>{"{A}"}</kbd> fills
            </span>{" "}
            · <span>
              <kbd>~</kbd> reversed
            </span>
          </span>
        )}
      </div>
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
      {analysis?.drawing && <Chips bench={bench} state={state} />}
    </section>
  );
}

/** pointAt shows the line round the column with a mark under it. */
function pointAt(text: string, column: number): string {
  const around = 28;
  const characters = [...text];
  const from = Math.max(0, column - 1 - around);
  const shown = characters.slice(from, column - 1 + around).join("");
  return `${shown}\n${" ".repeat(column - 1 - from)}▲`;
}
