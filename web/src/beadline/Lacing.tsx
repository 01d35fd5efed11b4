import { rowOf, several, numberOf, strandOf } from "../api/piece.ts";
import type { Bench } from "../piece/Bench.ts";
import type { BenchState } from "../piece/BenchState.ts";
import { isFlat } from "../draw/paint/laced.ts";
import { LengthField } from "../ui/LengthField.tsx";
import { Length } from "../ui/UnitContext.tsx";

/** Lacing is how a row of buttons and discs is laced; it is offered where there is a dish of flats. */
export function Lacing({ bench, state }: { bench: Bench; state: BenchState }) {
  const { doc, analysis, row } = state;
  const own = rowOf(doc, row);
  const flats = Object.entries(doc.palette).flatMap(([key, id]) => doc.materials.filter((m) => m.id === id && isFlat(m)).map((m) => ({ key, name: m.name })));
  if (own.cord === undefined || (!own.lacing && (flats.length === 0 || own.riders))) return null;
  const { lacing } = own;
  const set = (field: string, rest: { text?: string; mm?: number }) => void bench.apply({ do: "set-lacing", at: { strand: row }, field, ...rest });
  const lace = analysis && strandOf(analysis, row).lace;
  const spacing = lacing?.pitchMm ? "pitch" : lacing?.overlapMm ? "overlap" : "touching";
  const inLine = flats.filter(({ key }) => analysis && strandOf(analysis, row).runs.some((run) => run.key === key));
  return (
    <div className="lacing" role="group" aria-label="Lacing">
      <label>
        <span>Flats{several(doc) ? ` of row ${numberOf(doc, row)}` : ""}</span>
        <select aria-label="How the row is laced" value={lacing?.way ?? ""} onChange={(e) => set("way", { text: e.target.value })}>
          <option value="">strung, through one hole</option>
          <option value="straight">laced straight</option>
          <option value="diagonal">laced diagonally</option>
          <option value="crossed">laced crossed</option>
        </select>
      </label>
      {lacing && (
        <>
          <select aria-label="How the flats lie beside one another" value={spacing} onChange={(e) => (e.target.value === "touching" ? set("pitch", {}) : set(e.target.value, { mm: e.target.value === "pitch" ? firstPitch(state) : FIRST_OVERLAP }))}>
            <option value="touching">touching</option>
            <option value="pitch">at a pitch of</option>
            <option value="overlap">overlapping by</option>
          </select>
          {spacing === "pitch" && <LengthField label="Pitch, middle to middle" mm={lacing.pitchMm ?? null} width={72} onChange={(mm) => set("pitch", { mm })} />}
          {spacing === "overlap" && <LengthField label="Overlap" mm={lacing.overlapMm ?? null} width={72} onChange={(mm) => set("overlap", { mm })} />}
          {lace && (lace.overlapMm ?? 0) > 0 && (
            <select aria-label="How flats that overlap lie" value={lacing.tilted ? "tilted" : "layers"} onChange={(e) => set("lie", { text: e.target.value })}>
              <option value="layers">in two layers</option>
              <option value="tilted">each leaning on the one before</option>
            </select>
          )}
          {inLine.map(({ key }) => (
            <label key={key}>
              <span>on {key}</span>
              <select aria-label={`Laced on ${key}`} value={lacing.tops?.[key] ?? ""} onChange={(e) => set("top", { text: `${key} ${e.target.value}`.trim() })}>
                <option value="">nothing</option>
                {flats.filter((one) => one.key !== key).map((one) => (
                  <option key={one.key} value={one.key}>
                    {one.key} {one.name}
                  </option>
                ))}
              </select>
            </label>
          ))}
          {lace && (
            <span className="quiet" data-testid="lace">
              fronts <Length mm={lace.frontMm} /> · holes <Length mm={lace.throughMm} /> · back <Length mm={lace.backMm} />
              {lace.stepMm ? (
                <>
                  {" "}
                  · a step of <Length mm={lace.stepMm} />
                </>
              ) : null}
              {lace.tiltDeg ? ` · tilted ${lace.tiltDeg}°` : ""}
            </span>
          )}
        </>
      )}
    </div>
  );
}

/** FIRST_OVERLAP is by how much flats overlap until it is set, in mm. */
const FIRST_OVERLAP = 2;

/** firstPitch is a millimetre more than the widest flat of the row takes. */
function firstPitch({ analysis, row }: BenchState): number {
  return 1 + Math.max(1, ...(analysis ? strandOf(analysis, row).placed.map((b) => b.acrossMm) : []));
}
