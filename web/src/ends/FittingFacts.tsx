import { Button } from "@mui/material";
import { useState } from "react";
import type { Fitting } from "../api/client.ts";
import { rowsOf } from "../api/piece.ts";
import type { Bench } from "../piece/Bench.ts";
import type { BenchState } from "../piece/BenchState.ts";
import { CataloguePicker } from "../shop/CataloguePicker.tsx";
import { sizeOf } from "../shop/size.ts";
import { ChainLength } from "./ChainLength.tsx";
import { filterFor, HANGS, partOf } from "../piece/places.ts";
import { BEAD_LINKS, JOINS } from "../piece/joins.ts";

interface Props {
  bench: Bench;
  state: BenchState;
  fitting: Fitting;
  side: "left" | "right";
  onClose: () => void;
}

/** FittingFacts tells of a fitting that rows share: its size, which rows go on it, and in which holes. */
export function FittingFacts({ bench, state, fitting, side, onClose }: Props) {
  const { doc, analysis } = state;
  const [choosing, setChoosing] = useState(false);
  const join = doc.joins?.find((one) => one.fittings.some((f) => f.id === fitting.id));
  const here = join?.fittings ?? doc.closure[side] ?? [];
  const m = doc.materials.find((one) => one.id === here.find((f) => f.id === fitting.id)?.of);
  if (!m) return null;
  const on = (analysis?.rows?.fitting ?? []).filter((one) => one.fitting === fitting.id);
  return (
    <div className="fitting-facts" role="dialog" aria-label={m.name}>
      <h3>{m.name}</h3>
      <p className="quiet">{sizeOf(m)}</p>
      {on.map((one) => (
        <div key={one.side} role="group" aria-label={`Rows at the ${one.side}`}>
          {on.length > 1 && <h4>At the {one.side}</h4>}
          {one.holes ? <Holes bench={bench} on={one} holes={m.holes ?? 0} doc={doc} /> : <p>{one.rows.length === 1 ? "1 row goes" : `${one.rows.length} rows go`} on it.</p>}
          {one.empty && <p className="quiet">Empty: {one.empty.join(", ")}</p>}
        </div>
      ))}
      {fitting.links !== undefined && <ChainLength bench={bench} state={state} fitting={fitting.id} />}
      <Hung bench={bench} state={state} fitting={here.find((f) => f.id === fitting.id)!} />
      <div className="buttons">
        <Button size="small" variant="outlined" onClick={() => setChoosing(true)}>
          Change
        </Button>
        <Button
          size="small"
          onClick={() => {
            void bench.apply({ do: "drop-fitting", at: { fitting: fitting.id } });
            onClose();
          }}
        >
          Remove
        </Button>
      </div>
      {choosing && (
        <CataloguePicker
          title={`Instead of ${m.name.toLowerCase()}`}
          filter={m.class === "component" ? BEAD_LINKS : m.class === "bead" ? { class: "bead" } : join ? JOINS : filterFor(side === "left" ? "claspLeft" : "claspRight")}
          onClose={() => setChoosing(false)}
          onPick={(picked) => {
            setChoosing(false);
            void bench.apply({ do: "set-fitting", at: { fitting: fitting.id }, material: picked.id });
          }}
        />
      )}
    </div>
  );
}

type On = NonNullable<NonNullable<BenchState["analysis"]>["rows"]>["fitting"][number];

/** Holes chooses the hole of each row; a row moved into a taken one changes places with the row there. */
function Holes({ bench, on, holes, doc }: { bench: Bench; on: On; holes: number; doc: BenchState["doc"] }) {
  return (
    <ul className="holes">
      {on.rows.map((row, i) => {
        const number = rowsOf(doc).findIndex((one) => one.id === row) + 1;
        return (
          <li key={row}>
            row {number} in hole{" "}
            <select aria-label={`Hole of row ${number} at the ${on.side}`} value={on.holes![i]} onChange={(e) => void bench.apply({ do: "set-port", at: { strand: row, end: on.side }, n: Number(e.target.value) })}>
              {Array.from({ length: holes }, (_, k) => (
                <option key={k} value={k + 1}>
                  {k + 1}
                </option>
              ))}
            </select>
          </li>
        );
      })}
    </ul>
  );
}

/** Hung lists what hangs on a fitting that rows share, and hangs something on it. */
function Hung({ bench, state, fitting }: { bench: Bench; state: BenchState; fitting: Fitting }) {
  const [choosing, setChoosing] = useState(false);
  const { materials } = state.doc;
  if (!partOf(state.analysis, fitting.id)?.carries) return null;
  const name = (id: string) => materials.find((m) => m.id === id)?.name ?? id;
  return (
    <div className="hung-on" role="group" aria-label="What hangs on it">
      {(fitting.hung ?? []).map((id, n) => (
        <p key={n}>
          {name(id)} hangs on it.{" "}
          <button type="button" className="link" aria-label={`Take ${name(id)} off`} onClick={() => void bench.apply({ do: "unhang", at: { fitting: fitting.id }, n })}>
            Take it off
          </button>
        </p>
      ))}
      <button type="button" className="link" onClick={() => setChoosing(true)}>
        Hang something on it
      </button>
      {choosing && (
        <CataloguePicker
          title="Hang a charm or a component"
          filter={HANGS}
          onClose={() => setChoosing(false)}
          onPick={(picked) => {
            setChoosing(false);
            void bench.apply({ do: "hang", at: { fitting: fitting.id }, material: picked.id });
          }}
        />
      )}
    </div>
  );
}
