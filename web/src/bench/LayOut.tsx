import { useEffect, useMemo, useRef, useState } from "react";
import { useLocation, useNavigate, useSearchParams } from "react-router";
import type { Material } from "../api/client.ts";
import { strandOf } from "../api/piece.ts";
import { BeadLine } from "../beadline/BeadLine.tsx";
import { Toolbar } from "../beadline/Toolbar.tsx";
import { CataloguePicker } from "../shop/CataloguePicker.tsx";
import { Dishes } from "../dishes/Dishes.tsx";
import { EndsInBrief } from "../ends/EndsInBrief.tsx";
import { Gauge } from "../gauge/Gauge.tsx";
import { Graduation } from "../proposals/Graduation.tsx";
import { Proposals } from "../proposals/Proposals.tsx";
import { Structure } from "../ends/Structure.tsx";
import { Tally } from "../tally/Tally.tsx";
import { Felt } from "./Felt.tsx";
import { useFeltView } from "./useFeltView.ts";
import { ViewMenu } from "./ViewMenu.tsx";
import { laidFlat, usePicture } from "../pictures/usePicture.ts";
import { previewed } from "../piece/BenchState.ts";
import { freeLetter, letterOf } from "../piece/letters.ts";
import { runAt } from "../piece/place.ts";
import { usePageKeys } from "../piece/usePageKeys.ts";
import { useBenchContext } from "../piece/context.ts";

/** Choosing is what the catalogue is open for: a new dish, another bead for one, or another for those that are selected. */
type Choosing = { key?: string; selected?: boolean } | null;

/** ROWS_SEEN is how many rows the close-up shows at most, and LANE how high each is, in px. */
const ROWS_SEEN = 5;
const LANE = 43;
const RULER = 30;
const ONE_ROW = 176;

/** LayOut is the bench: dishes, felt, bead line, gauge and tally. */
export function LayOut() {
  const { id, bench, state } = useBenchContext();
  const strand = useRef<HTMLDivElement>(null);
  const line = useRef<HTMLTextAreaElement>(null);
  const [choosing, setChoosing] = useState<Choosing>(null);
  const [sliding, setSliding] = useState(false);
  const [lit, setLit] = useState<string | null>(null);
  const [params, setParams] = useSearchParams();
  const navigate = useNavigate();
  const made = (useLocation().state as { made?: string } | null)?.made;
  const beside = params.get("show");
  const view = useFeltView();
  const shown = previewed(state);
  const picture = usePicture(shown.analysis, shown.analysed);
  const flat = useMemo(() => laidFlat(picture), [picture]);
  const hangs = shown.doc.kind === "ornament"; // it lies along the felt, and hangs in Fit
  const drawn = (view.laid || hangs) && flat ? flat : picture;
  const rows = state.analysis?.strands.length ?? 1;

  const focusStrand = () => strand.current?.querySelector<HTMLElement>(".felt-close")?.focus();

  // The strand has the focus as soon as it is drawn.
  const lies = state.analysis !== null;
  useEffect(() => {
    if (lies) focusStrand();
  }, [lies]);

  // A material that was made for this piece gets its dish.
  useEffect(() => {
    if (!made || !lies || letterOf(bench.snapshot().doc, made)) return;
    void bench.apply({ do: "set-dish", material: made });
    void navigate(".", { replace: true, state: null });
  }, [made, lies, bench, navigate]);

  usePageKeys((action) => {
    if (action === "line") line.current?.focus();
    else if (action === "strand") focusStrand();
    else if (action === "addDish") setChoosing({});
    else if (action === "proposals") setParams({ show: "proposals" });
    else return false;
    return true;
  });

  function close() {
    void bench.preview(null);
    setParams({});
    focusStrand();
  }

  function choose(material: Material) {
    const { doc, selection, analysis, row } = bench.snapshot();
    const key = choosing?.key ?? letterOf(doc, material.id) ?? freeLetter(doc, material.name);
    if (!key) return bench.say("All 26 letters have a dish. Remove one first.");
    const dish = { do: "set-dish" as const, text: key, material: material.id };
    if (choosing?.selected) {
      const [from, to] = selection.anchor === selection.focus ? runAt(strandOf(analysis, row)!, Math.max(0, selection.focus - 1)) : [Math.min(selection.anchor, selection.focus), Math.max(selection.anchor, selection.focus)];
      void bench.apply(dish, { do: "insert", at: { strand: row }, text: `${to - from}${key}`, from, to });
    } else void bench.apply(dish);
    setChoosing(null);
    focusStrand();
  }

  return (
    <div className="bench">
      <aside className="side left" aria-label="Materials of this piece">
        <Dishes bench={bench} state={state} lit={lit} onLight={setLit} onAdd={() => setChoosing({})} onChange={(key) => setChoosing({ key })} />
        <EndsInBrief bench={bench} state={state} />
      </aside>
      <div className="middle" ref={strand} style={{ "--close-up": `${rows > 1 ? RULER + LANE * Math.min(rows, ROWS_SEEN) : ONE_ROW}px` } as React.CSSProperties}>
        <Gauge bench={bench} state={state} onProposals={() => setParams({ show: "proposals" })} />
        <Felt bench={bench} state={shown} view={view} drawn={drawn} lit={lit} />
        <div className="line-area">
          <Toolbar bench={bench} state={state} onReplace={() => setChoosing({ selected: true })} onSliding={() => setSliding(true)}>
            <ViewMenu state={state} view={view} liesFlat={!!flat && !hangs} />
          </Toolbar>
          <BeadLine bench={bench} state={state} inputRef={line} onLeave={focusStrand} sliding={sliding} onSliding={setSliding} />
          <Structure bench={bench} state={state} />
        </div>
      </div>
      <aside className="side right" aria-label="Tally and proposals">
        {beside === "proposals" && <Proposals bench={bench} state={state} onClose={close} />}
        {beside === "graduated" && <Graduation bench={bench} state={state} onClose={close} />}
        <Tally state={state} />
      </aside>
      {choosing && (
        <CataloguePicker
          title={choosing.key ? `Replace the bead of dish ${choosing.key}` : choosing.selected ? "Replace the selected beads" : "Add a dish"}
          filter={{ class: "bead,component" }}
          letterOf={(id) => letterOf(state.doc, id)}
          onPick={choose}
          onNew={(name) => void navigate("/materials", { state: { fresh: name, back: `/pieces/${id}` } })}
          onClose={() => setChoosing(null)}
        />
      )}
    </div>
  );
}
