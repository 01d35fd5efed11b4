import { useState, type ReactNode } from "react";
import type { Count, Document, PartOf, ShortOf } from "../api/client.ts";
import type { BenchState } from "../piece/BenchState.ts";
import { sizedBy, sizeOf } from "../shop/size.ts";
import { useHeld } from "../shop/catalogue.ts";
import { formatLength } from "../units/length.ts";
import { Length, useUnit } from "../ui/UnitContext.tsx";

const MOST_COLUMNS = 5;

/** Tally is the parts list, derived from the sequence: beads, findings, cord. */
export function Tally({ state }: { state: BenchState }) {
  const { analysis, doc, behind } = state;
  const { unit } = useUnit();
  const [bought, setBought] = useState(false);
  const shop = useHeld(analysis?.tally.map((c) => c.material) ?? []);
  if (!analysis) return null;
  const hasComponents = analysis.tally.some((c) => c.parts);
  const shown: Count[] = bought && hasComponents ? analysis.bought : analysis.tally;
  const material = (id: string) => doc.materials.find((m) => m.id === id);
  const keyOf = (id: string) => Object.keys(doc.palette).find((key) => doc.palette[key] === id);
  const { beads } = analysis;
  // More columns than this leave the names no room.
  const byRow = analysis.strands.length > 1 && analysis.strands.length <= MOST_COLUMNS;
  const byRowClass = (row: string) => `n by-row ${row === state.row ? "in-hand-row" : ""}`;
  const lacks = new Map(analysis.short?.map((l) => [l.material, l]));
  const moves = new Map(analysis.sensitivity.map((s) => [s.material, s.mmPerTenth]));
  // The one whose size matters most; every other tells its own on its row.
  const most = analysis.sensitivity.reduce<(typeof analysis.sensitivity)[number] | null>((a, b) => (a && a.mmPerTenth >= b.mmPerTenth ? a : b), null);

  return (
    <section aria-label="Tally" className={behind ? "behind" : undefined}>
      <h2>Tally</h2>
      {hasComponents && (
        <label className="tick bought">
          <input type="checkbox" checked={bought} onChange={(e) => setBought(e.target.checked)} /> only what is bought
        </label>
      )}
      <table className="list">
        {byRow && (
          <thead>
            <tr>
              <td />
              {analysis.strands.map((strand, i) => (
                <th key={strand.id} scope="col" className={byRowClass(strand.id)} aria-label={`Row ${i + 1}`}>
                  {i + 1}
                </th>
              ))}
              <th scope="col" className="n">
                all
              </th>
            </tr>
          </thead>
        )}
        <tbody>
          {shown.map((c) => {
            const m = material(c.material);
            if (!m) return null;
            const moved = moves.get(c.material) ?? 0;
            return [
              <tr key={c.material} title={!bought && (m.class === "bead" || m.component) ? `Size ${sizedBy(m)}; 0.1 mm on each changes the length by ${formatLength(moved, unit)}` : undefined}>
                <th scope="row">
                  {keyOf(c.material) && <span className="key">{keyOf(c.material)}</span>}
                  {m.name} <span className="size">{m.type === "chain" ? linksOf(c) : sizeOf(m, analysis.drawing?.outlines[m.id])}</span>
                  <InStock long={c.cutMm !== undefined} has={m.class === "cord" ? shop.get(c.material)?.onHand : undefined} lacks={lacks.get(c.material)} />
                </th>
                {byRow && c.cutMm === undefined &&
                  c.byStrand.map((n, i) => (
                    <td key={i} className={byRowClass(analysis.strands[i].id)}>
                      {n > 0 ? n : "·"}
                    </td>
                  ))}
                <td className="n" colSpan={byRow && c.cutMm !== undefined ? 1 + analysis.strands.length : 1}>{c.cutMm !== undefined ? <Length mm={c.cutMm} /> : c.count}</td>
              </tr>,
              ...partRows(c.parts, doc, c.material, 1, byRow ? analysis.strands.length : 0),
            ];
          })}
          <tr className="sum">
            <th scope="row" colSpan={byRow ? 1 + analysis.strands.length : 1}>
              {beads} {beads === 1 ? "bead" : "beads"}
            </th>
            <td className="n">{analysis.massG === 0 && analysis.unweighed.length > 0 ? "weight unknown" : weight(analysis.massG)}</td>
          </tr>
        </tbody>
      </table>
      {analysis.massG > 0 && analysis.unweighed.length > 0 && (
        <p className="quiet moves">
          Weight without {analysis.unweighed.length} {analysis.unweighed.length === 1 ? "material" : "materials"} of unknown weight.
        </p>
      )}
      {most && (
        <p className="quiet moves">
          0.1 mm on each {material(most.material)?.type === "chain" && "link of "}
          {material(most.material)?.name.toLowerCase()} changes the length by <Length mm={most.mmPerTenth} />; it is measured {sizedShort(most.sizedBy)}.
        </p>
      )}
    </section>
  );
}

/** InStock says what there is of a cord, and of anything what the piece takes beyond what is in stock. */
function InStock({ long, has, lacks }: { long: boolean; has?: number; lacks?: ShortOf }) {
  const amount = (n: number) => (long ? <Length mm={n} /> : n);
  if (lacks) {
    return (
      <span className="in-stock short">
        {amount(lacks.has)} in stock, {amount(lacks.short)} short
      </span>
    );
  }
  return has ? <span className="in-stock">{amount(has)} in stock</span> : null;
}

/** partRows are the parts of a component, each below what it is part of. */
function partRows(parts: PartOf[] | undefined, doc: Document, under: string, level: number, rows: number): ReactNode[] {
  return (parts ?? []).flatMap((part) => {
    const m = doc.materials.find((one) => one.id === part.material);
    const key = `${under} ${part.material}`;
    return [
      <tr key={key} className="part">
        <th scope="row" colSpan={1 + rows} style={{ paddingLeft: 22 + 12 * (level - 1) }}>
          {m?.name} <span className="size">{m && !m.component && sizeOf(m)}</span>
        </th>
        <td className="n">{part.mm ? <Length mm={part.mm} /> : part.count}</td>
      </tr>,
      ...partRows(part.parts, doc, key, level + 1, rows),
    ];
  });
}

/** linksOf counts a chain's links, with those that are lost in cutting it. */
export function linksOf(c: Count): string {
  return `${c.count} links${c.lost ? `, and ${c.lost} lost in cutting` : ""}`;
}

function sizedShort(by: string): string {
  return by === "nominal" ? "nominally only" : by === "calipered" ? "by calliper" : "by a measured run";
}

function weight(g: number): string {
  return `${g < 10 ? g.toFixed(1) : Math.round(g)} g`;
}
