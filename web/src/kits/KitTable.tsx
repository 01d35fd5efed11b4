import { TextField } from "@mui/material";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, unwrap } from "../api/client.ts";
import { identity } from "../api/identity.ts";
import { useUnit } from "../ui/UnitContext.tsx";
import { Strips } from "../compare/Strip.tsx";
import { AllPapers } from "./AllPapers.tsx";
import { Contents } from "./Contents.tsx";
import { KitCloth } from "./KitCloth.tsx";
import { useKitContext } from "./KitRoom.tsx";

const MOST = 10_000;

/** KitTable is the kit in all that it is sold in, with what it is made up of beside it. */
export function KitTable() {
  const { id, bench } = useKitContext();
  const { unit } = useUnit();
  const { copies, typed, setTyped, wrong } = useCopies();
  const found = useQuery({
    queryKey: ["kit-matrix", identity(bench.state.kit), copies, unit],
    queryFn: ({ signal }) => unwrap(api.POST("/api/kit-matrix", { params: { query: { unit } }, body: { kit: bench.state.kit, copies }, signal })),
    enabled: !wrong && bench.kit.pieces.length > 0,
    placeholderData: keepPreviousData,
    retry: false,
    gcTime: 10_000,
  });
  return (
    <div className="colours kit-table">
      <Contents bench={bench} />
      <div className="cloth-room" role="region" aria-label="What is sold" tabIndex={0}>
        <div className="batch">
          <TextField size="small" label="Batch size" value={typed} onChange={(e) => setTyped(e.target.value)} error={wrong} helperText={wrong ? `A number from 1 to ${MOST}.` : undefined} slotProps={{ htmlInput: { inputMode: "numeric", maxLength: 5 } }} />
          {found.data && !wrong && <AllPapers id={id} name={bench.state.kit.name} cells={found.data.cells} copies={copies} />}
          <p className="quiet">Costs are for a batch of that size: packs cost less by the dozen.</p>
        </div>
        {found.error && <p role="alert">{found.error.message}</p>}
        {bench.kit.pieces.length === 0 && <p className="quiet">Nothing is in this kit yet. Add a piece.</p>}
        {found.data && found.data.colourways.length > 1 && <Strips colourways={found.data.colourways} documents={found.data.colourways.map((_, c) => found.data.documents[found.data.cells[c * found.data.sizes.length].pieces[0].document])} />}
        {found.data && bench.kit.pieces.length > 0 && <KitCloth id={id} matrix={found.data} copies={copies} behind={found.isPlaceholderData} />}
      </div>
    </div>
  );
}

/** useCopies is how many kits are packed at a time, as typed. */
function useCopies() {
  const [typed, setTyped] = useState("10");
  const copies = /^\d{1,5}$/.test(typed.trim()) ? Number(typed) : 0;
  return { typed, setTyped, copies, wrong: copies < 1 || copies > MOST };
}
