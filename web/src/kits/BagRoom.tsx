import { TextField } from "@mui/material";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import { api, unwrap } from "../api/client.ts";
import { identity } from "../api/identity.ts";
import { useUnit } from "../ui/UnitContext.tsx";
import { Bags } from "./Bags.tsx";
import { ByPiece } from "./ByPiece.tsx";
import { BagTools } from "./BagTools.tsx";
import { cellAt, cellName } from "../sheets/cell.ts";
import { useKitContext } from "./KitRoom.tsx";
import { Papers } from "./Papers.tsx";
import { PiecePictures } from "../pictures/PiecePictures.tsx";
import { PriceSum } from "./PriceSum.tsx";

const MOST = 10_000;

/** BagRoom opens one thing that is sold: what lies in its bags, what it costs, and its papers. */
export function BagRoom() {
  const { id, bench } = useKitContext();
  const { cell: address } = useParams();
  const [query] = useSearchParams();
  const { unit } = useUnit();
  const cell = cellAt(address);
  const [typed, setTyped] = useState(query.get("copies") ?? "10");
  const copies = /^\d{1,5}$/.test(typed.trim()) ? Number(typed) : 0;
  const wrong = copies < 1 || copies > MOST;
  const found = useQuery({
    queryKey: ["kit-bill", identity(bench.state.kit), address, copies, unit],
    queryFn: ({ signal }) => unwrap(api.POST("/api/kit-bill", { params: { query: { unit } }, body: { kit: bench.state.kit, cell, copies }, signal })),
    enabled: !wrong,
    placeholderData: keepPreviousData,
    retry: false,
    gcTime: 10_000,
  });
  const bill = found.data;
  return (
    <div className={`bag-room ${found.isPlaceholderData ? "behind" : ""}`}>
      <div className="bag-main">
        <header>
          <Link to={`/kits/${id}`} className="link">
            All that is sold
          </Link>
          <h2>{bill ? cellName(bench.state.kit, bill) : " "}</h2>
          <Link to={`/kits/${id}/bag/${address}/pack?copies=${typed}`} className="link">
            Pack it
          </Link>
          <TextField size="small" label="For how many" value={typed} onChange={(e) => setTyped(e.target.value)} error={wrong} helperText={wrong ? `A number from 1 to ${MOST}.` : undefined} slotProps={{ htmlInput: { inputMode: "numeric", maxLength: 5 } }} sx={{ width: 130 }} />
        </header>
        {found.error && <p role="alert">{found.error.message}</p>}
        {bench.says && <p role="alert">{bench.says}</p>}
        {bill && <Bags bill={bill} copies={copies} />}
        {bill && <ByPiece bill={bill} />}
      </div>
      <aside className="side right" aria-label="Price and tools">
        {bill && (
          <>
            <PiecePictures documents={bill.documents.map((d) => d.document)} />
            <PriceSum price={bill.price} copies={bill.copies} />
            <Papers id={id} name={`${bench.state.kit.name}, ${cellName(bench.state.kit, bill)}`} bill={bill} copies={copies} />
            <BagTools bench={bench} bill={bill} />
          </>
        )}
      </aside>
    </div>
  );
}
