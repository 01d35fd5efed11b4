import { useState } from "react";
import { numberOf, rowOf, several, strandOf } from "../api/piece.ts";
import type { Bench } from "../piece/Bench.ts";
import type { BenchState } from "../piece/BenchState.ts";
import { Length } from "../ui/UnitContext.tsx";

interface Props {
  bench: Bench;
  state: BenchState;
  /** It has been asked for, though nothing rides yet. */
  asked: boolean;
  onAsk: (asked: boolean) => void;
}

/** Riders are the beads with large holes that slide over those of the row in hand. */
export function Riders({ bench, state, asked, onAsk }: Props) {
  const { doc, analysis, row } = state;
  const written = rowOf(doc, row).riders ?? "";
  const [text, setText] = useState(written);
  const [wrong, setWrong] = useState("");
  if (rowOf(doc, row).cord === undefined || rowOf(doc, row).lacing) return null;
  if (!written && !asked) return null;
  const riders = analysis && strandOf(analysis, row).riders;
  const settle = async () => {
    if (text.trim() === written) {
      setWrong("");
      if (!written) onAsk(false);
      return;
    }
    const done = await bench.apply({ do: "set-riders", at: { strand: row }, text: text.trim() });
    setWrong(done ? "" : (bench.snapshot().notice ?? ""));
    if (done) onAsk(false);
  };
  return (
    <div className="riders" role="group" aria-label="Sliding beads">
      <label>
        <span>Sliding beads{several(doc) ? ` of row ${numberOf(doc, row)}` : ""}</span>
        <input
          value={text}
          autoFocus={asked && !written}
          spellCheck={false}
          autoComplete="off"
          aria-label="Sliding beads as a bead line"
          aria-invalid={wrong !== ""}
          aria-describedby={wrong ? "riders-fault" : undefined}
          placeholder="24L"
          onChange={(e) => setText(e.target.value)}
          onBlur={() => void settle()}
          onKeyDown={(e) => {
            if (e.key === "Enter") void settle();
            if (e.key === "Escape") setText(written);
          }}
        />
      </label>
      {riders && (
        <span className="quiet">
          {riders.placed.length} slide over <Length mm={riders.runMm} />, take <Length mm={riders.longMm} />
          {riders.freeMm >= 0 ? (
            <>
              {" "}
              and leave <Length mm={riders.freeMm} /> of it to be seen
            </>
          ) : null}
        </span>
      )}
      {wrong && (
        <div className="fault" id="riders-fault" role="alert">
          {wrong}
        </div>
      )}
    </div>
  );
}
