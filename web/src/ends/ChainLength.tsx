import type { Operation } from "../api/client.ts";
import type { Bench } from "../bench/Bench.ts";
import type { BenchState } from "../bench/BenchState.ts";
import { LengthField } from "../units/LengthField.tsx";
import { everyFitting, linksOf } from "./places.ts";

interface Props {
  bench: Bench;
  state: BenchState;
  /** The chain. */
  fitting: string;
}

/** ChainLength is how long a chain is, typed as a length or as a number of links, or as long as the target asks. */
export function ChainLength({ bench, state, fitting }: Props) {
  const { doc, analysis } = state;
  const chain = everyFitting(doc).find((one) => one.id === fitting);
  const linkMm = doc.materials.find((m) => m.id === chain?.of)?.insideMm ?? 0;
  const links = linksOf(analysis, chain) ?? 0;
  const set = (rest: Partial<Operation>) => void bench.apply({ do: "set-links", at: { fitting }, ...rest });
  return (
    <span className="chain-of">
      <input type="number" min={1} max={2000} aria-label="Links of the chain" value={links} onChange={(e) => e.target.valueAsNumber >= 1 && set({ n: Math.round(e.target.valueAsNumber) })} /> links,{" "}
      <LengthField label="Length of the chain" mm={links * linkMm} width={72} onChange={(mm) => set({ mm })} />
      {(chain?.fill || doc.target) && (
        <label className="tick" title="As many whole links as bring it nearest to the target, alike on both sides">
          <input type="checkbox" checked={chain?.fill ?? false} onChange={(e) => void bench.apply({ do: "set-fill", at: { fitting }, text: e.target.checked ? "yes" : "no" })} /> fills up
        </label>
      )}
    </span>
  );
}
