import type { Analysis, Document, Picture } from "./client.ts";

/** Drawn is a piece with where everything of it lies, all of one document. */
export interface Drawn {
  doc: Document;
  analysis: Analysis;
  picture: Picture;
}
