import { ApiError, Offline } from "../api/client.ts";
import type { BenchState, LineFault } from "./BenchState.ts";

/** lineFault is a fault of a bead line as the page shows it. */
export const lineFault = (fault: { column?: number; says: string; expected?: string; place?: { strand?: string } }): LineFault => ({ column: fault.column ?? 1, says: fault.says, expected: fault.expected, row: fault.place?.strand });

/** troubleOf says what an analysis that failed shows. */
export function troubleOf(err: unknown): Partial<BenchState> {
  if (err instanceof Offline) return { trouble: `${err.reason || "Server unavailable."} Keep typing; the figures follow when it is back.` };
  if (!(err instanceof ApiError)) throw err;
  const faults = (err.problem.faults ?? []).filter((fault) => fault.column);
  if (faults.length > 0) return { faults: faults.map(lineFault), trouble: null };
  const first = err.problem.faults?.[0];
  return { faults: [], trouble: first?.where ? `${first.where}: ${first.says}` : err.message };
}
