import { useEffect, useState, useSyncExternalStore } from "react";
import type { PieceState } from "../api/client.ts";
import { useUnit } from "../ui/UnitContext.tsx";
import { Bench } from "./Bench.ts";
import type { BenchState } from "./BenchState.ts";

/** useBench keeps one bench for a piece as long as it is open. */
export function useBench(piece: PieceState): { bench: Bench; state: BenchState } {
  const { unit } = useUnit();
  const [bench] = useState(() => new Bench(piece, unit));
  const state = useSyncExternalStore(bench.subscribe, bench.snapshot);
  useEffect(() => bench.setUnit(unit), [bench, unit]);
  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => {
      if (bench.snapshot().save !== "saved") {
        void bench.flush();
        event.preventDefault();
      }
    };
    window.addEventListener("beforeunload", warn);
    return () => {
      window.removeEventListener("beforeunload", warn);
      bench.leave();
    };
  }, [bench]);
  return { bench, state };
}
