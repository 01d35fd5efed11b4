import { DISH, strandOf } from "../api/piece.ts";
import { useState, type DragEvent, type KeyboardEvent } from "react";
import type { LineNode, Material, Outline, Strand } from "../api/client.ts";
import type { Bench } from "../piece/Bench.ts";
import type { BenchState } from "../piece/BenchState.ts";
import { Length } from "../ui/UnitContext.tsx";
import { GapChip } from "./GapChip.tsx";
import { BeadPicture } from "../pictures/BeadPicture.tsx";

interface Tray {
  bench: Bench;
  selected: Set<number>;
  /** The one run that is selected, whose count is at hand. */
  inHand?: number;
  /** The first showing of each run, and of each bracket with all its repeats. */
  spans: Map<number, [number, number]>;
  groups: Map<number, [number, number]>;
  material: (key: string) => Material | undefined;
  outline: (id: string) => Outline | undefined;
  drops: Drop[];
}

type Drop = NonNullable<Strand["drops"]>[number];

/** Chips show the line's items as they are written: runs, groups with their repeats, mirrors with their centre. */
export function Chips({ bench, state }: { bench: Bench; state: BenchState }) {
  const { analysis, doc, selection } = state;
  const drawing = analysis!.drawing!;
  const strand = strandOf(analysis!, state.row);
  const { placed } = strand;
  const nodes = drawing.lines?.find((line) => line.strand === strand.id)?.nodes ?? [];
  const from = Math.min(selection.anchor, selection.focus);
  const to = Math.max(selection.anchor, selection.focus);
  const chosen = from === to ? placed.slice(Math.max(0, from - 1), from) : placed.slice(from, to);
  const spans = new Map<number, [number, number]>();
  placed.forEach((b, i) => {
    const span = spans.get(b.node);
    if (!span) spans.set(b.node, [i, i + 1]);
    else if (span[1] === i) span[1] = i + 1;
  });
  const tray: Tray = {
    inHand: from < to && chosen.length > 0 && chosen.every((b) => b.node === chosen[0].node) ? chosen[0].node : undefined,
    bench, spans, groups: groupSpans(nodes, placed), selected: new Set(chosen.map((b) => b.node)),
    material: (key) => doc.materials.find((m) => m.id === doc.palette[key]),
    outline: (id) => drawing.outlines[id],
    drops: strand.drops ?? [],
  };
  spanLoops(nodes, spans);
  if (!drawing.lines) return <p className="quiet">Too many items to show as chips; the text and the felt have them all.</p>;
  return (
    <div className={`chips ${state.behind ? "behind" : ""}`} role="group" aria-label="The bead line as chips">
      <Items items={nodes} tray={tray} />
    </div>
  );
}

/** spanLoops lets the bead that a loop runs through stand for its loop. */
function spanLoops(nodes: LineNode[], spans: Map<number, [number, number]>) {
  for (const node of nodes) {
    const span = spans.get(node.id);
    if (node.kind === "loop" && span) spans.set(node.centre![0].id, span);
    else spanLoops([...(node.items ?? []), ...(node.centre ?? [])], spans);
  }
}

/** groupSpans finds where each bracket of the line itself lies: from its first bead to its last. */
function groupSpans(nodes: LineNode[], placed: { node: number }[]): Map<number, [number, number]> {
  const out = new Map<number, [number, number]>();
  const inside = (node: LineNode): number[] => [node.id, ...[...(node.items ?? []), ...(node.centre ?? [])].flatMap(inside)];
  for (const node of nodes) {
    if (node.kind === "bead" || node.kind === "gap") continue;
    const ids = node.kind === "drop" || node.kind === "loop" ? new Set([node.id]) : new Set(inside(node));
    const first = placed.findIndex((b) => ids.has(b.node));
    const last = placed.findLastIndex((b) => ids.has(b.node));
    if (first >= 0) out.set(node.id, [first, last + 1]);
  }
  return out;
}

function Items({ items, tray }: { items: LineNode[]; tray: Tray }) {
  return items.map((node) => {
    if (node.kind === "gap") return <GapChip key={node.id} bench={tray.bench} node={node} span={tray.spans.get(node.id)} pressed={tray.selected.has(node.id)} />;
    return node.kind === "bead" ? <Run key={node.id} node={node} tray={tray} /> : <Bracket key={node.id} node={node} tray={tray} />;
  });
}

/** useCount lets a chip's count be typed or stepped, and the chip be removed. It gives what is typed so far. */
function useCount(tray: Tray, node: LineNode) {
  const [typed, setTyped] = useState("");
  const settle = () => {
    if (typed) tray.bench.setCount(node.id, Number(typed));
    setTyped("");
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const { key } = event;
    if (/^[0-9]$/.test(key)) setTyped((typed + key).replace(/^0+/, "").slice(0, 4));
    else if (key === "ArrowUp" || key === "ArrowDown") tray.bench.stepNode(node.id, key === "ArrowUp" ? 1 : -1);
    else if (key === "Enter" && typed) settle();
    else if (key === "Escape" && typed) setTyped("");
    else if (key === "Backspace" && typed) setTyped(typed.slice(0, -1));
    else if (key === "Delete" || key === "Backspace") tray.bench.setCount(node.id, 0);
    else return;
    event.preventDefault();
  };
  return { typed, onKeyDown, onBlur: settle };
}

const DRAGGED = "application/x-mala-beads";

