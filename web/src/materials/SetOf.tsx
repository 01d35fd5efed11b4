import { Button } from "@mui/material";
import { useState } from "react";
import type { Material, Pack } from "../api/client.ts";
import { CataloguePicker } from "../shop/CataloguePicker.tsx";
import { useHeld } from "../shop/catalogue.ts";
import { NumberField } from "../ui/NumberField.tsx";

type Others = NonNullable<Pack["with"]>;

/** SetOf is what else a mixed set holds, each chosen from the catalogue. */
export function SetOf({ own, others, onOthers }: { own: Material; others: Others; onOthers: (list: Others) => void }) {
  const [choosing, setChoosing] = useState<number | null>(null);
  const known = useHeld(others.map((other) => other.of));
  const nameOf = (id: string) => known.get(id)?.material.name ?? id;
  const put = (at: number, next: Partial<Others[number]>) => onOthers(at < others.length ? others.map((x, k) => (k === at ? { ...x, ...next } : x)) : [...others, { of: "", count: 1, ...next }]);
  return (
    <>
      {others.map((other, i) => (
        <div key={i} className="row">
          <Button size="small" onClick={() => setChoosing(i)} aria-label={`The set also holds ${nameOf(other.of)}; choose another`}>
            {nameOf(other.of)}
          </Button>
          <NumberField label="Pieces of it" value={other.count} onChange={(n) => put(i, { count: Math.round(n ?? 0) })} />
          <Button size="small" onClick={() => onOthers(others.filter((_, k) => k !== i))} aria-label={`Remove ${nameOf(other.of)} from the set`}>
            Remove
          </Button>
        </div>
      ))}
      {others.length < 24 && (
        <Button size="small" onClick={() => setChoosing(others.length)}>
          Add another material
        </Button>
      )}
      {choosing !== null && (
        <CataloguePicker
          title="What else is in the set"
          filter={{ class: own.class }}
          without={[own.id, ...others.map((other) => other.of)]}
          onPick={(material) => {
            put(choosing, { of: material.id });
            setChoosing(null);
          }}
          onClose={() => setChoosing(null)}
        />
      )}
    </>
  );
}
