import { Button } from "@mui/material";
import { useState } from "react";
import { Link } from "react-router";
import { api, unwrap, type KitPiece } from "../api/client.ts";
import { Choice } from "../ui/Answers.tsx";
import { AddPiece } from "./AddPiece.tsx";
import { namesIn } from "../sheets/cell.ts";
import { KitVersions } from "./KitVersions.tsx";
import { Packing } from "./Packing.tsx";
import { OfPiece } from "./PiecesProblems.tsx";
import { Photos } from "../photos/Photos.tsx";
import { SettledField } from "./SettledField.tsx";
import type { KitBench } from "./useKit.ts";

/** Contents says what the kit is made up of and what it is sold in. */
export function Contents({ bench }: { bench: KitBench }) {
  const { kit, says } = bench;
  return (
    <aside className="side left contents" aria-label="What the kit is made up of">
      {says && <p role="alert">{says}</p>}
      <Pieces bench={bench} />
      {kit.pieces.length > 1 && (
        <Choice
          legend="The buyer gets"
          value={kit.choice ? "choice" : "set"}
          options={[
            { value: "set", label: "all of them" },
            { value: "choice", label: "one of them" },
          ]}
          onChange={(value) => void bench.change({ choice: value === "choice" || undefined })}
        />
      )}
      <Sold title="Sizes" all={namesIn(kit, "sizes")} sold={kit.sizes} none="as it is" onSold={(sizes) => bench.change({ sizes })} />
      <Sold title="Colourways" all={namesIn(kit, "colourways")} sold={kit.colourways} none="original colours" onSold={(colourways) => bench.change({ colourways })} />
      <Choice
        legend="Sold"
        value={kit.madeUp ? "made" : "kit"}
        options={[
          { value: "kit", label: "as a kit" },
          { value: "made", label: "made up" },
        ]}
        onChange={(value) => void bench.change({ madeUp: value === "made" || undefined })}
      />
      <SettledField label="Set price" holder="follows from the cost" value={kit.price ?? ""} most={12} onValue={(price) => bench.change({ price: price || undefined })} />
      <Packing bench={bench} />
      <Photos of="kit" id={bench.state.id} name={kit.name} />
      <KitVersions bench={bench} />
      <SettledField label="Notes" value={kit.notes ?? ""} most={10_000} lines onValue={(notes) => bench.change({ notes: notes || undefined })} />
    </aside>
  );
}

function Sold({ title, all, sold, none, onSold }: { title: string; all: string[]; sold: string[] | undefined; none: string; onSold: (sold: string[] | undefined) => Promise<boolean> }) {
  if (all.length < 2) return null;
  const now = sold?.length ? sold : all;
  return (
    <fieldset className="sold">
      <legend>{title}</legend>
      {all.map((name) => {
        const on = now.includes(name);
        return (
          <label key={name} className="tick">
            <input
              type="checkbox"
              checked={on}
              disabled={on && now.length === 1}
              onChange={() => {
                const next = all.filter((other) => (other === name ? !on : now.includes(other)));
                void onSold(next.length === all.length ? undefined : next);
              }}
            />{" "}
            {name || none}
          </label>
        );
      })}
    </fieldset>
  );
}

function Pieces({ bench }: { bench: KitBench }) {
  const [adding, setAdding] = useState(false);
  const [says, setSays] = useState<string | null>(null);
  const { kit, state } = bench;
  const put = (i: number, piece: KitPiece | null) => bench.change({ pieces: kit.pieces.flatMap((p, k) => (k !== i ? [p] : piece ? [piece] : [])) });
  async function freeze(id: string): Promise<KitPiece | null> {
    try {
      setSays(null);
      return await unwrap(api.POST("/api/kit-pieces/{id}", { params: { path: { id } } }));
    } catch (err) {
      setSays((err as Error).message);
      return null;
    }
  }
  async function renew(i: number) {
    const fresh = await freeze(kit.pieces[i].piece!);
    if (fresh) void put(i, { ...fresh, quantity: kit.pieces[i].quantity });
  }
  return (
    <section aria-label="Pieces">
      <h2>Pieces</h2>
      {says && <p role="alert">{says}</p>}
      {kit.pieces.map((piece, i) => (
        <div key={i} className="kit-piece" role="group" aria-label={piece.document.name}>
          <SettledField label="Number" number value={String(piece.quantity)} most={3} onValue={(n) => put(i, { ...piece, quantity: Number(n) || 0 })} />
          <div>
            <b>{piece.piece && !state.origins[i]?.gone ? <Link to={`/pieces/${piece.piece}`}>{piece.document.name}</Link> : piece.document.name}</b>
            <p className="quiet">{piece.version ? `version ${piece.version}` : "from a file"}{state.origins[i]?.gone && ", deleted since; the kit keeps it"}</p>
            <OfPiece origin={state.origins[i]} />
            {state.origins[i]?.differs && (
              <p className="moved-on">
                The piece has changed since: {state.origins[i].differs.join(", ")}.{" "}
                <button type="button" className="link" onClick={() => void renew(i)} aria-label={`Take ${piece.document.name} as it is now`}>
                  Take it as it is now
                </button>
              </p>
            )}
            <button type="button" className="link" onClick={() => void put(i, null)} aria-label={`Remove ${piece.document.name}`}>
              Remove
            </button>
          </div>
        </div>
      ))}
      {kit.pieces.length < 12 && (
        <Button variant="outlined" size="small" onClick={() => setAdding(true)}>
          Add a piece
        </Button>
      )}
      {adding && (
        <AddPiece
          onClose={() => setAdding(false)}
          onPick={(id) => {
            setAdding(false);
            void freeze(id).then((piece) => piece && bench.change({ pieces: [...bench.kit.pieces, piece], ...(kit.pieces.length === 0 && kit.name === "New kit" ? { name: piece.document.name } : {}) }));
          }}
        />
      )}
    </section>
  );
}

