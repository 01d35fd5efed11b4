import { Menu, MenuItem } from "@mui/material";
import { useState } from "react";
import type { Operation } from "../api/client.ts";
import { isDrop, isGap, numberOf, rowOf, rowsOf, strandOf } from "../api/piece.ts";
import type { Bench } from "../piece/Bench.ts";
import type { BenchState } from "../piece/BenchState.ts";
import type { Filter } from "../shop/catalogue.ts";
import { BEAD_LINKS, JOINS, SHARED } from "../piece/joins.ts";
import { CataloguePicker } from "../shop/CataloguePicker.tsx";

/** Picking is what the catalogue is open for. */
interface Picking {
  title: string;
  filter: Filter;
  do: "add-row" | "add-section";
}

const PICKS: Record<"chain" | "links" | "joined" | "through", Picking> = {
  links: { title: "A row of bead links", filter: BEAD_LINKS, do: "add-row" },
  chain: { title: "A row of chain", filter: { spot: "chain" }, do: "add-row" },
  joined: { title: "What joins the sections", filter: JOINS, do: "add-section" },
  through: { title: "The bead that the cords run through", filter: SHARED, do: "add-section" },
};

/** RowMenu is what can be done to the row in hand as a whole. */
export function RowMenu({ bench, state }: { bench: Bench; state: BenchState }) {
  const { doc, analysis, row } = state;
  const [at, setAt] = useState<HTMLElement | null>(null);
  const [picking, setPicking] = useState<Picking | null>(null);
  const rows = rowsOf(doc);
  const own = rowOf(doc, row);
  const corded = own.cord !== undefined;
  const number = numberOf(doc, row);
  const section = doc.sections.find((one) => one.rows?.some(({ id }) => id === row))?.rows ?? [];
  const place = section.findIndex(({ id }) => id === row);
  const does = (operation: Operation, then?: string) => {
    setAt(null);
    void bench.apply({ ...operation, at: { strand: row } }).then((done) => done && then && bench.toRow(then));
  };
  const letters = [...new Set(strandOf(analysis, row)?.runs.map((run) => run.key).filter((key) => !isGap(key) && !isDrop(key)))];
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
            setPicking(PICKS.chain);
          }}
        >
          Add a row of chain below
        </MenuItem>
        <MenuItem
          onClick={() => {
            setAt(null);
            setPicking(PICKS.links);
          }}
        >
          Add a row of bead links below
        </MenuItem>
        <MenuItem
          onClick={() => {
            setAt(null);
            setPicking(PICKS.joined);
          }}
        >
          Add a section behind, on a ring, connector or chain
        </MenuItem>
        <MenuItem
          disabled={!corded}
          onClick={() => {
            setAt(null);
            setPicking(PICKS.through);
          }}
        >
          Add a section behind, through a shared bead
        </MenuItem>
        {doc.sections.length > 1 && <MenuItem onClick={() => does({ do: "remove-section" })}>Remove its section</MenuItem>}
        <MenuItem disabled={place === 0} onClick={() => does({ do: "move-row", n: place })}>
          Move up
        </MenuItem>
        <MenuItem disabled={place === section.length - 1} onClick={() => does({ do: "move-row", n: place + 2 })}>
          Move down
        </MenuItem>
        {own.foldOf !== undefined ? (
          <MenuItem onClick={() => does({ do: "set-fold", field: "" })}>Give it a cord of its own</MenuItem>
        ) : (
          corded && place > 0 && section[place - 1].cord !== undefined && <MenuItem onClick={() => does({ do: "set-fold", field: section[place - 1].id })}>String it on the other half of row {number - 1}&rsquo;s cord</MenuItem>
        )}
        <MenuItem onClick={() => does({ do: "set-pinned" })}>{doc.pinned?.some((pin) => pin.strand === row && !pin.run) ? "Unpin it" : "Pin it: proposals leave it"}</MenuItem>
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
      {picking && (
        <CataloguePicker
          title={picking.title}
          filter={picking.filter}
          onClose={() => setPicking(null)}
          onPick={(m) => {
            setPicking(null);
            void bench.apply({ do: picking.do, at: { strand: row }, material: m.id });
          }}
        />
      )}
    </>
  );
}
