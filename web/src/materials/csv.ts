import type { components } from "../api/schema.gen.ts";
import { Offline, ApiError, type Problem } from "../api/client.ts";

export type CataloguePreview = components["schemas"]["CataloguePreview"];
export type RowNote = components["schemas"]["RowNote"];

interface Progress {
  done: number;
  total: number;
  ended?: "kept" | "undone";
  says?: string;
}

async function send(path: string, text: string, signal?: AbortSignal): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(path, { method: "POST", headers: { "Content-Type": "text/csv" }, body: text, signal });
  } catch (err) {
    if (err instanceof DOMException && err.name === "AbortError") throw err;
    throw new Offline();
  }
  if (!response.ok) throw new ApiError((await response.json()) as Problem);
  return response;
}

/** previewCatalogue returns what importing the file would change. */
export async function previewCatalogue(text: string): Promise<CataloguePreview> {
  return (await (await send("/api/catalogue/preview", text)).json()) as CataloguePreview;
}

/** importCatalogue imports the file, reports its progress, and returns the number of rows. If it is cancelled, nothing changes. */
export async function importCatalogue(text: string, signal: AbortSignal, onProgress: (done: number, total: number) => void): Promise<number> {
  const response = await send("/api/catalogue", text, signal);
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
  let rest = "";
  let last: Progress | undefined;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    const lines = (rest + value).split("\n");
    rest = lines.pop() ?? "";
    for (const line of lines) {
      last = JSON.parse(line) as Progress;
      onProgress(last.done, last.total);
    }
  }
  if (last?.ended !== "kept") throw new Error(last?.says ?? "The connection was lost before the import finished. Nothing was changed.");
  return last.total;
}
