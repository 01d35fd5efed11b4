import { numberOf, rowOf, several, strandOf } from "../api/piece.ts";
import { Fragment, useState } from "react";
import type { Document, Operation } from "../api/client.ts";
import type { Bench } from "../piece/Bench.ts";
import type { BenchState } from "../piece/BenchState.ts";
import { CataloguePicker } from "../shop/CataloguePicker.tsx";
import { sizeOf } from "../shop/size.ts";
import type { Filter } from "../shop/catalogue.ts";
import { LengthField } from "../ui/LengthField.tsx";
import { Length } from "../ui/UnitContext.tsx";
import { BEAD_LINKS } from "../piece/joins.ts";
import { ChainLength } from "./ChainLength.tsx";
import { FittingPick, movedBy } from "./FittingPick.tsx";
import { EndWay, endOf, waysOf } from "./EndWay.tsx";
import "./ends.css";
import { carrierOf, everyFitting, filterFor, fittingsAt, hangOn, HANGS, isClosure, isHung, putFitting, sideOf, type FittingList } from "../piece/places.ts";

interface Props {
  bench: Bench;
  state: BenchState;
  /** Only what differs from the usual is shown of how the ends are made. */
  brief?: boolean;
}

/** Chosen is the fitting the catalogue is open for. */
interface Chosen {
  list: FittingList | "cord" | "leg" | "loop" | "holder";
  /** Of a leg or a loop: which end. */
  side?: "left" | "right";
  /** The fitting to replace; none to add one. */
  fitting?: string;
  /** What hangs on that fitting is chosen, the n-th or one more. */
  hung?: number;
}

const TITLES: Record<Chosen["list"], string> = {
  cord: "Cord",
  holder: "The crimp that holds beads apart",
  leg: "A bead for the leg",
  loop: "Hang a charm or a component",
  left: "A fitting for the left end",
  right: "A fitting for the right end",
  claspLeft: "Left half of the closure",
  claspRight: "Right half of the closure",
};

/** PASSES is how often the cord runs through the beads. */
const PASSES = ["once", "doubled", "three times", "four times"];

