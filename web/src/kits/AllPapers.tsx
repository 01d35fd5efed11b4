import { Button, LinearProgress } from "@mui/material";
import { zipSync } from "fflate";
import { useRef, useState } from "react";
import type { KitCell } from "../api/client.ts";
import { useUnit } from "../ui/UnitContext.tsx";
import { cellAddress } from "../sheets/cell.ts";
import { fetchFile, keptSheet, paperAddress, PAPERS } from "../sheets/papers.ts";
import { saveFile } from "../ui/saveFile.ts";

/** AllPapers prints every paper of all that is sold into one zip file, says how far it is, and can be cancelled. */
export function AllPapers({ id, name, cells, copies }: { id: string; name: string; cells: KitCell[]; copies: number }) {
  const { unit } = useUnit();
  const [done, setDone] = useState<number | null>(null);
  const [says, setSays] = useState<string | null>(null);
  const stop = useRef<AbortController | null>(null);
  const wanted = cells.flatMap((cell) => PAPERS.map((paper) => ({ cell, paper })));
  async function print() {
    const ends = new AbortController();
    stop.current = ends;
    setSays(null);
    setDone(0);
    const files: Record<string, Uint8Array> = {};
    try {
      for (const [i, { cell, paper }] of wanted.entries()) {
        files[`${cellAddress(cell)} ${paper.title}.pdf`] = await fetchFile(paperAddress(id, paper.name, cell, { copies, sheet: keptSheet(), unit }), { signal: ends.signal });
        setDone(i + 1);
      }
      saveFile(`${name}, papers.zip`, zipSync(files, { level: 0 }) as Uint8Array<ArrayBuffer>, "application/zip");
      setSays(`${wanted.length} papers are saved.`);
    } catch (err) {
      setSays(ends.signal.aborted ? "Cancelled. Nothing was saved." : (err as Error).message);
    } finally {
      setDone(null);
    }
  }
  return (
    <div className="all-papers">
      {done === null ? (
        <Button variant="outlined" size="small" onClick={() => void print()}>
          All papers
        </Button>
      ) : (
        <>
          <LinearProgress variant="determinate" value={(100 * done) / wanted.length} aria-label={`${done} of ${wanted.length} papers`} />
          <span role="status">
            {done} of {wanted.length}
          </span>
          <Button size="small" onClick={() => stop.current?.abort()}>
            Cancel
          </Button>
        </>
      )}
      {says && <span role="status">{says}</span>}
    </div>
  );
}
