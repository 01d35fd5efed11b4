import type { Wanted } from "./catalogue.ts";
import { COLOURS, SHAPES } from "./fields.ts";

interface Props {
  filter: Wanted;
  onFilter: (filter: Wanted) => void;
}

const CLASSES = ["bead", "finding", "cord"];
const METALS = ["brass", "copper", "silver plate", "steel"];

/** Filters narrow the catalogue by class, shape, size, colour and metal. */
export function Filters({ filter, onFilter }: Props) {
  const choice = (label: string, name: "class" | "shape" | "colour" | "metal", options: string[]) => (
    <label>
      {label}
      <select value={filter[name] ?? ""} onChange={(e) => onFilter({ ...filter, [name]: e.target.value || undefined })}>
        <option value="">any</option>
        {options.map((o) => (
          <option key={o}>{o}</option>
        ))}
      </select>
    </label>
  );
  const size = (label: string, name: "least" | "most") => (
    <label>
      {label}
      <input type="number" min={0} max={200} step={0.5} value={filter[name] ?? ""} onChange={(e) => onFilter({ ...filter, [name]: e.target.value ? Number(e.target.value) : undefined })} />
    </label>
  );
  return (
    <aside className="filters" aria-label="Filters">
      {choice("Class", "class", CLASSES)}
      {choice("Shape", "shape", SHAPES)}
      {choice("Colour", "colour", COLOURS)}
      {choice("Metal", "metal", METALS)}
      {size("From, mm across", "least")}
      {size("To, mm across", "most")}
      <label className="tick">
        <input type="checkbox" checked={filter.retired ?? false} onChange={(e) => onFilter({ ...filter, retired: e.target.checked || undefined })} />
        retired ones too
      </label>
      <button type="button" className="link" onClick={() => onFilter({})}>
        All of it
      </button>
    </aside>
  );
}
