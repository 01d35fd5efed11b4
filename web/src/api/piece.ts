import type { Analysis, Document, Strand } from "./client.ts";

/** Row is one strand of a document. */
export type Row = NonNullable<Document["sections"][number]["rows"]>[number];

/** rowsOf lists every row of a piece. */
export function rowsOf(doc: Document): Row[] {
  return doc.sections.flatMap((section) => section.rows ?? []);
}

/** rowOf is the row of an id; the first if there is none of that id. */
export function rowOf(doc: Document, id?: string): Row {
  const rows = rowsOf(doc);
  return rows.find((row) => row.id === id) ?? rows[0];
}

/** strandOf is that row, measured. */
export function strandOf(analysis: Analysis, id?: string): Strand;
export function strandOf(analysis: Analysis | null | undefined, id?: string): Strand | undefined;
export function strandOf(analysis: Analysis | null | undefined, id?: string): Strand | undefined {
  const strands = analysis?.strands ?? [];
  return strands.find((strand) => strand.id === id) ?? strands[0];
}

/** several says whether a piece has more than one row. */
export const several = (doc: Document) => rowsOf(doc).length > 1;

/** numberOf is a row's place among the rows, from 1. */
export const numberOf = (doc: Document, id: string) => rowsOf(doc).findIndex((row) => row.id === id) + 1;

/** isDrop says whether what stands in a strand hangs on its own cord, in a drop or a loop. */
export const isDrop = (key: string) => key.includes("[");

/** isLoop says whether it is a bead with a loop of the strand's own cord through it. */
export const isLoop = (key: string) => isDrop(key) && !key.startsWith("[");

/** isGap says whether what stands in a strand is bare cord and no bead. */
export const isGap = (key: string) => key.startsWith("_") || key.startsWith("@");

/** mainRow is the row that a piece's target is of: the first of the section with the most. */
export function mainRow(doc: Document): Row {
  const main = doc.sections.reduce((most, section) => ((section.rows?.length ?? 0) > (most.rows?.length ?? 0) ? section : most));
  return main.rows![0];
}

/** Handle is the end of a selected run, which can be pulled to change its count. */
export interface Handle {
  node: number;
  count: number;
  /** What one bead of the run takes along the cord. */
  pitchMm: number;
}

/** DISH is what a dragged dish carries: its letter. */
export const DISH = "application/x-mala-dish";
