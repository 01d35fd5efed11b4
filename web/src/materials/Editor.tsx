import { Photos } from "../photos/Photos.tsx";
import { Button, Dialog, DialogActions, DialogContent, DialogTitle, TextField } from "@mui/material";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useDeferredValue, useEffect, useRef, useState } from "react";
import { api, unwrap, ApiError, type CatalogueItem, type Material } from "../api/client.ts";
import { BeadPicture } from "../pictures/BeadPicture.tsx";
import { keptTruePx } from "../pictures/trueSize.ts";
import { PX_PER_MM } from "../draw/strandGeometry.ts";
import { deleteMaterial } from "../shop/catalogue.ts";
import { Facts } from "./Facts.tsx";
import { fieldsOf, FINISHES, idFor, type Field } from "../shop/fields.ts";
import { Moved } from "../shop/Moved.tsx";
import { NumberField, SizeField } from "../ui/NumberField.tsx";
import { allRead, RED } from "../ui/reads.ts";
import { useDraft } from "../ui/useDraft.ts";
import { TypedBefore } from "../ui/TypedBefore.tsx";
import { Packs } from "./Packs.tsx";

interface Props {
  item: CatalogueItem;
  onClose: () => void;
  /** Called with what was saved. */
  onSaved: (material: Material) => void;
  onDeleted: (item: CatalogueItem) => void;
  onDuplicate: (item: CatalogueItem) => void;
}

