import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, given, type CatalogueItem } from "../api/client.ts";
import type { paths } from "../api/schema.gen.ts";

/** Wanted narrows the catalogue down; see the call's own description. */
export type Wanted = NonNullable<paths["/api/materials"]["get"]["parameters"]["query"]>;

export const fetchCatalogue = (wanted: Wanted) => given(api.GET("/api/materials", { params: { query: wanted } }));

/** useMaterials keeps part of the catalogue at hand, the last one while a new one is on its way. */
export function useMaterials(wanted: Wanted, enabled = true) {
  return useQuery({ queryKey: ["materials", wanted], queryFn: () => fetchCatalogue(wanted), placeholderData: keepPreviousData, staleTime: 20_000, enabled });
}

/** useHeld gives the catalogue's own items of the ids, by id. */
export function useHeld(ids: string[]): Map<string, CatalogueItem> {
  const wanted = { ids: [...ids].sort().join(","), limit: 500 };
  const found = useMaterials(wanted, ids.length > 0);
  return new Map(found.data?.items.map((item) => [item.material.id, item]));
}
