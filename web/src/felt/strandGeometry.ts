import type { Analysis, Document, EndPart, Strand } from "../api/client.ts";

/** LaidPart is one part of an end with its place along the cord, in mm from the first face. */
export interface LaidPart extends EndPart {
  from: number;
  to: number;
}

/**
 * layEnds puts the parts of both ends in their places along the straight cord:
 * the left end runs to the left from 0, the right one from behind the slack.
 */
export function layEnds(strand: Strand): { left: LaidPart[]; right: LaidPart[]; start: number; end: number } {
  const lay = (parts: EndPart[], from: number, out: 1 | -1) => {
    let at = from;
    return parts.map((part) => {
      const laid = { ...part, from: at, to: at + out * part.mm };
      at = laid.to;
      return laid;
    });
  };
  const left = lay(strand.left, 0, -1);
  const right = lay(strand.right, strand.strungMm + strand.slackMm, 1);
  return { left, right, start: left.at(-1)?.to ?? 0, end: right.at(-1)?.to ?? strand.strungMm + strand.slackMm };
}

/** Loop is the circle a closed piece lies on until drape is worked out. */
export interface Loop {
  radius: number;
  /** Where on the circle a place along the cord lies, in mm, and how it is turned. */
  at: (mm: number, lift?: number) => { x: number; y: number; angle: number };
}

/** loopOf lays the cord on a circle of the finished length, the clasp at the top. */
export function loopOf(analysis: Analysis): Loop {
  const strand = analysis.strands[0];
  const length = Math.max(analysis.finishedMm, 1);
  const { start } = layEnds(strand);
  const clasp = strand.left.find((part) => part.does === "clasp")?.mm ?? 0;
  const top = strand.ring ? 0 : start + clasp / 2;
  const radius = length / (2 * Math.PI);
  return {
    radius,
    at: (mm, lift = 0) => {
      const phi = ((mm - top) / length) * 2 * Math.PI;
      const r = radius + lift;
      return { x: -r * Math.sin(phi), y: -r * Math.cos(phi), angle: Math.atan2(Math.sin(phi), -Math.cos(phi)) };
    },
  };
}

/** hangsMm is how far the longest charm of the strand hangs below the cord, 0 without one. */
export function hangsMm(analysis: Analysis, doc: Document): number {
  const charms = new Map(doc.materials.filter((m) => m.shape === "charm").map((m) => [m.id, m.dropMm ?? 0]));
  if (charms.size === 0) return 0;
  return Math.max(0, ...analysis.strands[0].placed.map((b) => charms.get(b.material) ?? 0));
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
