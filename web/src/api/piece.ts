import type { Analysis, Document, Strand } from "./client.ts";

/** Row is one strand of a document. */
export type Row = NonNullable<Document["sections"][number]["rows"]>[number];

/** rowsOf lists every row of a piece. */
export function rowsOf(doc: Document): Row[] {
  return doc.sections.flatMap((section) => section.rows ?? []);
}

/** leadRow is the row whose length the target names. */
export function leadRow(doc: Document): Row {
  const [row] = rowsOf(doc);
  return row;
}

/** leadStrand is that row, measured. */
export function leadStrand(analysis: Analysis): Strand;
export function leadStrand(analysis: Analysis | null | undefined): Strand | undefined;
export function leadStrand(analysis: Analysis | null | undefined): Strand | undefined {
  const [strand] = analysis?.strands ?? [];
  return strand;
}
