import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, unwrap, type Audit, type Document } from "../api/client.ts";
import { identity } from "../api/identity.ts";

/** Audited is what an audit found, and the text that its places are in. */
export interface Audited {
  text: string;
  audit: Audit;
}

/** useAudit holds the written pattern of a piece against it. */
export function useAudit(doc: Document, ready: boolean) {
  const text = doc.written?.text ?? "";
  return useQuery({
    queryKey: ["audit", identity(doc)],
    queryFn: async ({ signal }): Promise<Audited> => ({ text: text.replaceAll("\r\n", "\n"), audit: await unwrap(api.POST("/api/audit", { body: doc, signal })) }),
    enabled: ready && text.trim() !== "",
    placeholderData: keepPreviousData,
    gcTime: 10_000,
    retry: false,
  });
}

/** corrected makes edits in the text. */
export function corrected(text: string, edits: { from: number; to: number; text: string }[]): string {
  return [...edits].sort((a, b) => b.from - a.from).reduce((out, edit) => out.slice(0, edit.from) + edit.text + out.slice(edit.to), text);
}

/** wrong says whether a statement disagrees with the piece or with the rest of its text. */
export const wrong = (state: string) => state === "differs" || state === "crosses" || state === "left-out";
