import type { KeyboardEvent } from "react";
import type { LineNode, Material, Outline } from "../api/client.ts";
import type { Bench, BenchState } from "../bench/Bench.ts";
import { BeadPicture } from "../felt/BeadPicture.tsx";

interface Tray {
  bench: Bench;
  selected: Set<number>;
  spans: Map<number, [number, number]>;
  material: (key: string) => Material | undefined;
  outline: (id: string) => Outline | undefined;
}

/** Chips show the line's items as they are written: runs, groups with their repeats, mirrors with their centre. */
export function Chips({ bench, state }: { bench: Bench; state: BenchState }) {
  const { analysis, doc, selection } = state;
  const drawing = analysis!.drawing!;
  const placed = analysis!.strands[0].placed;
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
    bench, spans, selected: new Set(chosen.map((b) => b.node)),
    material: (key) => doc.materials.find((m) => m.id === doc.palette[key]),
    outline: (id) => drawing.outlines[id],
  };
  return (
    <div className={`chips ${state.behind ? "behind" : ""}`} role="group" aria-label="The bead line as chips">
      <Items items={drawing.nodes} tray={tray} />
    </div>
  );
}

function Items({ items, tray }: { items: LineNode[]; tray: Tray }) {
  return items.map((node) => (node.kind === "bead" ? <Run key={node.id} node={node} tray={tray} /> : <Bracket key={node.id} node={node} tray={tray} />));
}

function stepKey(tray: Tray, node: LineNode) {
  return (event: KeyboardEvent) => {
    if (event.key !== "ArrowUp" && event.key !== "ArrowDown") return;
    event.preventDefault();
    tray.bench.stepNode(node.id, event.key === "ArrowUp" ? 1 : -1);
  };
}

function Run({ node, tray }: { node: LineNode; tray: Tray }) {
  const material = tray.material(node.key ?? "");
  const span = tray.spans.get(node.id);
  return (
    <button
      type="button"
      className="chip"
      aria-pressed={tray.selected.has(node.id)}
      title={`${material?.name ?? ""}; ↑ and ↓ change how many`}
      onClick={() => span && tray.bench.select(span[0], span[1])}
      onKeyDown={stepKey(tray, node)}
    >
      {material && <BeadPicture material={material} outline={tray.outline(material.id)} size={22} px={2.4} turned={node.reversed && material.facing !== undefined} />}
      {node.count > 1 && `${node.count} `}
      {node.reversed && "~"}
      {node.key}
    </button>
  );
}

/** opening is how a bracket begins, as it is typed. */
function opening(node: LineNode): string {
  const count = node.count > 1 ? `${node.count} ` : "";
  const turned = node.reversed ? "~" : "";
  const sign = { group: "(", mirror: "<", fill: "{", bead: "" }[node.kind];
  return `${count}${turned}${sign}${node.length ? `${node.length}:` : ""}`;
}

const CLOSING = { group: ")", mirror: ">", fill: "}", bead: "" };

function Bracket({ node, tray }: { node: LineNode; tray: Tray }) {
  return (
    <span className="bracket" role="group" aria-label={node.kind}>
      <button type="button" className="sign" title="↑ and ↓ change how often" onKeyDown={stepKey(tray, node)} aria-label={`${node.kind}, ${node.count} times`}>
        {opening(node)}
      </button>
      <Items items={node.items ?? []} tray={tray} />
      {node.kind === "mirror" && <span className="centre" aria-hidden />}
      {node.centre && <Items items={node.centre} tray={tray} />}
      {node.kind === "mirror" && <span className="chip ghost">↔ and back</span>}
      {node.kind === "fill" && <span className="chip ghost">{node.repeats ?? 0} times</span>}
      <span className="sign" aria-hidden>
        {CLOSING[node.kind]}
      </span>
    </span>
  );
}
