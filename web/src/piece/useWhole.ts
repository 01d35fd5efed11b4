import { useQuery } from "@tanstack/react-query";
import { api, unwrap, type Analysis, type Document } from "../api/client.ts";
import { identity } from "../api/identity.ts";
import { opened } from "../api/opened.ts";
import type { BenchState } from "./BenchState.ts";
import { useUnit } from "../ui/UnitContext.tsx";

/** useWhole asks for all that is on the plan: while a piece is being laid out its answers leave out its steps, and how far each run reaches. */
export function useWhole({ analysed, analysis }: Pick<BenchState, "analysed" | "analysis">): { doc: Document; analysis: Analysis } | undefined {
  const { unit } = useUnit();
  return useQuery({
    queryKey: ["whole", identity(analysed), identity(analysis), unit],
    queryFn: async ({ signal }) => ({ doc: analysed, analysis: opened(await unwrap(api.POST("/api/analyse", { params: { query: { unit } }, body: analysed, signal }))) }),
    enabled: analysis !== null,
    gcTime: 10_000,
  }).data;
}
