import { Button, TextField } from "@mui/material";
import type { Material, Pack } from "../api/client.ts";
import { packSoldValues } from "../api/schema.gen.ts";
import { NumberField, SizeField } from "../ui/NumberField.tsx";
import { SetOf } from "./SetOf.tsx";
import "./packs.css";

interface Props {
  m: Material;
  onChange: (next: Partial<Material>) => void;
}

const FIRST: Pack = { sold: "bag", holds: {}, price: "" };

/** Packs are what a material is bought in. */
export function Packs({ m, onChange }: Props) {
  const packs = m.packs ?? [];
  const set = (list: Pack[]) => onChange({ packs: list.length > 0 ? list : undefined });
  return (
    <fieldset className="packs">
      <legend>Packs it is bought in</legend>
      {packs.map((pack, i) => (
        <PackFields key={i} number={i + 1} m={m} pack={pack} onPack={(next) => set(packs.map((p, k) => (k === i ? next : p)))} onRemove={() => set(packs.filter((_, k) => k !== i))} />
      ))}
      {packs.length < 12 && (
        <Button size="small" onClick={() => set([...packs, m.class === "cord" ? { ...FIRST, sold: "spool" } : FIRST])}>
          Add pack
        </Button>
      )}
    </fieldset>
  );
}

type Way = keyof Pack["holds"];

/** waysOf are what a pack of the material may go by. */
function waysOf(m: Material): [Way, string][] {
  if (m.class === "cord" || m.type === "chain") return [["lengthMm", "mm long"]];
  return [["count", "pieces"], ["massG", "g by weight"], ...(m.class === "bead" ? ([["lengthMm", "mm strung"]] as [Way, string][]) : [])];
}

function PackFields({ number, m, pack, onPack, onRemove }: { number: number; m: Material; pack: Pack; onPack: (next: Pack) => void; onRemove: () => void }) {
  const ways = waysOf(m);
  const way = ways.find(([w]) => pack.holds[w] !== undefined)?.[0] ?? ways[0][0];
  const change = (next: Partial<Pack>) => onPack({ ...pack, ...next });
  const Amount = way === "lengthMm" ? SizeField : NumberField;
  return (
    <div className="pack" role="group" aria-label={`Pack ${number}`}>
      <TextField select label="Sold as" value={pack.sold} onChange={(e) => change({ sold: e.target.value as Pack["sold"] })} slotProps={{ select: { native: true } }}>
        {packSoldValues.map((sold) => (
          <option key={sold}>{sold}</option>
        ))}
      </TextField>
      <Amount key={way} label="Holds" value={pack.holds[way]} onChange={(n) => change({ holds: n === undefined ? {} : { [way]: way === "count" ? Math.round(n) : n } })} />
      <TextField select label="Counted in" value={way} onChange={(e) => change({ holds: { [e.target.value]: pack.holds[way] } })} slotProps={{ select: { native: true } }}>
        {ways.map(([w, says]) => (
          <option key={w} value={w}>
            {says}
          </option>
        ))}
      </TextField>
      <Words label="Price" value={pack.price} most={12} onChange={(price) => change({ price })} />
      <Words label="Supplier" value={pack.supplier ?? ""} most={60} onChange={(v) => change({ supplier: v || undefined })} />
      <Words label="Supplier's code" value={pack.code ?? ""} most={60} onChange={(v) => change({ code: v || undefined })} />
      <More m={m} pack={pack} change={change} />
      <Button size="small" onClick={onRemove} aria-label={`Remove pack ${number}`}>
        Remove pack
      </Button>
    </div>
  );
}

function Words({ label, value, most, type, onChange }: { label: string; value: string; most: number; type?: string; onChange: (value: string) => void }) {
  return <TextField label={label} type={type} value={value} onChange={(e) => onChange(e.target.value)} slotProps={{ htmlInput: { maxLength: most }, ...(type && { inputLabel: { shrink: true } }) }} />;
}

/** More are the price breaks, the sale, and what else is in a mixed set. */
function More({ m, pack, change }: { m: Material; pack: Pack; change: (next: Partial<Pack>) => void }) {
  const breaks = pack.breaks ?? [];
  const others = pack.with ?? [];
  const setBreaks = (list: typeof breaks) => change({ breaks: list.length > 0 ? list : undefined });
  const said = [breaks.length > 0 && "price breaks", pack.sale && "sale", others.length > 0 && "mixed set"].filter(Boolean).join(", ");
  return (
    <details>
      <summary>{said ? `With ${said}` : "Price breaks, sale, mixed set"}</summary>
      {breaks.map((b, i) => (
        <div key={i} className="row">
          <NumberField label="From how many packs" value={b.from} onChange={(n) => setBreaks(breaks.map((x, k) => (k === i ? { ...x, from: Math.round(n ?? 0) } : x)))} />
          <Words label="Each then costs" value={b.price} most={12} onChange={(price) => setBreaks(breaks.map((x, k) => (k === i ? { ...x, price } : x)))} />
          <Button size="small" onClick={() => setBreaks(breaks.filter((_, k) => k !== i))} aria-label={`Remove price break ${i + 1}`}>
            Remove
          </Button>
        </div>
      ))}
      {breaks.length < 8 && (
        <Button size="small" onClick={() => setBreaks([...breaks, { from: (breaks.at(-1)?.from ?? 0) + 10, price: pack.price }])}>
          Add price break
        </Button>
      )}
      {pack.sale ? (
        <div className="row">
          <Words label="Sale price" value={pack.sale.price} most={12} onChange={(price) => change({ sale: { ...pack.sale!, price } })} />
          <Words label="From" type="date" value={pack.sale.from} most={10} onChange={(from) => change({ sale: { ...pack.sale!, from } })} />
          <Words label="Until" type="date" value={pack.sale.until} most={10} onChange={(until) => change({ sale: { ...pack.sale!, until } })} />
          <Button size="small" onClick={() => change({ sale: undefined })}>
            Remove sale
          </Button>
        </div>
      ) : (
        <Button size="small" onClick={() => change({ sale: { price: pack.price, from: today(), until: today() } })}>
          Add sale
        </Button>
      )}
      <SetOf own={m} others={others} onOthers={(list) => change({ with: list.length > 0 ? list : undefined })} />
    </details>
  );
}

const today = () => new Date().toLocaleDateString("sv");
