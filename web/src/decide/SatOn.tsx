import { Button } from "@mui/material";
import type { Document, MadeBefore, Operation } from "../api/client.ts";
import type { Bench } from "../piece/Bench.ts";
import { bodyOf } from "../lengths/Wearer.tsx";
import { formatLength } from "../units/length.ts";
import { Length, useUnit } from "../ui/UnitContext.tsx";
import type { Found } from "./afterMade.ts";

interface Props {
  bench: Bench;
  doc: Document;
  found: Found;
  sat: string;
  onSat: (word: string) => void;
  what: string;
}

/** SatOn asks how something sat, and gives the measure of the wearer it sat on, with the reasoning. */
export function SatOn({ bench, doc, found, sat, onSat, what }: Props) {
  const { unit } = useUnit();
  const { data, error } = found;
  const { wearer, insideMm } = data ?? {};
  return (
    <>
      {!!data?.satWords.length && (
        <label className="sat">
          How did it sit?{" "}
          <select value={sat} onChange={(e) => onSat(e.target.value)}>
            <option value="">not known</option>
            {data.satWords.map((word) => (
              <option key={word}>{word}</option>
            ))}
          </select>
        </label>
      )}
      {error && <p role="alert">{error.message}</p>}
      {data?.why && <p role="status">{data.why}</p>}
      {wearer && insideMm !== undefined && (
        <>
          <table className="list" aria-label="The wearer's measure">
            <tbody>
              <Line what={`inside of ${what}`} mm={insideMm} />
              <Line what={`less the ease of “${sat}”`} mm={-wearer.easeMm} />
              <tr className="sum">
                <th scope="row">so the {wearer.part} measures about</th>
                <td className="n">
                  <Length mm={wearer.measureMm} />
                </td>
              </tr>
              {wearer.suitedMm !== undefined && <Line what="suggested length of this piece" mm={wearer.suitedMm} />}
            </tbody>
          </table>
          <Button size="small" variant="outlined" onClick={() => void bench.apply(...use(doc, wearer, sat))}>
            {`Use ${wearer.part} ${formatLength(wearer.measureMm, unit)}${wearer.suitedMm !== undefined ? `, target ${formatLength(wearer.suitedMm, unit)}` : ""}`}
          </Button>
        </>
      )}
    </>
  );
}

function Line({ what, mm }: { what: string; mm: number }) {
  return (
    <tr>
      <th scope="row">{what}</th>
      <td className="n">
        <Length mm={mm} />
      </td>
    </tr>
  );
}

/** use takes the measure, and the length that suits it. */
function use(doc: Document, wearer: NonNullable<MadeBefore["wearer"]>, sat: string): Operation[] {
  const body = { ...bodyOf(doc), part: wearer.part as "wrist" | "neck" | "ankle", measureMm: wearer.measureMm, handMm: undefined, headMm: undefined, for: `tried on: ${sat}` };
  return [{ do: "set-body", body }, ...(wearer.suitedMm === undefined ? [] : [{ do: "set-target" as const, mm: wearer.suitedMm }])];
}