/** Ends are the cord and what closes it, each changeable from the catalogue. */
export function Ends({ bench, state, brief }: Props) {
  const { doc, analysis } = state;
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const strand = strandOf(analysis, state.row);
  const row = rowOf(doc, state.row);
  const name = (id: string) => {
    const m = doc.materials.find((one) => one.id === id);
    return m ? `${m.name}, ${sizeOf(m)}` : id;
  };
  const clasped = doc.closure.type === "clasp";

  /** The bead that the cord runs on through at an end of the row. */
  const runsOn = (list: FittingList) => {
    if (isClosure(list) || (list === "left" ? strand?.leftHold : strand?.rightHold) !== "through") return "";
    const shared = strand?.[sideOf(list)].find((part) => part.role === "shared-bead");
    return doc.materials.find((m) => m.id === shared?.material)?.name.toLowerCase() ?? "a bead";
  };

  /** Where the row lies on the other half of a folded cord. */
  const endsInOther = (list: FittingList) => {
    if (isClosure(list) || row.foldOf === undefined) return "";
    const number = numberOf(doc, row.foldOf);
    if (list === "left") return `the fold of row ${number}’s cord`;
    return row.rightEnd?.way === "with" ? `in the crimp of row ${number}` : "";
  };

  /** On a leg, or at a bead that the cord is folded through, nothing lies beyond. */
  const endsInBead = (list: FittingList) => {
    const way = endOf(doc, row.id, sideOf(list))?.way;
    return (way === "leg" && !isClosure(list)) || way === "fold-bead";
  };

  const show = (list: FittingList, label: string, short: string) => {
    const fittings = fittingsAt(doc, row.id, list);
    const carrier = carrierOf(doc, analysis, row.id, list);
    return (
      <div className="end-row" role="group" aria-label={label}>
        <span className="what">{short}</span>
        <span className="picks">
          {fittings.map(({ id, of, hung, links }, at) => (
            <Fragment key={id}>
              <FittingPick list={list} fitting={id} at={at} of={fittings.length} onChoose={() => setChosen({ list, fitting: id })} onMove={(operation) => void bench.apply(operation)}>
                {name(of)}
              </FittingPick>
              {links !== undefined && <ChainLength bench={bench} state={state} fitting={id} />}
              {hung?.map((m, n) => (
                <button type="button" key={n} className="pick hung" onClick={() => setChosen({ list, fitting: id, hung: n })} aria-label={`${name(m)}, hangs on ${name(of)}`}>
                  ↳ {name(m)}
                </button>
              ))}
            </Fragment>
          ))}
          {runsOn(list) && <span className="quiet">the cord runs on through {runsOn(list)}</span>}
          {endsInOther(list) && <span className="quiet">{endsInOther(list)}</span>}
          {!runsOn(list) && !endsInOther(list) && !endsInBead(list) && (
            <button type="button" className="pick quiet" onClick={() => setChosen({ list })} aria-label={`Add to ${label.toLowerCase()}`}>
              + add
            </button>
          )}
          {carrier && (
            <button type="button" className="pick quiet" onClick={() => setChosen({ list, fitting: carrier.id, hung: carrier.hung?.length ?? 0 })} aria-label={`Hang something on ${name(carrier.of)}`}>
              + hang
            </button>
          )}
        </span>
      </div>
    );
  };

  const way = (side: "left" | "right") =>
    (!strand?.ring || waysOf(strand, side).length > 0) && row.cord !== undefined && !endsInOther(side) && !runsOn(side) && (!brief || endOf(doc, row.id, side)?.way) && (
      <EndWay bench={bench} doc={doc} row={row.id} strand={strand} side={side} onBead={() => setChosen({ list: "leg", side })} onHang={(hung) => setChosen({ list: "loop", side, hung })} />
    );

  return (
    <section aria-label="Cord and ends">
      <h2>{several(doc) ? `Cord and ends of row ${numberOf(doc, row.id)}` : "Cord and ends"}</h2>
      <div className="end-row">
        <span className="what">Cord</span>
        <span className="picks">
          <button type="button" className="pick" onClick={() => setChosen({ list: "cord" })}>
            {row.cord === undefined ? "none: its links hang in one another" : name(row.cord)}
          </button>
          {row.cord !== undefined && !brief && (
            <select aria-label="The cord runs through every bead" value={row.passes ?? 1} onChange={(e) => void bench.apply({ do: "set-passes", at: { strand: row.id }, n: Number(e.target.value) })}>
              {PASSES.map((label, i) => (
                <option key={label} value={i + 1}>
                  {label}
                </option>
              ))}
            </select>
          )}
        </span>
      </div>
      {show("left", "Left end", "Left")}
      {way("left")}
      {clasped && show("claspLeft", "Clasp at the left", "… clasp")}
      {doc.closure.type === "bar" && (
        <div className="end-row" role="group" aria-label="The bar">
          <span className="what">Bar</span>
          <span className="picks">
            <button type="button" className="pick" onClick={() => setChosen({ list: "claspLeft", fitting: doc.closure.left![0].id })}>
              {name(doc.closure.left![0].of)}
            </button>
          </span>
        </div>
      )}
      {show("right", "Right end", "Right")}
      {way("right")}
      {clasped && show("claspRight", "Clasp at the right", "… clasp")}
      {(strand?.holders ?? row.holder) && (
        <div className="end-row" role="group" aria-label="What holds beads apart">
          <span className="what">Gaps</span>
          <span className="picks">
            <select aria-label="Beads are held apart by" value={row.holder?.way ?? ""} onChange={(e) => (e.target.value === "crimps" ? setChosen({ list: "holder" }) : void bench.apply({ do: "set-holder", at: { strand: row.id }, text: e.target.value }))}>
              <option value="">nothing yet</option>
              <option value="crimps">crimps</option>
              <option value="knots">knots</option>
              <option value="friction">friction</option>
              <option value="pressed">the beads, pressed on</option>
            </select>
            {row.holder?.of && (
              <button type="button" className="pick" onClick={() => setChosen({ list: "holder" })}>
                {name(row.holder.of)}
              </button>
            )}
          </span>
        </div>
      )}
      {row.cord !== undefined && <div className="end-row">
        <span className="what">Slack</span>
        <span>
          <LengthField
            label="Slack"
            mm={row.slackMm ?? strand?.slackMm ?? null}
            width={72}
            onChange={(slackMm) => void bench.apply({ do: "set-slack", at: { strand: row.id }, mm: slackMm })}
            onClear={() => void bench.apply({ do: "set-slack", at: { strand: row.id } })}
          />
          {strand && (
            <span className="quiet" style={{ display: "block", fontSize: 12 }}>
              {row.slackMm === undefined ? "house default; " : "clear it for the house default; "}
              bending needs <Length mm={strand.slackNeededMm} />
            </span>
          )}
        </span>
      </div>}
      {chosen && (
        <CataloguePicker
          title={chosen.hung === undefined ? TITLES[chosen.list] : TITLES.loop}
          filter={filterOf(doc, chosen)}
          onClose={() => setChosen(null)}
          onPick={(m) => {
            void bench.apply(...picked(bench.snapshot().doc, row.id, chosen, m.id));
            setChosen(null);
          }}
          moves={movesOf(doc, row.id, chosen).map(({ label, operation }) => ({
            label,
            onMove: () => {
              void bench.apply(operation);
              setChosen(null);
            },
          }))}
          onRemove={
            removed(doc, row.id, chosen).length > 0
              ? () => {
                  void bench.apply(...removed(doc, row.id, chosen));
                  setChosen(null);
                }
              : undefined
          }
        />
      )}
    </section>
  );
}

