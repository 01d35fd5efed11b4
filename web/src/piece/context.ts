import { useOutletContext } from "react-router";
import type { Operation } from "../api/client.ts";
import type { Bench } from "./Bench.ts";
import type { BenchState } from "./BenchState.ts";

/** BenchContext is what every step of a piece works with. */
export interface BenchContext {
  id: string;
  bench: Bench;
  state: BenchState;
}

export const useBenchContext = () => useOutletContext<BenchContext>();

/** Compared is a proposal that is to be held against the piece as it is. */
export interface Compared {
  says: string;
  operations: Operation[];
}
