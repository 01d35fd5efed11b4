import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, unwrap, type CatalogueItem } from "../api/client.ts";
import type { paths } from "../api/schema.gen.ts";

/** Filter narrows the catalogue down; see the call's own description. */
export type Filter = NonNullable<paths["/api/materials"]["get"]["parameters"]["query"]>;

export const fetchCatalogue = (filter: Filter) => unwrap(api.GET("/api/materials", { params: { query: filter } }));

/** useMaterials keeps part of the catalogue at hand, the last one while a new one is on its way. */
export function useMaterials(filter: Filter, enabled = true) {
  return useQuery({ queryKey: ["materials", filter], queryFn: () => fetchCatalogue(filter), placeholderData: keepPreviousData, staleTime: 20_000, enabled });
}

/** useHeld gives the catalogue's own items of the ids, by id. */
export function useHeld(ids: string[]): Map<string, CatalogueItem> {
  const wanted = { ids: [...ids].sort().join(","), limit: 500 };
  const found = useMaterials(wanted, ids.length > 0);
  return new Map(found.data?.items.map((item) => [item.material.id, item]));
}

/** deleteMaterial deletes a material, which can be restored for as long as the shop keeps what was deleted. */
export const deleteMaterial = ({ material: { id }, revision }: CatalogueItem) => unwrap(api.DELETE("/api/materials/{id}", { params: { path: { id }, query: { base: revision } } }));

export const restoreMaterial = ({ material: { id } }: CatalogueItem) => unwrap(api.POST("/api/materials/{id}/undelete", { params: { path: { id } } }));
