import { useState } from "react";
import type { Bench, BenchState } from "../bench/Bench.ts";
import { rowOf, withRow } from "../bench/document.ts";
import { CataloguePicker } from "../dishes/CataloguePicker.tsx";
import { sizeOf } from "../dishes/size.ts";
import { LengthField } from "../units/LengthField.tsx";
import { Length } from "../units/UnitContext.tsx";
import { fittingsAt, wantedAt, withCord, withFitting, withoutFitting, type Place } from "./places.ts";

interface Props {
  bench: Bench;
  state: BenchState;
}

/** Chosen is the fitting the catalogue is open for. */
interface Chosen {
  place: Place | "cord";
  index: number;
}

const TITLES: Record<Place | "cord", string> = {
  cord: "What it is strung on",
  left: "A fitting for the left end",
  right: "A fitting for the right end",
  claspLeft: "Left half of the closure",
  claspRight: "Right half of the closure",
};

/** Ends are the cord and what closes it, each changeable from the catalogue. */
export function Ends({ bench, state }: Props) {
  const { doc, analysis } = state;
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const strand = analysis?.strands[0];
  const row = rowOf(doc);
  const name = (id: string) => {
    const m = doc.materials.find((one) => one.id === id);
    return m ? `${m.name}, ${sizeOf(m)}` : id;
  };
  const clasped = doc.closure.type === "clasp";
  const there = chosen && chosen.place !== "cord" ? fittingsAt(doc, chosen.place)[chosen.index] : undefined;

  const list = (place: Place, label: string, short: string) => {
    const ids = fittingsAt(doc, place);
    return (
      <div className="end-row" role="group" aria-label={label}>
        <span className="what">{short}</span>
        <span className="picks">
          {ids.map((id, index) => (
            <button type="button" key={`${id}${index}`} className="pick" onClick={() => setChosen({ place, index })}>
              {name(id)}
            </button>
          ))}
          <button type="button" className="pick quiet" onClick={() => setChosen({ place, index: ids.length })} aria-label={`Add to ${label.toLowerCase()}`}>
            + add
          </button>
        </span>
      </div>
    );
  };

  return (
    <section aria-label="Cord and ends">
      <h2>Cord and ends</h2>
      <div className="end-row">
        <span className="what">Cord</span>
        <span className="picks">
          <button type="button" className="pick" onClick={() => setChosen({ place: "cord", index: 0 })}>
            {name(row.cord)}
          </button>
        </span>
      </div>
      {list("left", "Left end", "Left")}
      {clasped && list("claspLeft", "Clasp at the left", "… clasp")}
      {list("right", "Right end", "Right")}
      {clasped && list("claspRight", "Clasp at the right", "… clasp")}
      <div className="end-row">
        <span className="what">Slack</span>
        <span>
          <LengthField
            label="Slack"
            mm={row.slackMm ?? strand?.slackMm ?? null}
            width={72}
            onChange={(slackMm) => bench.change(withRow(bench.snapshot().doc, { slackMm }))}
            onClear={() => bench.change(withRow(bench.snapshot().doc, { slackMm: undefined }))}
          />
          {strand && (
            <span className="quiet" style={{ display: "block", fontSize: 12 }}>
              {row.slackMm === undefined ? "as the house has it; " : "empty it for the house's; "}
              bending needs <Length mm={strand.slackNeededMm} />
            </span>
          )}
        </span>
      </div>
      {chosen && <CataloguePicker
        title={TITLES[chosen.place]}
        wanted={wantedAt(chosen.place)}
        onClose={() => setChosen(null)}
        onPick={(m) => {
          const now = bench.snapshot().doc;
          bench.change(chosen.place === "cord" ? withCord(now, m) : withFitting(now, chosen.place, chosen.index, m));
          setChosen(null);
        }}
        onRemove={
          there
            ? () => {
                bench.change(withoutFitting(bench.snapshot().doc, chosen.place as Place, chosen.index));
                setChosen(null);
              }
            : undefined
        }
      />}
    </section>
  );
}
