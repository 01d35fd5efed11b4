import { Menu, MenuItem } from "@mui/material";
import { useState } from "react";
import type { Operation } from "../api/client.ts";
import { numberOf, rowOf, rowsOf, strandOf } from "../api/piece.ts";
import type { Bench } from "../bench/Bench.ts";
import type { BenchState } from "../bench/BenchState.ts";
import { CataloguePicker } from "../dishes/CataloguePicker.tsx";

/** RowMenu is what can be done to the row in hand as a whole. */
export function RowMenu({ bench, state }: { bench: Bench; state: BenchState }) {
  const { doc, analysis, row } = state;
  const [at, setAt] = useState<HTMLElement | null>(null);
  const [chain, setChain] = useState(false);
  const rows = rowsOf(doc);
  const corded = rowOf(doc, row).cord !== undefined;
  const number = numberOf(doc, row);
  const does = (operation: Operation, then?: string) => {
    setAt(null);
    void bench.apply({ ...operation, at: { strand: row } }).then((done) => done && then && bench.toRow(then));
  };
  const letters = [...new Set(strandOf(analysis, row)?.runs.map((run) => run.key))];
  return (
    <>
      <button type="button" className="link" aria-haspopup="menu" onClick={(e) => setAt(e.currentTarget)}>
        Row {number} …
      </button>
      <Menu anchorEl={at} open={at !== null} onClose={() => setAt(null)}>
        <MenuItem
          onClick={() => {
            setAt(null);
            void bench.addRow();
          }}
        >
          Copy it below
        </MenuItem>
        <MenuItem
          onClick={() => {
            setAt(null);
            setChain(true);
          }}
        >
          Add a row of chain below
        </MenuItem>
        <MenuItem disabled={number === 1} onClick={() => does({ do: "move-row", n: number - 1 })}>
          Move up
        </MenuItem>
        <MenuItem disabled={number === rows.length} onClick={() => does({ do: "move-row", n: number + 1 })}>
          Move down
        </MenuItem>
        <MenuItem disabled={!corded} onClick={() => does({ do: "mirror-row" })}>Reverse it, with its ends</MenuItem>
        {letters.slice(1, 4).map((letter) => (
          <MenuItem key={letter} onClick={() => does({ do: "swap-beads", text: `${letters[0]} ${letter}` })}>
            Swap beads {letters[0]} and {letter}
          </MenuItem>
        ))}
        <MenuItem disabled={rows.length < 2} onClick={() => does({ do: "remove-row" }, rows[number === 1 ? 1 : number - 2]?.id)}>
          Remove it
        </MenuItem>
      </Menu>
      {chain && (
        <CataloguePicker
          title="A row of chain"
          filter={{ class: "finding", types: "chain" }}
          onClose={() => setChain(false)}
          onPick={(m) => {
            setChain(false);
            void bench.apply({ do: "add-row", at: { strand: row }, material: m.id });
          }}
        />
      )}
    </>
  );
}
