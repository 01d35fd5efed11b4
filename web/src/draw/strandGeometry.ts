import type { Document, EndPart, Outline, Strand } from "../api/client.ts";

/** reachOf is how far the strand's ends reach along the straight cord, in mm from its start. */
export function reachOf(strand: Strand): { start: number; end: number } {
  const behind = strand.strungMm + strand.slackMm;
  const beyond = (parts: EndPart[]) => parts.at(-1)?.legMm ?? 0;
  return { start: (strand.left.at(-1)?.toMm ?? 0) - beyond(strand.left), end: (strand.right.at(-1)?.toMm ?? behind) + beyond(strand.right) };
}

/** gripOf is where the cord ends at a side: at its crimp or the cover over it. */
export function gripOf(parts: EndPart[], otherwise: number): number {
  return parts.find((p) => p.role === "crimp" || p.role === "cover")?.toMm ?? otherwise;
}

/** hangsMm is how far the longest thing that hangs on the strand reaches below the cord, 0 without one. */
export function hangsMm(strand: Strand, doc: Document, outlines: Record<string, Outline> = {}): number {
  const drops = new Map(doc.materials.map((m) => [m.id, outlines[m.id]?.dropMm ?? (m.shape === "charm" ? (m.dropMm ?? 0) : 0)]));
  const onFittings = [...strand.left, ...strand.right].flatMap((part) => part.hung ?? []);
  return Math.max(0, ...strand.runs.map((run) => drops.get(run.material) ?? outlines[run.material]?.dropMm ?? 0), ...onFittings.map((id) => drops.get(id) ?? 0));
}

/** gapAt is where the gap before bead i lies along the cord, in mm. */
export function gapAt(strand: Strand, i: number): number {
  const { placed } = strand;
  if (placed.length === 0) return 0;
  if (i <= 0) return placed[0].fromMm;
  if (i >= placed.length) return placed[placed.length - 1].toMm;
  return (placed[i - 1].toMm + placed[i].fromMm) / 2;
}

/** nearestGap finds the gap whose place comes nearest to mm. Positions never fall behind by much, so halving finds it. */
export function nearestGap(strand: Strand, mm: number): number {
  let low = 0;
  let high = strand.placed.length;
  while (low < high) {
    const mid = (low + high) >> 1;
    if (strand.placed[mid].atMm < mm) low = mid + 1;
    else high = mid;
  }
  return low;
}

/** PX_PER_MM is true size on a screen of 96 px to the inch. */
export const PX_PER_MM = 96 / 25.4;
