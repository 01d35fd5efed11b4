import { nameAmong } from "../shop/size.ts";
import type { Document, Strand } from "../api/client.ts";
import { isDrop, isGap, isLoop, type Handle } from "../api/piece.ts";

interface Gaps {
  from: number;
  to: number;
}

/** selectionFacts counts and measures the selected beads; null if none are. */
export function selectionFacts(strand: Strand, { from, to }: Gaps): { beads: number; mm: number } | null {
  const { placed } = strand;
  const chosen = placed.slice(from, to);
  if (chosen.length === 0) return null;
  return { beads: chosen.filter((b) => !isGap(b.key)).length, mm: Math.max(...chosen.map((b) => b.toMm)) - Math.min(...chosen.map((b) => b.fromMm)) };
}

/** describePlace says in words where the caret is, or what is selected. */
export function describePlace(strand: Strand, doc: Document, { from, to }: Gaps): string {
  const { placed } = strand;
  const name = (i: number) => (doc.materials.some((m) => m.id === placed[i]?.material) ? nameAmong(doc, placed[i].material) : isGap(placed[i]?.key ?? "") ? "a gap" : isDrop(placed[i]?.key ?? "") ? isLoop(placed[i].key) ? "a loop" : "a drop" : "");
  if (placed.length === 0) return "The cord is bare; type a dish's letter to begin";
  const beads = (end: number) => placed.slice(0, end).filter((b) => !isGap(b.key)).length;
  const all = beads(placed.length);
  const chosen = beads(to) - beads(from);
  if (to - from === 1) return chosen === 0 ? `A gap selected, after bead ${beads(from)} of ${all}` : `1 bead selected, ${name(from)}, bead ${beads(to)} of ${all}`;
  if (from !== to) return `${chosen} ${chosen === 1 ? "bead" : "beads"} selected, ${name(from)} to ${name(to - 1)}`;
  if (from === 0) return `At the left end, before ${name(0)}`;
  if (from === placed.length) return `At the right end, after ${name(from - 1)}, bead ${all}`;
  return `After bead ${beads(from)} of ${all}, ${name(from - 1)}; before ${name(from)}`;
}

/** runAt gives the gaps of the run that the bead at a gap belongs to. */
export function runAt(strand: Strand, gap: number): [number, number] {
  const run = strand.runs.find((r) => gap >= r.first && gap < r.first + r.count) ?? strand.runs.at(-1);
  return run ? [run.first, run.first + run.count] : [0, 0];
}

/** handleOf finds the run that the selection is exactly one showing of, whose count its end can be pulled by. */
export function handleOf(strand: Strand, { from, to }: Gaps): Handle | null {
  const { placed } = strand;
  const chosen = placed.slice(from, to);
  if (chosen.length === 0 || chosen.some((b) => b.node !== chosen[0].node)) return null;
  if (placed[from - 1]?.node === chosen[0].node || placed[to]?.node === chosen[0].node) return null;
  return { node: chosen[0].node, count: chosen.length, pitchMm: Math.max(0.5, (chosen[chosen.length - 1].toMm - chosen[0].fromMm) / chosen.length) };
}
