import { InputBase } from "@mui/material";
import { useState } from "react";
import { RedoIcon, UndoIcon } from "../ui/icons.tsx";
import { several } from "../api/piece.ts";
import type { Document } from "../api/client.ts";
import { MenuButton } from "../ui/MenuButton.tsx";
import { Length } from "../ui/UnitContext.tsx";
import type { SaveState } from "../piece/Draft.ts";
import type { BenchContext } from "../piece/context.ts";
import { Problems } from "../problems/Problems.tsx";
import { Thread } from "./Thread.tsx";

const SAVED = {
  saved: "saved",
  unsaved: "saving …",
  saving: "saving …",
  away: "not saved: server unavailable",
  failing: "not saved: the server has a fault, trying again",
  refused: "not saved: fix what is marked",
  conflict: "not saved: changed elsewhere",
} satisfies Record<SaveState, string>;

const CLOSES: Record<string, string> = { clasp: "closed by a clasp", knot: "tied in a ring", none: "slips on", tied: "tied with its ends", bar: "tied on a bar", hung: "hangs by its loop" };

/** Head names the piece, carries the thread of steps and says what is wrong with it. */
export function Head({ id, bench, state }: BenchContext) {
  const { doc, analysis, save } = state;
  const unsaved = SAVED[save].startsWith("not saved");
  return (
    <header className="head">
      <div className="title">
        <h1 className="hidden">{doc.name}</h1>
        <PieceName name={doc.name} onName={(name) => {
          const { notes, tags } = bench.snapshot().doc;
          void bench.apply({ do: "set-details", details: { name, notes, tags } });
        }} />
        <div className="sub">
          {doc.kind}
          {several(doc) ? ` of ${rowsIn(doc)}` : `, ${CLOSES[doc.closure.type]}`}
          {" · "}
          <span className={`save-state ${save}`}>{SAVED[save]}</span>
          <span className="hidden" role="status">
            {unsaved && SAVED[save]}
          </span>
          {analysis && (
            <>
              {" · "}
              <Span lengths={analysis.strands.map((strand) => strand.finishedMm)} />
            </>
          )}
        </div>
      </div>
      <Thread id={id} bench={bench} state={state} />
      <div className="tools">
        <Problems id={id} bench={bench} state={state} />
        <MenuButton label="More" choices={more(id)} />
        <button type="button" className="undo" aria-label="Undo" title="Undo (Ctrl Z)" disabled={!state.canUndo} onClick={() => bench.undo()}>
          <UndoIcon />
          <span aria-hidden>Undo</span>
        </button>
        <button type="button" className="undo" aria-label="Redo" title="Redo (Ctrl Y)" disabled={!state.canRedo} onClick={() => bench.redo()}>
          <RedoIcon />
          <span aria-hidden>Redo</span>
        </button>
      </div>
    </header>
  );
}

/** more is what is seldom needed of a piece. */
function more(id: string) {
  const at = `/pieces/${id}`;
  return [
    { says: "Proposals", hint: "=", to: `${at}?show=proposals` },
    { says: "Graduated sizes", to: `${at}?show=graduated` },
    { says: "Several sizes", to: `${at}/sizes` },
    { says: "Colourways", to: `${at}/colours` },
    { says: "Worn together", to: `${at}/stack` },
    { says: "What to buy", to: `${at}/buy` },
    { says: "Written pattern", to: `${at}/written` },
    { says: "Save picture", to: `${at}/plan?picture` },
    { says: "History", to: `${at}/history` },
  ];
}

/** rowsIn says how many rows lie side by side, and in how many sections. */
function rowsIn(doc: Document): string {
  const most = Math.max(...doc.sections.map((section) => section.rows?.length ?? 0));
  const rows = most === 1 ? "one row" : `${most} rows`;
  return doc.sections.length > 1 ? `${rows} in ${doc.sections.length} sections` : rows;
}

/** Span is the length of a piece, of several rows from the shortest to the longest. */
function Span({ lengths }: { lengths: number[] }) {
  const [least, most] = [Math.min(...lengths), Math.max(...lengths)];
  if (most - least < 0.5) return <Length mm={lengths[0]} />;
  return (
    <>
      <Length mm={least} /> – <Length mm={most} />
    </>
  );
}

function PieceName({ name, onName }: { name: string; onName: (name: string) => void }) {
  const [typed, setTyped] = useState<string | null>(null);
  const settle = () => {
    if (typed?.trim() && typed !== name) onName(typed.trim());
    setTyped(null);
  };
  return (
    <InputBase
      value={typed ?? name}
      fullWidth
      onChange={(e) => setTyped(e.target.value)}
      onBlur={settle}
      onKeyDown={(e) => {
        if (e.key === "Enter") (e.target as HTMLElement).blur();
        if (e.key === "Escape") setTyped(null);
      }}
      inputProps={{ "aria-label": "Name of the piece", maxLength: 120 }}
    />
  );
}