function filterOf(doc: Document, { list, fitting, hung }: Chosen): Filter {
  if (hung !== undefined) return HANGS;
  const made = doc.materials.find((m) => m.id === everyFitting(doc).find((one) => one.id === fitting)?.of);
  if (made?.class === "component") return BEAD_LINKS;
  if (list === "leg") return { class: "bead" };
  if (list === "holder") return { spot: "holder" };
  return filterFor(list as FittingList | "cord");
}

/** movesOf are the ways to move a fitting within its end. */
function movesOf(doc: Document, row: string, { list, fitting, hung }: Chosen) {
  if (!fitting || hung !== undefined || list === "cord" || list === "leg" || list === "loop" || list === "holder") return [];
  const there = fittingsAt(doc, row, list);
  const at = there.findIndex((one) => one.id === fitting);
  return [
    { label: "Move towards the strand", by: -1 },
    { label: "Move outwards", by: 1 },
  ]
    .filter(({ by }) => at >= 0 && at + by >= 0 && at + by < there.length)
    .map(({ label, by }) => ({ label, operation: movedBy(list, fitting, by) }));
}

/** picked are the operations that put a material where it was chosen for. */
function picked(doc: Document, row: string, { list, side, fitting, hung }: Chosen, material: string): Operation[] {
  const at = { strand: row, end: side };
  if (list === "leg") return [{ do: "set-end", at, field: "bead", material }];
  if (list === "holder") return [{ do: "set-holder", at, text: "crimps", material }];
  if (list === "loop") return [...removed(doc, row, { list, side, hung }), { do: "hang", at, material }];
  if (hung !== undefined) return hangOn(doc, row, fitting!, hung, material);
  return [list === "cord" ? { do: "set-cord", at, material } : putFitting(row, list, fitting, material)];
}

/** removed are the operations that take away what is there; none where there is nothing. */
function removed(doc: Document, row: string, { list, side, fitting, hung }: Chosen): Operation[] {
  const at = { strand: row, end: side };
  if (list === "leg") return side && endOf(doc, row, side)?.bead ? [{ do: "set-end", at, field: "bead" }] : [];
  if (list === "loop") return side && hung! < (endOf(doc, row, side)?.hung?.length ?? 0) ? [{ do: "unhang", at, n: hung }] : [];
  if (!fitting) return [];
  if (hung === undefined) return [{ do: "drop-fitting", at: { fitting } }];
  return isHung(doc, row, fitting, hung) ? [{ do: "unhang", at: { fitting }, n: hung }] : [];
}
