/** ShortOfStock says what there is too little of in stock. */
export function ShortOfStock({ lacks }: { lacks?: string[] }) {
  return lacks ? <span className="short-of-stock">{lacks.join(", ")}</span> : null;
}
