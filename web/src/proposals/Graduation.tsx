import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { api, unwrap, type Document, type Material, type Way } from "../api/client.ts";
import { identity } from "../api/identity.ts";
import { several, strandOf } from "../api/piece.ts";
import type { Bench } from "../piece/Bench.ts";
import type { BenchState } from "../piece/BenchState.ts";
import { Length, useUnit } from "../ui/UnitContext.tsx";
import { WayList } from "./WayList.tsx";
import { WaysSection } from "./WaysSection.tsx";

interface Props {
  bench: Bench;
  state: BenchState;
  onClose: () => void;
}

/** Graduation strings the sizes that are chosen so that they rise to the centre, as smoothly as the target allows. */
export function Graduation({ bench, state, onClose }: Props) {
  const [ways, setWays] = useState<Way[]>([]);
  const sizes = sizesOf(state.doc);
  const lacks = lackOf(state, sizes.length);
  return (
    <WaysSection bench={bench} id="graduation" title="Graduated sizes" hint="Sizes that rise to the centre" ways={ways} onClose={onClose}>
      {lacks ? <p className="quiet">{lacks}</p> : <Found bench={bench} state={state} sizes={sizes} onWays={setWays} />}
    </WaysSection>
  );
}

/** lackOf says what a graduated strand still needs; empty where nothing. */
function lackOf({ analysis, row, doc }: BenchState, sizes: number): string {
  if (doc.kind === "ornament") return "An ornament is not graduated.";
  if (sizes < 2) return "Add beads of at least two sizes: they rise to the centre.";
  return strandOf(analysis, row)?.target ? "" : "Give it a target length above first.";
}

interface Size {
  key: string;
  of: Material;
}

/** sizesOf are the dishes that can be a size: plain beads, the smallest across first. */
function sizesOf(doc: Document): Size[] {
  return Object.entries(doc.palette)
    .flatMap(([key, id]) => doc.materials.filter((m) => m.id === id).map((of) => ({ key, of })))
    .filter(({ of }) => of.class === "bead" && !of.facing && of.shape !== "charm" && of.shape !== "focal" && of.shape !== "cap")
    .sort((a, b) => (a.of.acrossMm ?? 0) - (b.of.acrossMm ?? 0) || a.key.localeCompare(b.key));
}

const NONE: Way[] = [];

function Found({ bench, state, sizes, onWays }: Omit<Props, "onClose"> & { sizes: Size[]; onWays: (ways: Way[]) => void }) {
  const { unit } = useUnit();
  const { analysed, row } = state;
  const [left, setLeft] = useState<string[]>([]);
  const [centre, setCentre] = useState("");
  const [all, setAll] = useState(false);
  const [inStock, setInStock] = useState(true);
  const ladder = sizes.map(({ key }) => key).filter((key) => !left.includes(key));
  const asked = { row, all: all || undefined, ladder, centre: centre || undefined, inStock: inStock || undefined };
  const found = useQuery({
    queryKey: ["graduate", identity(analysed), JSON.stringify(asked), unit],
    queryFn: ({ signal }) => unwrap(api.POST("/api/graduate", { params: { query: { unit } }, body: { document: analysed, ...asked }, signal })),
    enabled: !state.behind,
    placeholderData: (old) => old,
    retry: false,
    gcTime: 10_000,
  });
  useEffect(() => () => void bench.preview(null), [bench]);
  const ways = found.data?.items ?? NONE;
  useEffect(() => onWays(ways), [ways, onWays]);

  return (
    <>
      <fieldset className="ladder">
        <legend>Sizes</legend>
        {sizes.map(({ key, of }) => (
          <label key={key} className="tick">
            <input type="checkbox" checked={!left.includes(key)} onChange={(e) => setLeft(e.target.checked ? left.filter((other) => other !== key) : [...left, key])} />
            <b>{key}</b> {of.acrossMm !== undefined && <Length mm={of.acrossMm} />} {of.name}
          </label>
        ))}
      </fieldset>
      <label>
        Centre{" "}
        <select value={centre} onChange={(e) => {
            setCentre(e.target.value);
            setLeft([...left.filter((key) => key !== centre), e.target.value]); // a bead of its own, until it is chosen as a size too
          }}>
          <option value="">none: the halves meet</option>
          {Object.keys(analysed.palette)
            .sort()
            .map((key) => (
              <option key={key} value={key}>
                {key} {analysed.materials.find((m) => m.id === analysed.palette[key])?.name}
              </option>
            ))}
        </select>
      </label>
      {several(analysed) && (
        <label className="tick">
          <input type="checkbox" checked={all} onChange={(e) => setAll(e.target.checked)} /> all rows together
        </label>
      )}
      <label className="tick">
        <input type="checkbox" checked={inStock} onChange={(e) => setInStock(e.target.checked)} /> only what is in stock
      </label>
      <WayList bench={bench} found={found} />
    </>
  );
}
