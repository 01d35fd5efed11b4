import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, unwrap, type Document, type Operation } from "../api/client.ts";
import { identity } from "../api/identity.ts";
import { opened } from "../api/opened.ts";

/** useMade is a piece as it would be after operations, with its analysis; the key tells one set of operations from another. */
export function useMade(doc: Document, operations: Operation[], key: string) {
  return useQuery({
    queryKey: ["made", identity(doc), key],
    queryFn: async ({ signal }) => {
      const { edited, analysis } = await unwrap(api.POST("/api/edit", { params: { query: { brief: true } }, body: { document: doc, operations }, signal }));
      return analysis ? { doc: edited.document, analysis: opened(analysis) } : null;
    },
    placeholderData: keepPreviousData,
    retry: false,
  }).data;
}
