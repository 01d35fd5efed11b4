import type { ReactNode } from "react";
import { OneScale } from "../pictures/OneScale.tsx";

interface Props {
  caption: string;
  sizes: string[];
  colourways: string[];
  behind: boolean;
  /** cell shows the piece in one size and colourway. */
  cell: (size: number, colourway: number) => ReactNode;
}

/** Cloth lays finished pieces out, colourways down and sizes across; the piece as it is has no name. */
export function Cloth({ caption, sizes, colourways, behind, cell }: Props) {
  const alone = sizes.length === 1 && colourways.length === 1;
  return (
    <OneScale>
      <table className={`cloth ${alone ? "alone" : ""} ${behind ? "behind" : ""}`}>
        <caption className="hidden">{caption}</caption>
        {(sizes.length > 1 || sizes[0]) && (
          <thead>
            <tr>
              <td />
              {sizes.map((name, i) => (
                <th key={i} scope="col">
                  {name || "As it is"}
                </th>
              ))}
            </tr>
          </thead>
        )}
        <tbody>
          {colourways.map((name, c) => (
            <tr key={c}>
              <th scope="row">{name || <span className={colourways.length > 1 ? undefined : "hidden"}>Original colours</span>}</th>
              {sizes.map((_, s) => (
                <td key={s}>{cell(s, c)}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </OneScale>
  );
}

/** FromStock says how many can be made from stock, and what runs out then. */
export function FromStock({ makeable, runsOut }: { makeable: number; runsOut?: string }) {
  return (
    <>
      {makeable > 0 ? `${makeable} from stock` : "none from stock"}
      {runsOut && (makeable > 0 ? `, then ${runsOut.toLowerCase()} runs out` : `: ${runsOut.toLowerCase()} runs out first`)}
    </>
  );
}

/** Wrong lists the worst of what is wrong with a cell. */
export function Wrong({ wrong }: { wrong: string[] | undefined }) {
  if (!wrong) return null;
  return (
    <ul className="wrong">
      {wrong.slice(0, 3).map((says) => (
        <li key={says}>{says}</li>
      ))}
    </ul>
  );
}
