import type { Filter } from "../shop/catalogue.ts";
import { materialClassValues } from "../api/schema.gen.ts";
import { LengthField } from "../ui/LengthField.tsx";
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
      <LengthField label={label} mm={filter[name] ?? null} placeholder="any" width={90} onChange={(mm) => onFilter({ ...filter, [name]: mm })} onClear={() => onFilter({ ...filter, [name]: undefined })} />
    </label>
  );
  return (
    <aside className="filters" aria-label="Filters">
      {choice("Class", "class", materialClassValues)}
      {choice("Shape", "shape", SHAPES)}
      {choice("Colour", "colour", COLOURS)}
      {choice("Metal", "metal", metals)}
      {size("Diameter from", "least")}
      {size("Diameter to", "most")}
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
