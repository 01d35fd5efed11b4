import { useState } from "react";
import type { Fitting, Operation } from "../api/client.ts";
import type { Bench } from "../piece/Bench.ts";
import type { BenchState } from "../piece/BenchState.ts";
import { CataloguePicker } from "../shop/CataloguePicker.tsx";
import { LengthField } from "../ui/LengthField.tsx";
import { everyFitting, linksOf, partOf } from "../piece/places.ts";

interface Props {
  bench: Bench;
  state: BenchState;
  /** The chain, or the bead links. */
  fitting: string;
}

/** ChainLength is how long a chain is, typed as a length or as a number of links, or as long as the target asks. */
export function ChainLength({ bench, state, fitting }: Props) {
  const { doc, analysis } = state;
  const chain = everyFitting(doc).find((one) => one.id === fitting);
  const made = doc.materials.find((m) => m.id === chain?.of);
  const links = linksOf(analysis, chain) ?? 0;
  const mm = partOf(analysis, fitting)?.mm ?? links * (made?.insideMm ?? 0);
  const set = (rest: Partial<Operation>) => void bench.apply({ do: "set-links", at: { fitting }, ...rest });
  return (
    <span className="chain-of">
      <input type="number" min={1} max={2000} aria-label="Links of the chain" value={links} onChange={(e) => e.target.valueAsNumber >= 1 && set({ n: Math.round(e.target.valueAsNumber) })} /> links,{" "}
      <LengthField label="Length of the chain" mm={mm} width={72} onChange={(to) => set({ mm: to })} />
      {(chain?.fill || doc.target) && (
        <label className="tick" title="As many whole links as bring it nearest to the target, alike on both sides">
          <input type="checkbox" checked={chain?.fill ?? false} onChange={(e) => void bench.apply({ do: "set-fill", at: { fitting }, text: e.target.checked ? "yes" : "no" })} /> fills up
        </label>
      )}
      {chain && made?.class === "component" && <Between bench={bench} state={state} chain={chain} />}
    </span>
  );
}

/** FIRST_BETWEEN is how many links of chain lie between two bead links until it is set. */
const FIRST_BETWEEN = 3;

/** Between chooses chain to lie between each two bead links, which otherwise hang in one another. */
function Between({ bench, state, chain }: { bench: Bench; state: BenchState; chain: Fitting }) {
  const [choosing, setChoosing] = useState(false);
  const { between } = chain;
  const set = (material?: string, n?: number) => void bench.apply({ do: "set-between", at: { fitting: chain.id }, material, n });
  return (
    <span className="between">
      {between && (
        <>
          <input type="number" min={1} max={100} aria-label="Links of chain between two" value={between.links} onChange={(e) => e.target.valueAsNumber >= 1 && set(between.of, Math.round(e.target.valueAsNumber))} /> links of{" "}
        </>
      )}
      <button type="button" className="link" onClick={() => setChoosing(true)}>
        {between ? state.doc.materials.find((m) => m.id === between.of)?.name : "Put chain between them"}
      </button>
      {between && " between two"}
      {choosing && (
        <CataloguePicker
          title="Chain between bead links"
          filter={{ spot: "chain" }}
          onClose={() => setChoosing(false)}
          onRemove={between && (() => (setChoosing(false), set()))}
          onPick={(m) => {
            setChoosing(false);
            set(m.id, between?.links ?? FIRST_BETWEEN);
          }}
        />
      )}
    </span>
  );
}
