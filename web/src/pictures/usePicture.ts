import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, unwrap, type Analysis, type Document } from "../api/client.ts";
import type { Drawn } from "../api/drawn.ts";
import { identity } from "../api/identity.ts";

/** laidFlat is the piece laid flat, where it hangs; nothing otherwise. */
export function laidFlat(drawn: Drawn | undefined): Drawn | undefined {
  return drawn?.picture.laid && { ...drawn, picture: { ...drawn.picture, whole: drawn.picture.laid } };
}

/**
 * usePicture asks where everything of a piece lies, once its figures are there.
 * While an answer is on its way the last picture stays.
 */
export function usePicture(analysis: Analysis | null | undefined, doc: Document | undefined): Drawn | undefined {
  return useQuery({
    queryKey: ["picture", identity(doc), identity(analysis)],
    queryFn: async ({ signal }) => ({ doc: doc!, analysis: analysis!, picture: await unwrap(api.POST("/api/picture", { body: doc!, signal })) }),
    enabled: Boolean(analysis && doc),
    placeholderData: keepPreviousData,
    gcTime: 10_000,
    retry: false,
  }).data;
}
