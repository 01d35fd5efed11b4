import type { Filter } from "../shop/catalogue.ts";
import { materialClassValues } from "../api/schema.gen.ts";
import { COLOURS, SHAPES } from "../shop/fields.ts";

interface Props {
  filter: Filter;
  onFilter: (filter: Filter) => void;
  /** Every metal that the catalogue names. */
  metals: string[];
}

/** Filters narrow the catalogue by class, shape, size, colour and metal. */
export function Filters({ filter, onFilter, metals }: Props) {
  const choice = (label: string, name: "class" | "shape" | "colour" | "metal", options: readonly string[]) => (
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
      {choice("Class", "class", materialClassValues)}
      {choice("Shape", "shape", SHAPES)}
      {choice("Colour", "colour", COLOURS)}
      {choice("Metal", "metal", metals)}
      {size("Diameter from, mm", "least")}
      {size("Diameter to, mm", "most")}
      <label className="tick">
        <input type="checkbox" checked={filter.archived ?? false} onChange={(e) => onFilter({ ...filter, archived: e.target.checked || undefined })} />
        show archived
      </label>
      <button type="button" className="link" onClick={() => onFilter({})}>
        Clear filters
      </button>
    </aside>
  );
}
