import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, unwrap, type MadeBefore } from "../api/client.ts";
import { identity } from "../api/identity.ts";
import type { BenchState } from "../piece/BenchState.ts";
import { useUnit } from "../ui/UnitContext.tsx";

export interface Asked {
  piece?: string;
  insideMm?: number;
  measuredMm?: number;
  longerMm?: number;
  sat?: string;
}

export interface Found {
  data?: MadeBefore;
  error: Error | null;
}

/** useAfterMade works out what follows from a piece that is made, or from something that was tried on. */
export function useAfterMade(state: BenchState, asked: Asked | null): Found {
  const { unit } = useUnit();
  const found = useQuery({
    queryKey: ["after", identity(state.analysed), JSON.stringify(asked), unit],
    queryFn: ({ signal }) => unwrap(api.POST("/api/after-made", { params: { query: { unit } }, body: { document: state.analysed, ...asked }, signal })),
    enabled: asked !== null && !state.behind,
    placeholderData: keepPreviousData,
    retry: false,
  });
  return asked === null ? { error: null } : { data: found.data, error: found.error };
}
