import type { Analysis, Document, PieceState, Problem } from "../api/client.ts";
import type { SaveState } from "./Draft.ts";

/** Selection is two gaps of the laid-out strand; focus is the one that moves. */
export interface Selection {
  anchor: number;
  focus: number;
}

export interface LineFault {
  column: number;
  says: string;
  expected?: string;
  /** The row whose line it is in. */
  row?: string;
}

/** previewed is the state as the felt shows it: with the proposal that is looked at, if there is one. */
export function previewed(state: BenchState): BenchState {
  const { preview } = state;
  return preview ? { ...state, ...preview, analysed: preview.doc, selection: { anchor: 0, focus: 0 }, pending: "" } : state;
}

/** BenchState is what the bench shows. It is replaced, never changed. */
export interface BenchState {
  doc: Document;
  /** The id of the row in hand: the one that the caret, the line and the keys are in. */
  row: string;
  /** A change of the line in hand is made in every row with the same line. */
  alike: boolean;
  /** The line as typed, whether or not it can be read. */
  lineText: string;
  analysis: Analysis | null;
  /** The document that the analysis is of; the document itself may be newer. */
  analysed: Document;
  /** The figures belong to an earlier line: the one typed has an error, or the server is unavailable. */
  behind: boolean;
  /** What is wrong with the line, the first first. */
  faults: LineFault[];
  /** A fault that is not the line's. */
  trouble: string | null;
  /** A proposal that is looked at on the felt before it is taken. */
  preview: { doc: Document; analysis: Analysis } | null;
  selection: Selection;
  pending: string;
  /** Something has been copied that can be pasted. */
  copied: boolean;
  notice: string | null;
  save: SaveState;
  conflict: Problem | null;
  /** The version that holds what another window had left unsaved. */
  aside: number | null;
  drift: PieceState["drift"] | null;
  canUndo: boolean;
  canRedo: boolean;
}
