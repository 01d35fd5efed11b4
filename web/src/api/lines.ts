import { ApiError, Offline, type Problem } from "./client.ts";

/** sendFor sends a body and returns the answer, which may come piece by piece. */
export async function sendFor(path: string, body: string, type: string, signal?: AbortSignal): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(path, { method: "POST", headers: { "Content-Type": type }, body, signal });
  } catch (err) {
    if (err instanceof DOMException && err.name === "AbortError") throw err;
    throw new Offline();
  }
  if (!response.ok) throw new ApiError((await response.json()) as Problem);
  return response;
}

/** readLines reads an answer of one JSON value a line, as they come, and returns the last. */
export async function readLines<T>(response: Response, onLine: (line: T) => void): Promise<T | undefined> {
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
  let rest = "";
  let last: T | undefined;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return last;
    const lines = (rest + value).split("\n");
    rest = lines.pop() ?? "";
    for (const line of lines) {
      last = JSON.parse(line) as T;
      onLine(last);
    }
  }
}
