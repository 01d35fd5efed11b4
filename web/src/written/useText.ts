import { useState } from "react";
import type { Document } from "../api/client.ts";
import type { Bench } from "../piece/Bench.ts";

const MOST = 64 * 1024; // bytes, as the piece file has it

/** useText is the written pattern while it is typed. What is too long is refused, and what was there stays. */
export function useText(bench: Bench, doc: Document) {
  const [refused, setRefused] = useState<string | null>(null);

  /** fits says whether a text is short enough, and shows it where it is not. */
  function fits(next: string): boolean {
    const bytes = new Blob([next]).size;
    setRefused(bytes > MOST ? `That text has ${Math.round(bytes / 1024)} kB; the most is ${MOST / 1024} kB. Paste only the part about this piece.` : null);
    return bytes <= MOST;
  }
  function type(next: string) {
    if (fits(next)) bench.typeWritten(next);
  }
  return { text: doc.written?.text ?? "", refused, type, fits };
}