/** Editor changes a material. It shows its true size, what follows from its measures, and what saving would change in pieces. */
export function Editor({ item, onClose, onSaved, onDeleted, onDuplicate }: Props) {
  const queries = useQueryClient();
  const fresh = item.revision === 0;
  const { value, set, ...kept } = useDraft<{ m: Material; onHand: number | undefined }>(`material.${fresh ? "new." : ""}${item.material.id}`, item.revision, { m: item.material, onHand: item.onHand });
  const { m, onHand } = value;
  const [says, setSays] = useState<string | null>(null);
  const full: Material = { ...m, id: m.id || idFor(m.name) };
  const newest = useRef({ material: full, onHand });
  useEffect(() => {
    newest.current = { material: full, onHand };
  });
  const tried = useDeferredValue(JSON.stringify(full));
  const facts = useQuery({
    queryKey: ["try", tried],
    queryFn: () => unwrap(api.POST("/api/materials/try", { body: JSON.parse(tried) as Material })),
    retry: false, staleTime: Infinity, placeholderData: (old) => old,
  });
  const effect = useQuery({
    queryKey: ["effect", tried],
    queryFn: () => unwrap(api.POST("/api/materials/effect", { body: JSON.parse(tried) as Material })),
    retry: false, enabled: !fresh, placeholderData: (old) => old,
  });
  function cancel() {
    kept.forget();
    onClose();
  }
  const change = (next: Partial<Material>) => set((now) => ({ ...now, m: { ...now.m, ...next } }));
  const takeStock = (n: number | undefined) => set((now) => ({ ...now, onHand: n === undefined ? n : Math.round(n) }));

  async function remove() {
    try {
      setSays(null);
      await deleteMaterial(item);
      kept.forget();
      await queries.invalidateQueries({ queryKey: ["materials"] });
      onDeleted(item);
    } catch (err) {
      setSays((err as Error).message);
    }
  }

  async function save(archived: boolean) {
    if (!(await allRead())) return setSays(RED);
    try {
      setSays(null);
      const { material: full, onHand } = newest.current;
      await unwrap(api.PUT("/api/materials/{id}", { params: { path: { id: full.id } }, body: { base: kept.base, onHand: onHand ?? 0, archived, material: full } }));
      kept.forget();
      await queries.invalidateQueries({ queryKey: ["materials"] });
      onSaved(full);
    } catch (err) {
      const fault = err instanceof ApiError ? err.problem.faults?.[0] : undefined;
      setSays(fault ? `${fault.where ? `${fault.where.replace(/^material\.?/, "").replace(/^packs\[(\d+)\].*/, (_, n: string) => `Pack ${Number(n) + 1}:`)} ` : ""}${fault.says}` : (err as Error).message);
    }
  }

  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="editor-title">
      <DialogTitle id="editor-title" component="h1" variant="h1">
        {fresh ? "New material" : item.material.name}
      </DialogTitle>
      <DialogContent className="editor">
        <div className="form">
          {kept.isBack && <TypedBefore onGiveUp={kept.giveUp} />}
          <TextField label="Name" value={m.name} onChange={(e) => change({ name: e.target.value })} autoFocus={fresh} slotProps={{ htmlInput: { maxLength: 120 } }} />
          {fresh && <Choice label="Class" value={m.class} choices={["bead", "finding", "cord"]} onChange={(v) => set({ m: emptied(v as Material["class"], m), onHand })} />}
          {fieldsOf(m).map((field) => (
            <Input key={field.name} field={field} material={m} onChange={change} />
          ))}
          {m.class === "bead" && <BeadExtras m={m} onChange={change} />}
          <TextField label="Place in the shop" value={m.place ?? ""} onChange={(e) => change({ place: e.target.value || undefined })} slotProps={{ htmlInput: { maxLength: 40 } }} />
          <Packs m={m} onChange={change} />
          {m.class === "cord" || m.type === "chain" ? <SizeField label="In stock" value={onHand} onChange={takeStock} /> : <NumberField label="In stock" value={onHand} onChange={takeStock} />}
        </div>
        <div className="seen">
          {m.class === "bead" && facts.data?.outline && (
            <div className="true-size" role="img" aria-label="At true size and enlarged">
              {[0, 1, 2].map((i) => (
                <BeadPicture key={i} material={full} outline={facts.data!.outline} size={Math.min(150, ((m.acrossMm ?? 4) + 8) * (keptTruePx() ?? PX_PER_MM))} px={keptTruePx() ?? PX_PER_MM} />
              ))}
              <BeadPicture material={full} outline={facts.data.outline} size={120} />
            </div>
          )}
          {facts.error ? (
            <p role="alert" style={{ color: "var(--brick)" }}>
              {facts.error.message}
            </p>
          ) : (
            facts.data && m.class === "bead" && <Facts facts={facts.data} />
          )}
          {!fresh && <Photos of="material" id={m.id} name={item.material.name} />}
          {!fresh && effect.data && (
            <section>
              <h2>Used in {effect.data.length === 0 ? "no pieces" : effect.data.length === 1 ? "1 piece" : `${effect.data.length} pieces`}</h2>
              <table className="list">
                <tbody>
                  {effect.data.map((p) => (
                    <tr key={p.id}>
                      <th scope="row">{p.name}</th>
                      <td className="n">
                        <Moved beforeMm={p.beforeMm} afterMm={p.afterMm} />
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
              {effect.data.length > 0 && <p className="quiet">Pieces keep their own measures until you choose the new ones in each piece.</p>}
            </section>
          )}
        </div>
      </DialogContent>
      <DialogActions sx={{ px: 3, pb: 2 }}>
        {says && (
          <span role="alert" style={{ color: "var(--brick)", marginRight: "auto" }}>
            {says}
          </span>
        )}
        {!fresh && (
          <>
            <Button onClick={() => void remove()}>Delete</Button>
            <Button onClick={() => void save(!item.archived)}>{item.archived ? "Restore" : "Archive"}</Button>
            <Button onClick={() => onDuplicate({ ...item, material: full })}>Duplicate</Button>
          </>
        )}
        <Button onClick={cancel}>Cancel</Button>
        <Button variant="contained" onClick={() => void save(item.archived)}>
          Save
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** emptied returns a new material of another class that keeps its name. */
function emptied(cls: Material["class"], m: Material): Material {
  const base = { id: m.id, name: m.name, class: cls };
  if (cls === "cord") return { ...base, type: "wire", diameterMm: 0.38 };
  if (cls === "finding") return { ...base, type: "jump-ring", insideMm: 3.6, wireMm: 0.7 };
  return { ...base, shape: "round", acrossMm: 6, holeMm: 1, look: { colour: "#3d7f8c", finish: "glass" } };
}

function Input({ field, material, onChange }: { field: Field; material: Material; onChange: (next: Partial<Material>) => void }) {
  const value = material[field.name] as string | number | undefined;
  const set = (next: string | number | undefined) => onChange({ [field.name]: next === "" ? undefined : next });
  if (field.kind === "choice") return <Choice label={field.label} value={String(value ?? "")} choices={field.choices!} onChange={set} optional={field.name !== "shape" && field.name !== "type"} />;
  if (field.kind === "text") return <TextField label={field.label} value={value ?? ""} onChange={(e) => set(e.target.value)} slotProps={{ htmlInput: { maxLength: 60 } }} />;
  if (field.unit === "mm") return <SizeField label={field.label} value={value as number | undefined} onChange={set} />;
  return <NumberField label={field.unit ? `${field.label}, ${field.unit}` : field.label} value={value as number | undefined} onChange={set} />;
}

function Choice({ label, value, choices, onChange, optional = false }: { label: string; value: string; choices: readonly string[]; onChange: (value: string) => void; optional?: boolean }) {
  return (
    <TextField select label={label} value={value} onChange={(e) => onChange(e.target.value)} slotProps={{ select: { native: true }, inputLabel: { shrink: true } }}>
      {optional && <option value="">not specified</option>}
      {choices.map((c) => (
        <option key={c}>{c}</option>
      ))}
    </TextField>
  );
}

/** BeadExtras are a bead's measured run and its look. */
function BeadExtras({ m, onChange }: { m: Material; onChange: (next: Partial<Material>) => void }) {
  const look = m.look ?? {};
  const run = (count: number | undefined, measuredMm: number | undefined) => onChange({ run: count || measuredMm ? { count: count ?? 0, measuredMm: measuredMm ?? 0 } : undefined });
  return (
    <>
      <fieldset className="run">
        <legend>Measured run: lay some beads tight and enter their length</legend>
        <NumberField label="Beads in the run" value={m.run?.count} onChange={(count) => run(count, m.run?.measuredMm)} />
        <SizeField label="Length of the run" value={m.run?.measuredMm} onChange={(measured) => run(m.run?.count, measured)} />
      </fieldset>
      <Choice label="Finish" value={look.finish ?? "matte"} choices={FINISHES} onChange={(finish) => onChange({ look: { ...look, finish: finish as (typeof FINISHES)[number] } })} />
      <TextField label="Colour" type="color" value={look.colour ?? "#b0a08c"} onChange={(e) => onChange({ look: { ...look, colour: e.target.value } })} />
      <TextField label="Second colour" type="color" value={look.second ?? "#ffffff"} onChange={(e) => onChange({ look: { ...look, second: e.target.value } })} />
    </>
  );
}
