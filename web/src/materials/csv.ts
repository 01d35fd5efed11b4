import type { components } from "../api/schema.gen.ts";
import { readLines, sendFor } from "../api/lines.ts";

export type CataloguePreview = components["schemas"]["CataloguePreview"];
export type RowNotes = components["schemas"]["RowNotes"];
export type ImportNote = components["schemas"]["ImportNote"];
type Progress = components["schemas"]["Progress"];

/** previewCatalogue returns what importing the file would change. */
export async function previewCatalogue(text: string): Promise<CataloguePreview> {
  return (await (await sendFor("/api/catalogue/preview", text, "text/csv")).json()) as CataloguePreview;
}

/** importCatalogue imports the file, rows that were changed since it was exported only if asked to, reports its progress, and returns the number of rows. If it is cancelled, nothing changes. */
export async function importCatalogue(file: { name: string; text: string }, since: boolean, signal: AbortSignal, onProgress: (done: number, total: number) => void): Promise<number> {
  const response = await sendFor(`/api/catalogue?${new URLSearchParams({ name: file.name.slice(0, 200), since: String(since) })}`, file.text, "text/csv", signal);
  const last = await readLines<Progress>(response, (line) => onProgress(line.done, line.total));
  if (last?.ended !== "kept") throw new Error(last?.says ?? "The connection was lost before the import finished. Nothing was changed.");
  return last.total;
}
