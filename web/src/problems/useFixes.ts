import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { api, unwrap, type Check, type Fix } from "../api/client.ts";
import { identity } from "../api/identity.ts";
import type { BenchState } from "../piece/BenchState.ts";
import { useUnit } from "../ui/UnitContext.tsx";

/** REST is how long a piece rests, in ms, before fixes of its checks are searched for. */
const REST = 250;

/** useFixes searches for the fixes of the checks that are shown, once the figures are out and the piece rests. */
export function useFixes({ analysis, doc, behind }: BenchState): Map<Check, Fix | null> {
  const { unit } = useUnit();
  const [rested, setRested] = useState<BenchState["analysis"]>(null);
  const fixable = !behind && (analysis?.checks.some((c) => c.fixable && !c.waived) ?? false);
  useEffect(() => {
    const timer = setTimeout(() => setRested(analysis), REST);
    return () => clearTimeout(timer);
  }, [analysis]);
  const found = useQuery({
    queryKey: ["fixes", identity(doc), unit],
    queryFn: ({ signal }) => unwrap(api.POST("/api/fixes", { params: { query: { unit } }, body: doc, signal })),
    enabled: fixable && rested === analysis,
    retry: false,
    gcTime: 10_000,
  });
  const checks = analysis?.checks ?? [];
  const fixes = found.data?.fixes ?? [];
  if (fixes.length !== checks.length) return new Map();
  return new Map(checks.map((check, i) => [check, fixes[i]]));
}
