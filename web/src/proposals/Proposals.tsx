import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { api, unwrap, type Way } from "../api/client.ts";
import { identity } from "../api/identity.ts";
import { strandOf } from "../api/piece.ts";
import type { Bench } from "../piece/Bench.ts";
import type { BenchState } from "../piece/BenchState.ts";
import { Length, useUnit } from "../ui/UnitContext.tsx";
import { BudgetSum } from "./BudgetSum.tsx";
import { WayList } from "./WayList.tsx";
import { WaysSection } from "./WaysSection.tsx";

interface Props {
  bench: Bench;
  state: BenchState;
  onClose?: () => void;
}

/** Proposals are the few best ways to bring the row in hand to its target or the piece to its wearer. Off either, they are offered; else they are asked for. */
export function Proposals({ bench, state, onClose }: Props) {
  const [ways, setWays] = useState<Way[]>([]);
  const { analysis, doc } = state;
  const target = strandOf(analysis, state.row)?.target;
  const off = (target && !target.within) || (analysis?.fit && !analysis.fit.suits);
  const wearer = analysis?.fit !== undefined;
  if (!analysis) return null;
  if (!target && !wearer) {
    return onClose ? (
      <WaysSection bench={bench} id="proposals" title="Proposals" hint="" ways={NONE} onClose={onClose}>
        <p className="quiet">Give it a target length above, or a wearer in Fit: then there is something to bring it to.</p>
      </WaysSection>
    ) : null;
  }
  return (
    <WaysSection bench={bench} id="proposals" title="Proposals" off={off} hint={off ? "Ways to bring it right (=)" : "Other counts and sizes (=)"} ways={ways} onClose={onClose}>
      <Found key={doc.kind} bench={bench} state={state} wearer={wearer} hasTarget={target !== undefined} onWays={setWays} />
    </WaysSection>
  );
}

/** NONE are the proposals while there are none. */
const NONE: Way[] = [];

function Found({ bench, state, wearer, hasTarget, onWays }: Omit<Props, "onClose"> & { wearer: boolean; hasTarget: boolean; onWays: (ways: Way[]) => void }) {
  const { unit } = useUnit();
  const { analysis, analysed, row } = state;
  const [toWearer, setToWearer] = useState(!hasTarget || (wearer && strandOf(analysis, row)?.target?.within === true && !analysis!.fit!.suits));
  const [inStock, setInStock] = useState(false);
  const aim = { document: analysed, row, wearer: toWearer || undefined, inStock: inStock || undefined };
  const found = useQuery({
    queryKey: ["solve", identity(analysed), row, toWearer, inStock, unit],
    queryFn: ({ signal }) => unwrap(api.POST("/api/solve", { params: { query: { unit } }, body: aim, signal })),
    enabled: !state.behind,
    retry: false,
    gcTime: 10_000,
  });
  useEffect(() => () => void bench.preview(null), [bench]);
  const ways = found.data?.items ?? NONE;

  useEffect(() => onWays(ways), [ways, onWays]);

  return (
    <>
      {wearer && hasTarget && (
        <select aria-label="Bring it to" value={toWearer ? "wearer" : "target"} onChange={(e) => setToWearer(e.target.value === "wearer")}>
          <option value="target">to its target</option>
          <option value="wearer">to its wearer</option>
        </select>
      )}
      <label className="tick">
        <input type="checkbox" checked={inStock} onChange={(e) => setInStock(e.target.checked)} /> only what is in stock
      </label>
      {found.data?.budget && <BudgetSum want={found.data.wantMm} budget={found.data.budget} />}
      {toWearer && found.data && ways.length > 0 && (
        <p className="quiet">
          Inside <Length mm={found.data.wantMm} /> suits best; now it is <Length mm={found.data.nowMm} />.
        </p>
      )}
      <WayList bench={bench} found={found} />
    </>
  );
}
