import { Button } from "@mui/material";
import type { KitState } from "../api/client.ts";
import { sizeOf } from "../shop/size.ts";
import { SettledField } from "./SettledField.tsx";
import type { KitBench } from "./useKit.ts";

type Carries = KitState["materials"][number];

const USUAL = "";
const OWN = "own";
const bagValue = (i: number) => `bag ${i}`;

/** Packing says which bag each material lies in, what the buyer has, and what the shop makes itself. */
export function Packing({ bench }: { bench: KitBench }) {
  const { kit, state } = bench;
  const bags = kit.bags ?? [];
  const inBag = (id: string) => bags.findIndex((bag) => bag.of.includes(id));
  const where = (m: Carries) => (kit.own?.includes(m.id) ? OWN : inBag(m.id) >= 0 ? bagValue(inBag(m.id)) : USUAL);
  const without = (id: string, list: string[] | undefined) => (list ?? []).filter((other) => other !== id);
  function move(m: Carries, to: string) {
    const own = to === OWN ? [...without(m.id, kit.own), m.id] : without(m.id, kit.own);
    const next = bags.map((bag, i) => ({ ...bag, of: to === bagValue(i) ? [...without(m.id, bag.of), m.id] : without(m.id, bag.of) }));
    void bench.change({ own: own.length > 0 ? own : undefined, bags: next.length > 0 ? next : undefined });
  }
  function make(m: Carries, made: boolean) {
    const premade = made ? [...without(m.id, kit.premade), m.id] : without(m.id, kit.premade);
    void bench.change({ premade: premade.length > 0 ? premade : undefined });
  }
  const known = new Map(kit.pieces.flatMap(({ document }) => document.materials.map((m) => [m.id, m])));
  const materials = state.materials.map((m) => ({ ...m, size: m.class === "bead" && known.has(m.id) ? sizeOf(known.get(m.id)!) : "" }));
  if (materials.length === 0) return null;
  return (
    <details className="packing">
      <summary>Bags, and what is the buyer's own</summary>
      {bags.map((bag, i) => (
        <div key={i} className="own-bag">
          <SettledField label={`Bag ${i + 1}`} value={bag.name} most={40} onValue={(name) => bench.change({ bags: bags.map((b, k) => (k === i ? { ...b, name } : b)) })} />
          <Button size="small" onClick={() => void bench.change({ bags: bags.length > 1 ? bags.filter((_, k) => k !== i) : undefined })} aria-label={`Remove bag ${bag.name}`}>
            Remove
          </Button>
        </div>
      ))}
      {bags.length < 24 && (
        <Button size="small" onClick={() => void bench.change({ bags: [...bags, { name: freeName(bags.map((b) => b.name)), of: [] }] })}>
          Add bag
        </Button>
      )}
      <table className="list">
        <tbody>
          {materials.map((m) => (
            <tr key={m.id}>
              <th scope="row">
                {m.name} <span className="quiet">{m.size}</span>
              </th>
              <td>
                {m.class === "component" ? (
                  <select aria-label={`${m.name}: how it is packed`} value={kit.premade?.includes(m.id) ? "made" : "parts"} onChange={(e) => make(m, e.target.value === "made")}>
                    <option value="parts">as parts</option>
                    <option value="made">made by the shop</option>
                  </select>
                ) : (
                  <select aria-label={`${m.name} ${m.size}: where it lies`} value={where(m)} onChange={(e) => move(m, e.target.value)}>
                    <option value={USUAL}>usual bag</option>
                    {bags.map((bag, i) => (
                      <option key={i} value={bagValue(i)}>
                        {bag.name}
                      </option>
                    ))}
                    <option value={OWN}>buyer's own</option>
                  </select>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}

function freeName(taken: string[]): string {
  for (let n = 1; ; n++) if (!taken.includes(`Bag ${n}`)) return `Bag ${n}`;
}
