import type { NewPiece } from "../api/client.ts";

export type Pattern = NonNullable<NewPiece["pattern"]>;

/** PATTERNS are the ways in which the beads of a new piece follow one another. */
export const PATTERNS: { value: Pattern; label: string; says: string }[] = [
  { value: "plain", label: "Plain", says: "one bead throughout" },
  { value: "spaced", label: "Spaced", says: "a spacer after every few" },
  { value: "turn", label: "In turn", says: "two beads, one after the other" },
  { value: "accents", label: "Accents", says: "a larger bead after every few" },
  { value: "focal", label: "Focal", says: "both halves alike, a large bead in the middle" },
  { value: "pendant", label: "Pendant", says: "both halves alike, a charm hanging in the middle" },
];

/** Template is a set of answers to begin with; each can be changed before the piece is made. */
export interface Template {
  name: string;
  kind: NewPiece["kind"];
  closure: NewPiece["closure"];
  pattern: Pattern;
  rows: number;
}

export const TEMPLATES: Template[] = [
  { name: "Plain stretch", kind: "bracelet", closure: "knot", pattern: "plain", rows: 1 },
  { name: "Spaced stretch", kind: "bracelet", closure: "knot", pattern: "spaced", rows: 1 },
  { name: "Stretch, two in turn", kind: "bracelet", closure: "knot", pattern: "turn", rows: 1 },
  { name: "Bracelet with accents", kind: "bracelet", closure: "clasp", pattern: "accents", rows: 1 },
  { name: "Bracelet of three rows", kind: "bracelet", closure: "clasp", pattern: "plain", rows: 3 },
  { name: "Plain necklace", kind: "necklace", closure: "clasp", pattern: "plain", rows: 1 },
  { name: "Necklace with a focal", kind: "necklace", closure: "clasp", pattern: "focal", rows: 1 },
  { name: "Necklace with a pendant", kind: "necklace", closure: "clasp", pattern: "pendant", rows: 1 },
];

/** TEMPLATE_TAG marks a piece of the shop as a template. */
export const TEMPLATE_TAG = "template";
