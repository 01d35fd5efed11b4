import { Button } from "@mui/material";
import type { Audit, Statement } from "../api/client.ts";
import { type Audited, wrong } from "./useAudit.ts";

interface Props {
  audited: Audited;
  onHere: (statement: Statement | null) => void;
  onShow: (from: number, to: number) => void;
  onCorrect: (statements: Statement[]) => void;
  onTake: (statement: Statement) => void;
}

/** Findings lists what the text says, beside what follows from the piece: what disagrees first. */
export function Findings({ audited, onHere, onShow, onCorrect, onTake }: Props) {
  const { audit, text } = audited;
  const quote = (at: { from: number; to: number }) => text.slice(at.from, at.to).replaceAll("\n", " ");
  const off = audit.statements.filter((s) => wrong(s.state));
  const agree = audit.statements.filter((s) => s.state === "agrees");
  const nothing = audit.statements.filter((s) => s.state === "nothing");
  return (
    <>
      {audit.statements.length === 0 && audit.questions.length === 0 && <p>Nothing in this text could be read. Mala reads counts, sizes, lengths and rows in English.</p>}
      {off.length > 0 && (
        <section aria-label="What disagrees">
          <h2>{off.length === 1 ? "1 statement disagrees" : `${off.length} statements disagree`}</h2>
          {off.map((s) => (
            <div key={`${s.from} ${s.why}`} className="check" role="group" aria-label={`Line ${s.line}`} onMouseEnter={() => onHere(s)} onMouseLeave={() => onHere(null)}>
              <button type="button" className="link" onClick={() => onShow(s.from, s.to)}>
                {s.state === "left-out" ? `Left out: ${s.derived}` : `“${quote(s)}”`}
                <span className="hidden">, line {s.line}</span>
              </button>
              <p>{s.why}</p>
              <div className="ways">
                {s.edits && (
                  <Button size="small" variant="outlined" onClick={() => onCorrect([s])}>
                    {s.state === "left-out" ? "Add to the text" : "Correct the text"}
                  </Button>
                )}
                {s.take && (
                  <Button size="small" onClick={() => onTake(s)}>
                    {TAKES[s.take[0].do] ?? "Change the piece"}
                  </Button>
                )}
              </div>
            </div>
          ))}
          {off.filter((s) => s.edits).length > 1 && (
            <Button variant="contained" onClick={() => onCorrect(off)}>
              Correct all in the text
            </Button>
          )}
        </section>
      )}
      {agree.length > 0 && (
        <details open={off.length === 0}>
          <summary>{agree.length === 1 ? "1 statement agrees" : `${agree.length} statements agree`}</summary>
          <Rows statements={agree} quote={quote} onHere={onHere} onShow={onShow} />
        </details>
      )}
      {nothing.length > 0 && (
        <details>
          <summary>{nothing.length} with nothing to compare</summary>
          <Rows statements={nothing} quote={quote} onHere={onHere} onShow={onShow} />
        </details>
      )}
      <Unread audit={audit} quote={quote} onShow={onShow} />
    </>
  );
}

/** What taking a figure into the piece is called, by the operation. */
const TAKES: Record<string, string> = { "set-target": "Make it the target", "set-cut": "Already cut so" };

interface RowsProps extends Pick<Props, "onHere" | "onShow"> {
  statements: Statement[];
  quote: (at: { from: number; to: number }) => string;
}

function Rows({ statements, quote, onHere, onShow }: RowsProps) {
  return (
    <ul className="said">
      {statements.map((s) => (
        <li key={s.from} onMouseEnter={() => onHere(s)} onMouseLeave={() => onHere(null)}>
          <button type="button" className="plain" onClick={() => onShow(s.from, s.to)}>
            {quote(s)}
          </button>
          {s.derived && <span>{s.derived}</span>}
          {s.why && <p className="quiet">{s.why}</p>}
        </li>
      ))}
    </ul>
  );
}

function Unread({ audit, quote, onShow }: { audit: Audit } & Pick<RowsProps, "quote" | "onShow">) {
  if (audit.unread.length === 0) return null;
  const figures = audit.unread.filter((u) => u.figures);
  return (
    <details open={figures.length > 0}>
      <summary>{figures.length > 0 ? `Not understood, ${figures.length} with figures` : "Not compared: words without figures"}</summary>
      <ul className="said">
        {[...figures, ...audit.unread.filter((u) => !u.figures)].map((u) => (
          <li key={u.from}>
            <button type="button" className={`plain ${u.figures ? "" : "quiet"}`} onClick={() => onShow(u.from, u.to)}>
              {quote(u)}
            </button>
          </li>
        ))}
      </ul>
    </details>
  );
}
