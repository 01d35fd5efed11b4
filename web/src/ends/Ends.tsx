import { leadRow, leadStrand } from "../api/piece.ts";
import { Fragment, useState } from "react";
import type { Bench } from "../bench/Bench.ts";
import type { BenchState } from "../bench/BenchState.ts";
import { CataloguePicker } from "../dishes/CataloguePicker.tsx";
import { sizeOf } from "../dishes/size.ts";
import { LengthField } from "../units/LengthField.tsx";
import { Length } from "../units/UnitContext.tsx";
import { carrierOf, filterFor, fittingsAt, hangOn, HANGS, isHung, putFitting, type FittingList } from "./places.ts";

interface Props {
  bench: Bench;
  state: BenchState;
}

/** Chosen is the fitting the catalogue is open for. */
interface Chosen {
  list: FittingList | "cord";
  /** The fitting to replace; none to add one. */
  fitting?: string;
  /** What hangs on that fitting is chosen, the n-th or one more. */
  hung?: number;
}

const TITLES: Record<FittingList | "cord", string> = {
  cord: "Cord",
  left: "A fitting for the left end",
  right: "A fitting for the right end",
  claspLeft: "Left half of the closure",
  claspRight: "Right half of the closure",
};

/** Ends are the cord and what closes it, each changeable from the catalogue. */
export function Ends({ bench, state }: Props) {
  const { doc, analysis } = state;
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const strand = leadStrand(analysis);
  const row = leadRow(doc);
  const name = (id: string) => {
    const m = doc.materials.find((one) => one.id === id);
    return m ? `${m.name}, ${sizeOf(m)}` : id;
  };
  const clasped = doc.closure.type === "clasp";

  const show = (list: FittingList, label: string, short: string) => {
    const fittings = fittingsAt(doc, list);
    const carrier = carrierOf(doc, list);
    return (
      <div className="end-row" role="group" aria-label={label}>
        <span className="what">{short}</span>
        <span className="picks">
          {fittings.map(({ id, of, hung }) => (
            <Fragment key={id}>
              <button type="button" className="pick" onClick={() => setChosen({ list, fitting: id })}>
                {name(of)}
              </button>
              {hung?.map((m, n) => (
                <button type="button" key={n} className="pick hung" onClick={() => setChosen({ list, fitting: id, hung: n })} aria-label={`${name(m)}, hangs on ${name(of)}`}>
                  ↳ {name(m)}
                </button>
              ))}
            </Fragment>
          ))}
          <button type="button" className="pick quiet" onClick={() => setChosen({ list })} aria-label={`Add to ${label.toLowerCase()}`}>
            + add
          </button>
          {carrier && (
            <button type="button" className="pick quiet" onClick={() => setChosen({ list, fitting: carrier.id, hung: carrier.hung?.length ?? 0 })} aria-label={`Hang something on ${name(carrier.of)}`}>
              + hang
            </button>
          )}
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
          <button type="button" className="pick" onClick={() => setChosen({ list: "cord" })}>
            {name(row.cord)}
          </button>
        </span>
      </div>
      {show("left", "Left end", "Left")}
      {clasped && show("claspLeft", "Clasp at the left", "… clasp")}
      {show("right", "Right end", "Right")}
      {clasped && show("claspRight", "Clasp at the right", "… clasp")}
      <div className="end-row">
        <span className="what">Slack</span>
        <span>
          <LengthField
            label="Slack"
            mm={row.slackMm ?? strand?.slackMm ?? null}
            width={72}
            onChange={(slackMm) => void bench.apply({ do: "set-slack", mm: slackMm })}
            onClear={() => void bench.apply({ do: "set-slack" })}
          />
          {strand && (
            <span className="quiet" style={{ display: "block", fontSize: 12 }}>
              {row.slackMm === undefined ? "house default; " : "clear it for the house default; "}
              bending needs <Length mm={strand.slackNeededMm} />
            </span>
          )}
        </span>
      </div>
      {chosen && (
        <CataloguePicker
          title={chosen.hung === undefined ? TITLES[chosen.list] : "Hang a charm or a component"}
          filter={chosen.hung === undefined ? filterFor(chosen.list) : HANGS}
          onClose={() => setChosen(null)}
          onPick={(m) => {
            if (chosen.hung !== undefined) void bench.apply(...hangOn(bench.snapshot().doc, chosen.fitting!, chosen.hung, m.id));
            else void bench.apply(chosen.list === "cord" ? { do: "set-cord", material: m.id } : putFitting(bench.snapshot().doc, chosen.list, chosen.fitting, m.id));
            setChosen(null);
          }}
          onRemove={
            chosen.fitting && (chosen.hung === undefined || isHung(doc, chosen.fitting, chosen.hung))
              ? () => {
                  void bench.apply(chosen.hung === undefined ? { do: "drop-fitting", at: { fitting: chosen.fitting } } : { do: "unhang", at: { fitting: chosen.fitting }, n: chosen.hung });
                  setChosen(null);
                }
              : undefined
          }
        />
      )}
    </section>
  );
}
