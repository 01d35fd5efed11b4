import { useQuery } from "@tanstack/react-query";
import { api, unwrap } from "../api/client.ts";
import { opened } from "../api/opened.ts";
import type { Side } from "./compare.ts";

/** DRAFT stands for the draft among the numbers of versions. */
export const DRAFT = 0;

/** useSide fetches a version, or takes the draft. */
export function useSide(id: string, number: number, draft: Side): Side | null {
  const version = useQuery({
    queryKey: ["version", id, number],
    queryFn: async () => {
      const { document: doc, analysis } = await unwrap(api.GET("/api/pieces/{id}/versions/{number}", { params: { path: { id, number } } }));
      return { name: `version ${number}`, doc, analysis: analysis ? opened(analysis) : null };
    },
    enabled: number !== DRAFT, staleTime: Infinity,
  });
  return number === DRAFT ? draft : (version.data ?? null);
}
