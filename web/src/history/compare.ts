import { leadRow, leadStrand } from "../api/piece.ts";
import type { Analysis, Document } from "../api/client.ts";
import { sizeOf } from "../dishes/size.ts";

/** Side is one state of a piece: its draft as it is, or a version. */
export interface Side {
  name: string;
  doc: Document;
  /** Null if its bead line has errors. */
  analysis: Analysis | null;
}

/** Difference is one line of the comparison. Lengths are in mm, to be shown in the house unit. */
export interface Difference {
  what: string;
  kind: "length" | "count" | "mass" | "text";
  one: number | string | null;
  other: number | string | null;
}

/** compare lines up the figures and the parts lists of two sides. */
export function compare(one: Side, other: Side): Difference[] {
  const figure = (what: string, kind: Difference["kind"], of: (a: Analysis) => number): Difference => ({
    what, kind, one: one.analysis && of(one.analysis), other: other.analysis && of(other.analysis),
  });
  const out: Difference[] = [
    { what: "Bead line", kind: "text", one: lineOf(one), other: lineOf(other) },
    figure("Finished length", "length", (a) => a.finishedMm),
    figure("Strung", "length", (a) => leadStrand(a).strungMm),
    figure("Slack", "length", (a) => leadStrand(a).slackMm),
    figure("Cut", "length", (a) => leadStrand(a).cutMm),
    figure("Beads", "count", (a) => a.beads),
    figure("Weight", "mass", (a) => a.massG),
    figure("Open checks", "count", (a) => a.checks.length),
  ];
  const counts = (side: Side) => new Map((side.analysis?.tally ?? []).filter((c) => c.cutMm === undefined).map((c) => [nameOf(side.doc, c.material), c.count]));
  const [mine, theirs] = [counts(one), counts(other)];
  for (const name of new Set([...mine.keys(), ...theirs.keys()])) out.push({ what: name, kind: "count", one: mine.get(name) ?? 0, other: theirs.get(name) ?? 0 });
  return out;
}

function nameOf(doc: Document, id: string): string {
  const m = doc.materials.find((material) => material.id === id);
  return m ? `${m.name}, ${sizeOf(m)}` : id;
}

const lineOf = (side: Side) => leadStrand(side.analysis)?.line ?? leadRow(side.doc).line ?? "";
