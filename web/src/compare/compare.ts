import { numberOf, rowsOf, strandOf } from "../api/piece.ts";
import type { Analysis, Document } from "../api/client.ts";
import { sizeOf } from "../shop/size.ts";

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
  const told = (what: string, of: (doc: Document) => string | undefined): Difference[] => {
    const [a, b] = [of(one.doc), of(other.doc)];
    return a === undefined && b === undefined ? [] : [{ what, kind: "text", one: a ?? "", other: b ?? "" }];
  };
  const both = (what: string, of: (a: Analysis) => number | null | undefined): Difference[] => {
    const [a, b] = [one.analysis && of(one.analysis), other.analysis && of(other.analysis)];
    return a == null || b == null ? [] : [{ what, kind: "length", one: a, other: b }];
  };
  const ids = [...new Set([...rowsOf(one.doc), ...rowsOf(other.doc)].map((row) => row.id))];
  const of = (row: string, what: string) => (ids.length > 1 ? `${what}, row ${ids.indexOf(row) + 1}` : what);
  const has = (a: Analysis, row: string) => a.strands.some((s) => s.id === row);
  const out: Difference[] = [
    ...ids.map((row): Difference => ({ what: of(row, "Bead line"), kind: "text", one: lineOf(one, row), other: lineOf(other, row) })),
    ...ids.flatMap((row) => [
      ...told(of(row, "Sliding beads"), (doc) => rowIn(doc, row)?.riders),
      ...told(of(row, "Cord"), (doc) => cordOf(doc, row)),
      figure(of(row, "Finished length"), "length", (a) => (has(a, row) ? strandOf(a, row).finishedMm : 0)),
      figure(of(row, "Strung"), "length", (a) => (has(a, row) ? strandOf(a, row).strungMm : 0)),
      figure(of(row, "Slack"), "length", (a) => (has(a, row) ? strandOf(a, row).slackMm : 0)),
      figure(of(row, "Cut"), "length", (a) => (has(a, row) ? strandOf(a, row).cutMm : 0)),
    ]),
    ...both("Inside length", (a) => a.insideMm),
    ...both("Ease", (a) => a.fit?.easeMm),
    ...told("Times round", (doc) => (doc.body?.times ? String(doc.body.times) : undefined)),
    ...told("Colourways", (doc) => doc.colourways?.map((way) => way.name).join(", ")),
    ...told("Written pattern", (doc) => doc.written && `${doc.written.text.trim().split("\n").length} lines`),
    figure("Beads", "count", (a) => a.beads),
    figure("Weight", "mass", (a) => a.massG),
    figure("Problems", "count", (a) => a.checks.filter((c) => !c.waived).length),
  ];
  const counts = (side: Side) => new Map((side.analysis?.tally ?? []).filter((c) => c.cutMm === undefined).map((c) => [nameOf(side.doc, c.material), c.count]));
  const [mine, theirs] = [counts(one), counts(other)];
  for (const name of new Set([...mine.keys(), ...theirs.keys()])) out.push({ what: name, kind: "count", one: mine.get(name) ?? 0, other: theirs.get(name) ?? 0 });
  return out;
}

const rowIn = (doc: Document, row: string) => rowsOf(doc).find((one) => one.id === row);

/** cordOf tells of a cord that does not run once from end to end. */
function cordOf(doc: Document, row: string): string | undefined {
  const { foldOf, passes = 1 } = rowIn(doc, row) ?? {};
  if (foldOf !== undefined) return `the other half of row ${numberOf(doc, foldOf)}’s`;
  return passes > 1 ? `${passes} times through every bead` : undefined;
}

function nameOf(doc: Document, id: string): string {
  const m = doc.materials.find((material) => material.id === id);
  return m ? `${m.name}, ${sizeOf(m)}` : id;
}

function lineOf(side: Side, row: string): string {
  const written = rowsOf(side.doc).find((one) => one.id === row)?.line ?? "";
  return side.analysis?.strands.find((s) => s.id === row)?.line ?? written;
}
