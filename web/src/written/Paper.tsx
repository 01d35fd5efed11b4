import type { ClipboardEvent, DragEvent, ReactNode, RefObject } from "react";
import type { Statement } from "../api/client.ts";
import type { Audited } from "./useAudit.ts";
import { wrong } from "./useAudit.ts";

interface Props {
  text: string;
  audited: Audited | undefined;
  here: Statement | null;
  inputRef: RefObject<HTMLTextAreaElement | null>;
  onText: (text: string) => void;
  fits: (text: string) => boolean;
}

/** Paper is the text as it was written, each statement marked where it stands. */
export function Paper({ text, audited, here, inputRef, onText, fits }: Props) {
  // A browser lays out a megabyte of text for minutes before anybody is asked.
  const short = (event: ClipboardEvent | DragEvent, data: DataTransfer) => {
    if (!fits(data.getData("text/plain"))) event.preventDefault();
  };
  return (
    <div className="paper">
      <div className="marks" aria-hidden>
        {audited?.text === text ? marked(audited, here) : text}
        {"\n"}
      </div>
      <textarea
        ref={inputRef}
        value={text}
        spellCheck={false}
        aria-label="The written pattern"
        aria-describedby="written-help"
        placeholder={"Paste the pattern here, as it is written:\n\n102 sea-pearls 6 mm, 8 spacers\n2 crimps, 1 lobster clasp\nCut 60 cm of wire\nFinished length 45 cm"}
        onPaste={(e) => short(e, e.clipboardData)}
        onDrop={(e) => short(e, e.dataTransfer)}
        onChange={(e) => onText(e.target.value)}
      />
    </div>
  );
}

interface Mark {
  from: number;
  to: number;
  state: string;
  here: boolean;
}

function marksOf({ audit }: Audited, here: Statement | null): Mark[] {
  const marks: Mark[] = audit.statements.map((s) => ({ from: s.from, to: s.to, state: wrong(s.state) ? "wrong" : s.state, here: s === here }));
  for (const u of audit.unread) if (u.figures) marks.push({ from: u.from, to: u.to, state: "unread", here: false });
  return marks.filter((m) => m.to > m.from).sort((a, b) => a.from - b.from || b.to - a.to);
}

/** marked gives the text with its marks; of marks that overlap the first one shows. */
function marked(audited: Audited, here: Statement | null): ReactNode[] {
  const out: ReactNode[] = [];
  let at = 0;
  for (const mark of marksOf(audited, here)) {
    if (mark.from < at) continue;
    out.push(audited.text.slice(at, mark.from));
    out.push(
      <mark key={mark.from} className={`${mark.state}${mark.here ? " here" : ""}`}>
        {audited.text.slice(mark.from, mark.to)}
      </mark>,
    );
    at = mark.to;
  }
  out.push(audited.text.slice(at));
  return out;
}
