import { Button, TextField } from "@mui/material";
import { useState } from "react";
import type { Colourway, Document, Material } from "../api/client.ts";
import { CataloguePicker } from "../shop/CataloguePicker.tsx";
import { nameAmong } from "../shop/size.ts";

interface Props {
  doc: Document;
  way: Colourway;
  onWay: (next: Colourway) => Promise<boolean>;
  onRemove: () => void;
}

/** ColourwayEditor names a colourway and says what takes the place of what. */
export function ColourwayEditor({ doc, way, onWay, onRemove }: Props) {
  const [name, setName] = useState<string | null>(null);
  const [picking, setPicking] = useState<Material | null>(null);
  // A name that is refused stays as it was typed.
  const settle = async () => {
    if (!name?.trim() || name.trim() === way.name || (await onWay({ ...way, name: name.trim() }))) setName(null);
  };
  const swap = (from: string, to: string | undefined) => {
    const swaps = Object.fromEntries(Object.entries(way.swaps).filter(([id]) => id !== from));
    void onWay({ ...way, swaps: to && to !== from ? { ...swaps, [from]: to } : swaps });
  };
  return (
    <section className="colourway" aria-label={`Colourway ${way.name}`}>
      <TextField
        size="small"
        fullWidth
        label="Name"
        value={name ?? way.name}
        onChange={(e) => setName(e.target.value)}
        onBlur={() => void settle()}
        onKeyDown={(e) => e.key === "Enter" && void settle()}
        slotProps={{ htmlInput: { maxLength: 40 } }}
      />
      <table className="list">
        <tbody>
          {ownOf(doc).map((m) => (
            <tr key={m.id}>
              <th scope="row">{nameAmong(doc, m.id)}</th>
              <td>
                <button type="button" className="link" onClick={() => setPicking(m)} aria-label={`${nameAmong(doc, m.id)}: ${way.swaps[m.id] ? nameAmong(doc, way.swaps[m.id]) : "as it is"}`}>
                  {way.swaps[m.id] ? nameAmong(doc, way.swaps[m.id]) : "as it is"}
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <Button size="small" onClick={onRemove}>
        Remove colourway
      </Button>
      {picking && (
        <CataloguePicker
          title={`In the place of ${nameAmong(doc, picking.id)}`}
          filter={picking.class === "bead" || picking.class === "component" ? { class: "bead,component" } : { class: picking.class, types: picking.type }}
          onPick={(m) => {
            swap(picking.id, m.id);
            setPicking(null);
          }}
          onClose={() => setPicking(null)}
          onRemove={
            way.swaps[picking.id]
              ? () => {
                  swap(picking.id, undefined);
                  setPicking(null);
                }
              : undefined
          }
        />
      )}
    </section>
  );
}

/** ownOf are the materials of the piece itself, its dishes first; not those that only a colourway has. */
function ownOf(doc: Document): Material[] {
  const beads = Object.keys(doc.palette).sort().map((key) => doc.palette[key]);
  const others = JSON.stringify([doc.closure, doc.sections, doc.joins]);
  const own = [...new Set([...beads, ...doc.materials.map((m) => m.id).filter((id) => others.includes(`"${id}"`))])];
  return own.flatMap((id) => doc.materials.filter((m) => m.id === id));
}
