import type { Document } from "../api/client.ts";
import { leadRow, type Row } from "../api/piece.ts";

export const lineOf = (doc: Document) => leadRow(doc).line;

/** withTyped holds the bead line as it is typed, whether or not it can be read yet. All else is changed by operations. */
export function withTyped(doc: Document, line: string): Document {
  const lead = leadRow(doc);
  const typed = (row: Row) => (row === lead ? { ...row, line } : row);
  return { ...doc, sections: doc.sections.map((section) => ({ ...section, rows: section.rows?.map(typed) })) };
}
