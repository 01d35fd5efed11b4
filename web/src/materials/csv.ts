import type { components } from "../api/schema.gen.ts";
import { Away, Refused, type Problem } from "../api/client.ts";

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
    throw new Away();
  }
  if (!response.ok) throw new Refused((await response.json()) as Problem);
  return response;
}

/** previewCatalogue asks what taking the file in would change. */
export async function previewCatalogue(text: string): Promise<CataloguePreview> {
  return (await (await send("/api/catalogue/preview", text)).json()) as CataloguePreview;
}

/** takeCatalogue takes the file in, telling how far it is, and gives the number of rows. Stopped, nothing is kept. */
export async function takeCatalogue(text: string, signal: AbortSignal, onProgress: (done: number, total: number) => void): Promise<number> {
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
  if (last?.ended !== "kept") throw new Error(last?.says ?? "The server went away before the file was taken in. Nothing of it was kept.");
  return last.total;
}
