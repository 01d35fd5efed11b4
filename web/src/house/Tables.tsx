import type { ReactNode } from "react";
import type { House } from "../api/client.ts";
import { LengthField } from "../ui/LengthField.tsx";

interface Props {
  house: House;
  /** onChange gets what becomes of the house as it is then: two lengths may be read at once. */
  onChange: (next: (now: House) => Partial<House>) => void;
}

const PARTS = ["wrist", "neck", "ankle"] as const;
const KINDS = ["necklace", "bracelet", "anklet"] as const;

/** Tables edit the shop's own sizes, ease ranges and names of lengths. */
export function Tables(props: Props) {
  return (
    <>
      <Sizes {...props} />
      <EaseWords {...props} />
      <Lengths {...props} />
    </>
  );
}

function Sizes({ house, onChange }: Props) {
  const sizes = house.sizes ?? [];
  return (
    <Table title="Standard sizes and ages" heads={["part", "name", "measure", "child"]} onAdd={() => onChange((now) => ({ sizes: [...(now.sizes ?? []), { part: "wrist", name: "new size", measureMm: 165 }] }))}>
      {sizes.map((s, i) => {
        const put = (next: Partial<(typeof sizes)[number]>) => onChange((now) => ({ sizes: now.sizes?.map((one, k) => (k === i ? { ...one, ...next } : one)) }));
        const what = s.name || `row ${i + 1}`;
        return (
          <tr key={i}>
            <td>
              <Pick label={`Part, ${what}`} value={s.part} options={PARTS} onChange={(part) => put({ part })} />
            </td>
            <td>
              <Word label={`Name of size ${i + 1}`} value={s.name} onChange={(name) => put({ name })} />
            </td>
            <td>
              <LengthField label={`Measure, ${what}`} mm={s.measureMm} width={80} onChange={(measureMm) => put({ measureMm })} />
            </td>
            <td>
              <input type="checkbox" aria-label={`For a child, ${what}`} checked={s.child ?? false} onChange={(e) => put({ child: e.target.checked || undefined })} />
            </td>
            <Drop what={what} onClick={() => onChange((now) => ({ sizes: now.sizes?.filter((_, k) => k !== i) }))} />
          </tr>
        );
      })}
    </Table>
  );
}

function EaseWords({ house, onChange }: Props) {
  const ease = house.ease ?? [];
  return (
    <Table title="Ease ranges" heads={["part", "put on", "word", "from", "to"]} onAdd={() => onChange((now) => ({ ease: [...(now.ease ?? []), { part: "wrist", word: "new", fromMm: 0, toMm: 10 }] }))}>
      {ease.map((e, i) => {
        const put = (next: Partial<(typeof ease)[number]>) => onChange((now) => ({ ease: now.ease?.map((one, k) => (k === i ? { ...one, ...next } : one)) }));
        const what = `${e.word}, ${e.part}`;
        return (
          <tr key={i}>
            <td>
              <Pick label={`Part, ${what}`} value={e.part} options={PARTS} onChange={(part) => put({ part })} />
            </td>
            <td>
              <Pick label={`Put on, ${what}`} value={e.stretch ? "slipped on" : "opened"} options={["opened", "slipped on"]} onChange={(how) => put({ stretch: how === "slipped on" || undefined })} />
            </td>
            <td>
              <Word label={`Word ${i + 1}`} value={e.word} onChange={(word) => put({ word })} />
            </td>
            <td>
              <LengthField label={`From, ${what}`} mm={e.fromMm} signed width={70} onChange={(fromMm) => put({ fromMm })} />
            </td>
            <td>
              <LengthField label={`To, ${what}`} mm={e.toMm === 0 && e.fromMm >= 0 ? null : e.toMm} signed placeholder="no limit" width={70} onChange={(toMm) => put({ toMm })} onClear={() => put({ toMm: 0 })} />
            </td>
            <Drop what={what} onClick={() => onChange((now) => ({ ease: now.ease?.filter((_, k) => k !== i) }))} />
          </tr>
        );
      })}
    </Table>
  );
}

function Lengths({ house, onChange }: Props) {
  const lengths = house.lengths ?? [];
  return (
    <Table title="Names of lengths" heads={["kind", "name", "from", "to"]} onAdd={() => onChange((now) => ({ lengths: [...(now.lengths ?? []), { kind: "necklace", name: "new", fromMm: 400, toMm: 450 }] }))}>
      {lengths.map((l, i) => {
        const put = (next: Partial<(typeof lengths)[number]>) => onChange((now) => ({ lengths: now.lengths?.map((one, k) => (k === i ? { ...one, ...next } : one)) }));
        const what = l.name || `row ${i + 1}`;
        return (
          <tr key={i}>
            <td>
              <Pick label={`Kind, ${what}`} value={l.kind} options={KINDS} onChange={(kind) => put({ kind })} />
            </td>
            <td>
              <Word label={`Name of length ${i + 1}`} value={l.name} onChange={(name) => put({ name })} />
            </td>
            <td>
              <LengthField label={`From, ${what}`} mm={l.fromMm} width={80} onChange={(fromMm) => put({ fromMm })} />
            </td>
            <td>
              <LengthField label={`To, ${what}`} mm={l.toMm === 0 ? null : l.toMm} placeholder="no limit" width={80} onChange={(toMm) => put({ toMm })} onClear={() => put({ toMm: 0 })} />
            </td>
            <Drop what={what} onClick={() => onChange((now) => ({ lengths: now.lengths?.filter((_, k) => k !== i) }))} />
          </tr>
        );
      })}
    </Table>
  );
}

function Table({ title, heads, children, onAdd }: { title: string; heads: string[]; children: ReactNode; onAdd: () => void }) {
  return (
    <section aria-label={title}>
      <h2>{title}</h2>
      <table className="list house-table">
        <thead>
          <tr>
            {heads.map((h) => (
              <th key={h} scope="col">
                {h}
              </th>
            ))}
            <th>
              <span className="hidden">Remove</span>
            </th>
          </tr>
        </thead>
        <tbody>{children}</tbody>
      </table>
      <button type="button" className="link" onClick={onAdd}>
        Add a row
      </button>
    </section>
  );
}

function Pick<T extends string>({ label, value, options, onChange }: { label: string; value: T; options: readonly T[]; onChange: (value: T) => void }) {
  return (
    <select aria-label={label} value={value} onChange={(e) => onChange(e.target.value as T)}>
      {options.map((o) => (
        <option key={o} value={o}>
          {o}
        </option>
      ))}
    </select>
  );
}

function Word({ label, value, onChange }: { label: string; value: string; onChange: (value: string) => void }) {
  return <input aria-label={label} value={value} maxLength={40} onChange={(e) => onChange(e.target.value)} />;
}

function Drop({ what, onClick }: { what: string; onClick: () => void }) {
  return (
    <td>
      <button type="button" className="plain drop-row" aria-label={`Remove ${what}`} onClick={onClick}>
        ✕
      </button>
    </td>
  );
}