/** draggable lets a run be carried to another place of the line, or a dish's bead be dropped before it. */
function draggable(tray: Tray, span: [number, number] | undefined) {
  if (!span) return {};
  return {
    draggable: true,
    onDragStart: (event: DragEvent) => {
      tray.bench.select(span[0], span[1]);
      event.dataTransfer.setData(DRAGGED, "selection");
      event.dataTransfer.effectAllowed = "move";
    },
    onDragOver: (event: DragEvent) => event.preventDefault(),
    onDrop: (event: DragEvent<HTMLElement>) => {
      event.preventDefault();
      const box = event.currentTarget.getBoundingClientRect();
      const gap = event.clientX > box.left + box.width / 2 ? span[1] : span[0];
      const key = event.dataTransfer.getData(DISH);
      if (key) void tray.bench.edit({ do: "insert", text: key, from: gap, to: gap });
      else if (event.dataTransfer.getData(DRAGGED)) tray.bench.moveTo(gap);
    },
  };
}

function Run({ node, tray }: { node: LineNode; tray: Tray }) {
  const material = tray.material(node.key ?? "");
  const span = tray.spans.get(node.id);
  const { typed, ...count } = useCount(tray, node);
  const inHand = tray.inHand === node.id;
  return (
    <span className={inHand ? "in-steps" : "run"}>
      {inHand && (
        <>
          <button type="button" aria-label={`One ${node.key} fewer`} onClick={() => tray.bench.stepNode(node.id, -1)}>
            −
          </button>
          <CountField key={node.count} count={node.count} label={`How many ${node.key}`} onCount={(n) => void tray.bench.pull(node.id, n)} />
        </>
      )}
      <button
        type="button"
        className={`chip${node.pinned ? " pinned" : ""}`}
        aria-pressed={tray.selected.has(node.id)}
        title={`${material?.name ?? ""}${node.pinned ? ", pinned" : ""}; type a count, or use ↑ and ↓; Delete removes it`}
        onClick={(e) => span && tray.bench.reach(span, e.shiftKey)}
        {...count}
        {...draggable(tray, span)}
      >
        {material && <BeadPicture material={material} outline={tray.outline(material.id)} size={22} px={2.4} turned={node.reversed && material.facing !== undefined} />}
        {typed ? <span className="typed">{typed} </span> : node.count > 1 && <span className={inHand ? "hidden" : undefined}>{node.count} </span>}
        {node.reversed && "~"}
        {node.key}
      </button>
      {inHand && (
        <button type="button" aria-label={`One ${node.key} more`} onClick={() => tray.bench.stepNode(node.id, 1)}>
          +
        </button>
      )}
    </span>
  );
}

/** CountField is a count to type; what is no count from 1 up is left as it was. */
function CountField({ count, label, onCount }: { count: number; label: string; onCount: (n: number) => void }) {
  const [typed, setTyped] = useState(`${count}`);
  const settle = () => {
    const n = Number(typed);
    if (n > 0 && n !== count) onCount(n);
    else setTyped(`${count}`);
  };
  return (
    <input
      value={typed}
      inputMode="numeric"
      maxLength={4}
      aria-label={label}
      onChange={(e) => setTyped(e.target.value.replace(/\D/g, ""))}
      onFocus={(e) => e.target.select()}
      onBlur={settle}
      onKeyDown={(e) => {
        if (e.key === "Enter") settle();
        if (e.key === "Escape") setTyped(`${count}`);
      }}
    />
  );
}

/** DropFacts tells how deep a drop hangs and what it takes of the cord. */
function DropFacts({ drop }: { drop: Drop | undefined }) {
  if (!drop) return null;
  return (
    <span className="chip ghost">
      <Length mm={drop.deepMm} /> deep, <Length mm={drop.cordMm} /> of cord
    </span>
  );
}

/** opening is how a bracket begins, as it is typed. */
function opening(node: LineNode): string {
  const count = node.count > 1 ? `${node.count} ` : "";
  const turned = node.reversed ? "~" : "";
  const sign = { group: node.free ? "?(" : "(", mirror: "<", fill: "{", drop: "[", loop: "[", bead: "", gap: "" }[node.kind];
  return `${count}${turned}${sign}${node.length ? `${node.length}:` : ""}`;
}

const CLOSING = { group: ")", mirror: ">", fill: "}", drop: "]", loop: "]", bead: "", gap: "" };

function Bracket({ node, tray }: { node: LineNode; tray: Tray }) {
  const { typed, ...count } = useCount(tray, node);
  const span = tray.groups.get(node.id);
  return (
    <span className="bracket" role="group" aria-label={node.kind}>
      {node.kind === "loop" && <Items items={node.centre ?? []} tray={tray} />}
      <button
        type="button"
        className={`sign${node.pinned ? " pinned" : ""}`}
        title="Type a count, or use ↑ and ↓; Delete removes it"
        aria-label={`${node.free ? "any order" : node.kind}, ${node.count} times`}
        onClick={() => span && tray.bench.select(span[0], span[1])}
        {...count}
        {...draggable(tray, span)}
      >
        {typed ? `${typed} ${opening({ ...node, count: 1 })}` : opening(node)}
      </button>
      <Items items={node.items ?? []} tray={tray} />
      {node.kind === "mirror" && <span className="centre" aria-hidden />}
      {node.kind === "drop" && (
        <span className="sign" aria-hidden>
          .
        </span>
      )}
      {node.kind !== "loop" && node.centre && <Items items={node.centre} tray={tray} />}
      {node.kind === "mirror" && <span className="chip ghost">↔ and back</span>}
      {(node.kind === "drop" || node.kind === "loop") && <DropFacts drop={tray.drops.find((one) => one.key === node.key)} />}
      {node.kind === "fill" && <span className="chip ghost">{node.repeats ?? 0} times</span>}
      <span className="sign" aria-hidden>
        {CLOSING[node.kind]}
      </span>
    </span>
  );
}
