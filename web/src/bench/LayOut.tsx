import { useEffect, useRef, useState } from "react";
import type { Material } from "../api/client.ts";
import { BeadLine } from "../beadline/BeadLine.tsx";
import { CataloguePicker } from "../shop/CataloguePicker.tsx";
import { Dishes } from "../dishes/Dishes.tsx";
import { Ends } from "../ends/Ends.tsx";
import { Gauge } from "../gauge/Gauge.tsx";
import { Graduation } from "../proposals/Graduation.tsx";
import { Proposals } from "../proposals/Proposals.tsx";
import { Structure } from "../ends/Structure.tsx";
import { Checks } from "../tally/Checks.tsx";
import { Tally } from "../tally/Tally.tsx";
import { Felt } from "./Felt.tsx";
import { previewed } from "../piece/BenchState.ts";
import { usePageKeys } from "../piece/usePageKeys.ts";
import { useBenchContext } from "../piece/context.ts";

/** Choosing is what the catalogue is open for: a new dish, or another bead for one. */
type Choosing = { key?: string } | null;

/** LayOut is the bench: dishes, felt, bead line, gauge, tally and checks. */
export function LayOut() {
  const { bench, state } = useBenchContext();
  const strand = useRef<HTMLDivElement>(null);
  const line = useRef<HTMLTextAreaElement>(null);
  const [choosing, setChoosing] = useState<Choosing>(null);

  const focusStrand = () => strand.current?.querySelector<HTMLElement>(".felt-close")?.focus();

  // The strand has the focus as soon as it is drawn.
  const lies = state.analysis !== null;
  useEffect(() => {
    if (lies) focusStrand();
  }, [lies]);

  usePageKeys((action) => {
    if (action === "line") line.current?.focus();
    else if (action === "strand") focusStrand();
    else if (action === "addDish") setChoosing({});
    else if (action === "proposals") document.getElementById("proposals")?.focus();
    else return false;
    return true;
  });

  function choose(material: Material) {
    const { doc } = bench.snapshot();
    const key = choosing?.key ?? Object.keys(doc.palette).find((k) => doc.palette[k] === material.id);
    void bench.apply({ do: "set-dish", text: key, material: material.id });
    setChoosing(null);
  }

  return (
    <div className="bench">
      <aside className="side left" aria-label="Materials of this piece">
        <Dishes bench={bench} state={state} onAdd={() => setChoosing({})} onChange={(key) => setChoosing({ key })} />
        <Ends bench={bench} state={state} brief />
      </aside>
      <div className="middle" ref={strand}>
        <Gauge bench={bench} state={state} />
        <Felt bench={bench} state={previewed(state)} />
        <div className="line-area">
          <Structure bench={bench} state={state} />
          <BeadLine bench={bench} state={state} inputRef={line} onLeave={focusStrand} />
        </div>
      </div>
      <aside className="side right" aria-label="Materials and checks">
        <Proposals bench={bench} state={state} />
        <Graduation bench={bench} state={state} />
        <Tally state={state} />
        <Checks bench={bench} state={state} onShown={focusStrand} />
      </aside>
      {choosing && (
        <CataloguePicker title={choosing.key ? `Replace the bead of dish ${choosing.key}` : "Add a dish"} filter={{ class: "bead,component" }} onPick={choose} onClose={() => setChoosing(null)} />
      )}
    </div>
  );
}
