import { useState } from "react";
import type { KitBill } from "../api/client.ts";
import { useUnit } from "../ui/UnitContext.tsx";
import { billCsv } from "./csv.ts";
import { keepSheet, keptSheet, paperAddress, PAPERS, SHEETS, type Sheet } from "../sheets/papers.ts";
import { SavePicture } from "../sheets/SavePicture.tsx";
import { saveFile } from "../ui/saveFile.ts";

/** Papers opens what is printed of one thing that is sold, and saves its lists and pictures. */
export function Papers({ id, name, bill, copies }: { id: string; name: string; bill: KitBill; copies: number }) {
  const { unit } = useUnit();
  const [sheet, setSheet] = useState<Sheet>(keptSheet);
  const [open, setOpen] = useState<number | null>(null);
  return (
    <section aria-label="Papers" className="papers">
      <h2>Papers</h2>
      <ul>
        {PAPERS.map((paper) => (
          <li key={paper.name}>
            <a href={paperAddress(id, paper.name, bill, { copies, sheet, unit })} target="_blank" rel="noreferrer" className="link">
              {paper.title}
            </a>
          </li>
        ))}
      </ul>
      <p>
        <label>
          on{" "}
          <select
            value={sheet}
            onChange={(e) => {
              setSheet(e.target.value as Sheet);
              keepSheet(e.target.value as Sheet);
            }}
          >
            {SHEETS.map((size) => (
              <option key={size}>{size}</option>
            ))}
          </select>
        </label>{" "}
        <span className="quiet">PDF at true size; each carries the kit it follows from.</span>
      </p>
      <button type="button" className="link" onClick={() => saveFile(`${name}.csv`, billCsv(bill), "text/csv")}>
        Save the bill as CSV
      </button>
      {bill.documents.map((d) => (
        <details key={d.piece} onToggle={(e) => setOpen(e.currentTarget.open ? d.piece : open === d.piece ? null : open)}>
          <summary>Pictures of {d.document.name}</summary>
          {open === d.piece && <SavePicture doc={d.document} />}
        </details>
      ))}
    </section>
  );
}
