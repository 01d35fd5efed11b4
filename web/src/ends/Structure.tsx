import { Popover } from "@mui/material";
import { useState, type ReactNode } from "react";
import type { Document, Fitting, Material } from "../api/client.ts";
import { numberOf, rowsOf } from "../api/piece.ts";
import type { Bench } from "../piece/Bench.ts";
import type { BenchState } from "../piece/BenchState.ts";
import { linksOf } from "../piece/places.ts";
import { RowMenu } from "./RowMenu.tsx";
import { SizeTogether } from "./SizeTogether.tsx";
import { FittingFacts } from "./FittingFacts.tsx";
import "./rows.css";

type Side = "left" | "right";

/** KEPT says whether the map is open, from one piece to the next. */
const KEPT = "mala.structure";

/** Structure is the map of a piece of several rows: closure, what rows go on, the rows, and back. */
export function Structure({ bench, state }: { bench: Bench; state: BenchState }) {
  const { doc, analysis, row } = state;
  const [facts, setFacts] = useState<{ fitting: Fitting; side: Side; at: HTMLElement } | null>(null);
  const [open, setOpen] = useState(() => localStorage.getItem(KEPT) === "yes");
  const show = () => {
    localStorage.setItem(KEPT, open ? "no" : "yes");
    setOpen(!open);
  };
  const rows = rowsOf(doc);
  if (rows.length < 2) return doc.closure.type === "clasp" ? <div className="structure"><AddRow bench={bench} /></div> : null;
  const on = (id: string) => analysis?.rows?.fitting.filter((one) => one.fitting === id).reduce((sum, one) => Math.max(sum, one.rows.length), 0);
  const parts = (list: Fitting[], side: Side) =>
    list.map((fitting) => {
      const m = doc.materials.find((one) => one.id === fitting.of);
      const carried = on(fitting.id);
      return (
        <button type="button" key={fitting.id} className="part" aria-haspopup="dialog" onClick={(e) => setFacts({ fitting, side, at: e.currentTarget })} title={m?.name}>
          <b>{wordFor(m)}</b>
          <span>{carried ? `${carried} on it` : describe(m, fitting, linksOf(analysis, fitting))}</span>
        </button>
      );
    });
  const stack = (section: Document["sections"][number], key: number) => {
    const own = section.rows ?? [];
    return (
      <div key={key} className={`stack ${own.length > 4 ? "many" : ""}`}>
        {own.map(({ id, line }) => (
          <button type="button" key={id} className="row" aria-pressed={id === row} aria-label={`Row ${numberOf(doc, id)}`} onClick={() => bench.toRow(id)} title={line}>
            <b>{numberOf(doc, id)}</b>
            <i style={{ background: colourOf(doc, state, id) }} aria-hidden />
            <span>{says(state, id)}</span>
          </button>
        ))}
      </div>
    );
  };
  const joins = doc.joins ?? [];
  const long = [doc.closure.left, doc.closure.right, ...joins.map((join) => join.fittings)].flatMap((list) => list ?? []).length > 5 || joins.length > 0;
  const twisted = doc.sections.some((section) => section.twisted);
  return (
    <div className="structure" role="group" aria-label="Structure">
      <button type="button" className="strip" aria-expanded={open} onClick={show}>
        <b>Structure</b> <span>{inWords(doc)}</span> <i aria-hidden>{open ? "▾" : "▸"}</i>
      </button>
      {open && <div className={`map ${long ? "long" : ""}`}>
        <Chain>{parts(doc.closure.left ?? [], "left")}</Chain>
        {doc.sections.flatMap((section, i) => [stack(section, i), ...(joins[i] ? [<Chain key={joins[i].id}>{parts(joins[i].fittings, "right")}</Chain>] : [])])}
        {/* Both lists run from the outside in; the map reads from left to right. */}
        <Chain>{parts([...(doc.closure.right ?? [])].reverse(), "right")}</Chain>
        {(doc.closure.right ?? []).length === 0 && <span className="part ghost">other half</span>}
      </div>}
      <div className="does">
        <AddRow bench={bench} />
        <RowMenu bench={bench} state={state} />
        <SizeTogether bench={bench} state={state} />
        <label className="tick">
          <input type="checkbox" checked={twisted} onChange={(e) => void bench.apply({ do: "set-twist", text: e.target.checked ? "yes" : "no" })} /> twisted
        </label>
      </div>
      <Popover open={facts !== null} anchorEl={facts?.at} onClose={() => setFacts(null)} anchorOrigin={{ vertical: "top", horizontal: "left" }} transformOrigin={{ vertical: "bottom", horizontal: "left" }}>
        {facts && <FittingFacts bench={bench} state={state} fitting={facts.fitting} side={facts.side} onClose={() => setFacts(null)} />}
      </Popover>
    </div>
  );
}

function AddRow({ bench }: { bench: Bench }) {
  return (
    <button type="button" className="link" title="A copy of this row beside it" onClick={() => void bench.addRow()}>
      Add row
    </button>
  );
}

/** inWords is the way round the piece in one line: clasp, rings, rows, and back. */
function inWords(doc: Document): string {
  const word = ({ of }: Fitting) => wordFor(doc.materials.find((m) => m.id === of));
  const rows = (section: Document["sections"][number]) => `${section.rows?.length ?? 0} ${section.rows?.length === 1 ? "row" : "rows"}`;
  return [
    ...(doc.closure.left ?? []).map(word),
    ...doc.sections.flatMap((section, i) => [rows(section), ...(doc.joins?.[i]?.fittings ?? []).map(word)]),
    ...(doc.closure.right ?? []).map(word).reverse(),
  ].join(" · ");
}

function Chain({ children }: { children: ReactNode[] }) {
  return children.map((child, i) => (
    <span key={i} className="joined">
      {child}
    </span>
  ));
}

/** wordFor names a fitting in one word, as the map has room for. */
function wordFor(m: Material | undefined): string {
  if (m?.class === "bead") return "bead";
  if (m?.class === "component") return "bead links";
  const type = m?.type ?? "";
  if (type.endsWith("ring") && type !== "spring-ring") return "ring";
  if (type === "connector" || type === "chain" || type === "extender") return type;
  return "clasp";
}

function describe(m: Material | undefined, fitting: Fitting, links: number | undefined): string {
  if (m?.class === "bead") return "shared";
  if (links) return `${links} links${fitting.fill ? ", fills up" : ""}`;
  if (m?.type === "extender") return `${m.links ?? 0} links`;
  if (m?.type?.endsWith("ring") && m.insideMm) return `${m.insideMm} mm`;
  return (m?.type ?? "").replace("-", " ");
}

/** says is what a row is made of, in a word: its beads, or its links. */
function says({ analysis }: BenchState, row: string): string {
  const strand = analysis?.strands.find((s) => s.id === row);
  const links = strand?.left.find((part) => part.role === "chain" && !part.shared)?.links;
  return strand && strand.leftHold === "links" ? `${links ?? 0} links` : `${strand?.beads ?? 0} beads`;
}

/** colourOf is the colour of the bead that a row has most of. */
function colourOf(doc: Document, { analysis }: BenchState, row: string): string {
  const at = analysis?.strands.findIndex((s) => s.id === row) ?? -1;
  const most = analysis?.tally.filter((c) => c.cutMm === undefined && doc.materials.find((m) => m.id === c.material)?.class === "bead").reduce<(typeof analysis.tally)[number] | undefined>((a, b) => (a && a.byStrand[at] >= b.byStrand[at] ? a : b), undefined);
  return doc.materials.find((m) => m.id === most?.material)?.look?.colour ?? "#b9ab97";
}
