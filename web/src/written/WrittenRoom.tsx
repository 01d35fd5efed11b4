import { Button } from "@mui/material";
import { useRef, useState } from "react";
import type { Statement } from "../api/client.ts";
import { useBenchContext } from "../piece/context.ts";
import { saveAs } from "../sheets/keep.ts";
import { Findings } from "./Findings.tsx";
import { Paper } from "./Paper.tsx";
import { Questions } from "./Questions.tsx";
import { corrected, useAudit } from "./useAudit.ts";
import { useText } from "./useText.ts";
import "./written.css";

/** WrittenRoom holds a pattern that was written down against the piece. */
export function WrittenRoom() {
  const { bench, state } = useBenchContext();
  const { text, refused, type, fits } = useText(bench, state.doc);
  const audit = useAudit(state.analysed, !state.behind);
  const [here, setHere] = useState<Statement | null>(null);
  const [says, setSays] = useState<string | null>(null);
  const paper = useRef<HTMLTextAreaElement>(null);
  const audited = text.trim() ? audit.data : undefined;
  const behind = state.behind || audited?.text !== text;

  function show(from: number, to: number) {
    paper.current?.focus();
    paper.current?.setSelectionRange(from, to);
  }
  const answer = (phrase: string, id: string) => void bench.apply({ do: "set-written", written: { text, names: { ...state.doc.written?.names, [phrase]: id } } });

  return (
    <div className="written">
      <div className="paper-room">
        <div className="tools-row">
          <div>
            <h2>Written pattern</h2>
            <p className="quiet" id="written-help">
              Each statement is compared with this piece and with the rest of the text.
            </p>
          </div>
          <Button size="small" disabled={!text} onClick={() => saveAs(`${state.doc.name}.txt`, text, "text/plain")}>
            Save as text
          </Button>
        </div>
        {refused && <p role="alert">{refused}</p>}
        <Paper text={text} audited={audited} here={here} inputRef={paper} onText={type} fits={fits} />
      </div>
      <aside className={`side right${behind && audited ? " behind" : ""}`} aria-label="What the text says" aria-busy={behind}>
        {state.faults.length > 0 && <p role="alert">The text is compared as soon as the bead line has no errors.</p>}
        {says && <p role="alert">{says}</p>}
        {audit.error && text.trim() && <p role="alert">{audit.error.message}</p>}
        {audited && (
          <>
            <Questions audit={audited.audit} doc={state.doc} onAnswer={answer} />
            <Findings
              audited={audited}
              onHere={setHere}
              onShow={show}
              onCorrect={(statements) => type(corrected(audited.text, statements.flatMap((s) => s.edits ?? [])))}
              onTake={(s) => void bench.apply(...s.take!).then((done) => setSays(done ? null : bench.snapshot().notice))}
            />
          </>
        )}
        {!text.trim() && <p className="quiet">Counts, sizes, rows, lengths in mm, cm or inches, cuts and packs are read. What cannot be read is listed, never dropped.</p>}
      </aside>
    </div>
  );
}
