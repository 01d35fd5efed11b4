import { useQuery } from "@tanstack/react-query";
import { Button } from "@mui/material";
import { useMemo, useState } from "react";
import { Link } from "react-router";
import { api, unwrap, type Document, type SizeFound } from "../api/client.ts";
import { identity } from "../api/identity.ts";
import { rowsOf } from "../api/piece.ts";
import { useBenchContext } from "../piece/context.ts";
import { bodyOf } from "../lengths/Wearer.tsx";
import { OneScale } from "../pictures/OneScale.tsx";
import { useHouse } from "../shop/useHouse.ts";
import { LengthField } from "../ui/LengthField.tsx";
import { formatLength } from "../units/length.ts";
import { Length, useUnit } from "../ui/UnitContext.tsx";
import { SizeColumn } from "../lengths/SizeColumn.tsx";
import "../lengths/fit.css"; // its size chips
import "../lengths/sizes.css";

type Wanted = Pick<SizeFound, "name" | "measureMm" | "finishedMm">;

const MOST_SIZES = 12;

/** SUCH_AS are lengths that people ask for: of a bracelet, and of a necklace. */
const SUCH_AS = { mm: ["190 mm", "450 mm"], in: ["7 1/2 in", "18 in"] };

/** SizesRoom shows the pattern in several sizes side by side, each by its best proposal, and keeps them with the piece. */
export function SizesRoom() {
  const { bench, state } = useBenchContext();
  const { unit } = useUnit();
  const { analysed: doc } = state;
  const house = useHouse().data?.whole;
  const { part } = bodyOf(doc);
  const offered = useMemo(() => house?.sizes?.filter((s) => s.part === part) ?? [], [house, part]);
  const [chosen, setChosen] = useState<Wanted[] | null>(null);
  const [picked, setPicked] = useState<Record<string, number>>({});
  const [inStock, setInStock] = useState(false);
  const wanted = chosen ?? firstSizes(doc, offered);
  const found = useQuery({
    queryKey: ["sizes", identity(doc), JSON.stringify(wanted), inStock, unit],
    queryFn: ({ signal }) => unwrap(api.POST("/api/sizes", { params: { query: { unit } }, body: { document: doc, sizes: wanted, inStock: inStock || undefined }, signal })),
    enabled: !state.behind && wanted.length > 0,
    retry: false,
  });
  function addLength(mm: number) {
    const name = formatLength(mm, unit);
    if (!wanted.some((one) => one.name === name)) setChosen([...wanted, { name, finishedMm: mm }].slice(0, MOST_SIZES));
  }

  const wayOf = (size: SizeFound) => size.items[Math.min(picked[size.name] ?? keptAt(doc, size), size.items.length - 1)];
  const sizes = found.data?.sizes ?? [];
  const whole = sizes.length === wanted.length && sizes.every((size) => size.items.length > 0);
  const toKeep = sizes.map((size) => wayOf(size)?.keep ?? { name: size.name, line: "" });
  const kept = whole && areKept(doc.sizes ?? [], toKeep);

  return (
    <div className="sizes-room">
      <header>
        <h2>Sizes</h2>
        <p className="quiet">The same pattern, beads, ends and clasp; other counts. What is pinned stays.</p>
        <div className="sizes" role="group" aria-label="Which sizes">
          {offered.map((s) => {
            const on = wanted.some((one) => one.name === s.name);
            return (
              <button type="button" key={s.name} className="size-chip" aria-pressed={on} onClick={() => setChosen(on ? wanted.filter((one) => one.name !== s.name) : [...wanted, { name: s.name, measureMm: s.measureMm }].slice(0, MOST_SIZES))}>
                {s.name} <Length mm={s.measureMm} />
              </button>
            );
          })}
          {wanted.filter((one) => one.finishedMm).map((one) => (
            <button type="button" key={one.name} className="size-chip" aria-pressed onClick={() => setChosen(wanted.filter((other) => other !== one))}>
              {one.name} ✕
            </button>
          ))}
        </div>
        <span className="add-size">
          add a length <LengthField key={wanted.length} label="Another finished length" mm={null} placeholder={`such as ${SUCH_AS[unit === "in" ? "in" : "mm"][doc.kind === "bracelet" ? 0 : 1]}`} width={110} onChange={(mm) => addLength(mm)} />
        </span>
        <label className="tick">
          <input type="checkbox" checked={inStock} onChange={(e) => setInStock(e.target.checked)} /> only what is in stock
        </label>
        <Button
          variant="outlined"
          size="small"
          disabled={!whole || kept || found.isFetching}
          onClick={() => void bench.apply({ do: "set-sizes", sizes: toKeep })}
        >
          {kept ? "Saved with the piece" : "Save as the sizes of this piece"}
        </Button>
        {whole && !kept && !!doc.sizes?.length && <p className="quiet">The {doc.sizes.length} sizes saved differ from these.</p>}
        <Link to="../fit" relative="path" className="link">
          Back to Fit
        </Link>
      </header>
      {found.isError && <p role="alert">{found.error.message}</p>}
      {found.isPending && wanted.length > 0 && <p className="quiet">Working out {wanted.length} sizes …</p>}
      <OneScale>
        <div className="columns">
          {sizes.map((size) => (
            <SizeColumn key={size.name} bench={bench} doc={doc} size={size} way={wayOf(size)} same={sameAs(size.name, toKeep)} onSwap={(by) => setPicked({ ...picked, [size.name]: ((picked[size.name] ?? keptAt(doc, size)) + by + size.items.length) % Math.max(1, size.items.length) })} />
          ))}
        </div>
      </OneScale>
    </div>
  );
}

type Size = NonNullable<Document["sizes"]>[number];

/** areKept says whether sizes are those saved; of one that was saved before sizes said what they were made of, its line decides. */
function areKept(saved: Size[], sizes: Size[]): boolean {
  const line = ({ name, measureMm, finishedMm, line, rows, links }: Size) => JSON.stringify([name, measureMm, finishedMm, line, rows, links]);
  return saved.length === sizes.length && sizes.every((size, i) => line(size) === line(saved[i]) && (saved[i].of === undefined || saved[i].of === size.of));
}

/** sameAs is the name of a size before it that came out the same piece, if one did. */
function sameAs(name: string, sizes: Size[]): string | undefined {
  const piece = ({ line, rows, links }: Size) => JSON.stringify([line, rows, links]);
  const at = sizes.findIndex((one) => one.name === name);
  return sizes.slice(0, at).find((one) => one.line !== "" && piece(one) === piece(sizes[at]))?.name;
}

/** firstSizes are those kept with the piece, or else the adult ones of the house. */
function firstSizes(doc: Document, offered: { name: string; measureMm: number; child?: boolean }[]): Wanted[] {
  if (doc.sizes?.length) return doc.sizes.map(({ name, measureMm, finishedMm }) => ({ name, measureMm, finishedMm }));
  return offered.filter((s) => !s.child).map(({ name, measureMm }) => ({ name, measureMm }));
}

/** keptAt is which proposal of a size is kept with the piece; the first if none is. */
function keptAt(doc: Document, size: SizeFound): number {
  const line = doc.sizes?.find((one) => one.name === size.name)?.line;
  return Math.max(0, size.items.findIndex((way) => way.line === line && rowsOf(doc).length === 1));
}
