import { Button, TextField } from "@mui/material";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { api, unwrap, type Buying, type BuyNeed, type BuyPack, type Document } from "../api/client.ts";
import { identity } from "../api/identity.ts";
import { useBenchContext } from "../piece/context.ts";
import { nameAmong } from "../shop/size.ts";
import { saveAs } from "../sheets/keep.ts";
import { formatLength } from "../units/length.ts";
import { useUnit } from "../ui/UnitContext.tsx";
import { csvOf } from "../sheets/csv.ts";
import "./buying.css";

/** BuyRoom says what to buy for this many of the piece, and what that costs. */
export function BuyRoom() {
  const { state } = useBenchContext();
  const { analysed } = state;
  const [typed, setTyped] = useState("1");
  const [fromStock, setFromStock] = useState(true);
  const copies = /^\d{1,5}$/.test(typed.trim()) ? Number(typed) : 0;
  const wrong = copies < 1 || copies > 10_000;
  const found = useQuery({
    queryKey: ["buy", identity(analysed), copies, fromStock],
    queryFn: ({ signal }) => unwrap(api.POST("/api/buy", { body: { document: analysed, copies, fromStock }, signal })),
    enabled: !wrong && !state.behind,
    placeholderData: keepPreviousData,
    retry: false,
    gcTime: 10_000,
  });
  const buying = found.data;
  return (
    <div className="buying">
      <header>
        <h2>What to buy</h2>
        <TextField size="small" label="For how many" value={typed} onChange={(e) => setTyped(e.target.value)} error={wrong} helperText={wrong ? "A number from 1 to 10000." : undefined} slotProps={{ htmlInput: { inputMode: "numeric", maxLength: 5 } }} />
        <label className="tick">
          <input type="checkbox" checked={fromStock} onChange={(e) => setFromStock(e.target.checked)} /> use what is in stock first
        </label>
        {buying && (
          <Button size="small" onClick={() => saveAs(`${analysed.name}, to buy for ${buying.copies}.csv`, csvOf(buying), "text/csv")}>
            Save as CSV
          </Button>
        )}
        <Link to="/materials" className="link">
          Packs are set under Materials
        </Link>
      </header>
      {state.behind && <p role="alert">The bead line has an error; this list is from the last valid bead line.</p>}
      {found.error && <p role="alert">{found.error.message}</p>}
      {buying && (
        <div className={found.isPlaceholderData ? "behind" : undefined}>
          <Packs buying={buying} doc={analysed} />
          <Needs buying={buying} doc={analysed} />
        </div>
      )}
    </div>
  );
}

function Packs({ buying, doc }: { buying: Buying; doc: Document }) {
  const { unit } = useUnit();
  if (buying.packs.length === 0) return <p>{buying.needs.some((n) => n.lacks) ? "There is nothing to buy among the packs that are known." : "There is enough of everything in stock."}</p>;
  return (
    <table className="list">
      <caption>Packs to buy</caption>
      <thead>
        <tr>
          <th scope="col">Pack</th>
          <th scope="col">Supplier, code</th>
          <th scope="col" className="n">Each holds</th>
          <th scope="col" className="n">Packs</th>
          <th scope="col" className="n">Each</th>
          <th scope="col" className="n">Sum</th>
        </tr>
      </thead>
      <tbody>
        {buying.packs.map((p, i) => (
          <tr key={i}>
            <th scope="row">
              {named(doc, p)}, {p.sold}
            </th>
            <td>{[p.supplier, p.code].filter(Boolean).join(", ")}</td>
            <td className="n">{holds(p, unit)}</td>
            <td className="n">{p.n}</td>
            <td className="n">{p.each}</td>
            <td className="n">{p.sum}</td>
          </tr>
        ))}
        <tr className="sum">
          <th scope="row" colSpan={5}>
            What must be bought
          </th>
          <td className="n" data-testid="bought">{buying.bought}</td>
        </tr>
        <tr className="sum">
          <th scope="row" colSpan={5}>
            Of it, what is used
          </th>
          <td className="n" data-testid="used">{buying.used}</td>
        </tr>
      </tbody>
    </table>
  );
}

/** named tells materials of one name apart; what else is in a set may be none of the piece. */
const named = (doc: Document, of: { material: string; name: string }) => (doc.materials.some((m) => m.id === of.material) ? nameAmong(doc, of.material) : of.name);

const holds = (p: BuyPack, unit: Parameters<typeof formatLength>[1]) => (p.holdsMm ? formatLength(p.holdsMm, unit) : String(p.holds ?? ""));

function Needs({ buying, doc }: { buying: Buying; doc: Document }) {
  const { unit } = useUnit();
  const amount = (n: BuyNeed, count: number | undefined, mm: number | undefined) => (n.mm ? (mm ? formatLength(mm, unit) : "·") : String(count || "·"));
  return (
    <table className="list">
      <caption>
        Needed for {buying.copies === 1 ? "one" : buying.copies}
      </caption>
      <thead>
        <tr>
          <th scope="col">Material</th>
          <th scope="col" className="n">Needed</th>
          <th scope="col" className="n">From stock</th>
          <th scope="col" className="n">In the packs</th>
          <th scope="col" className="n">Left over</th>
          <th scope="col" className="n">Cost of what is used</th>
        </tr>
      </thead>
      <tbody>
        {buying.needs.map((n) => (
          <tr key={n.material}>
            <th scope="row">
              {named(doc, n)}
              {n.lacks && <p className="lacks">{n.lacks}</p>}
              {n.about && <p className="quiet">By weight: at least as many.</p>}
            </th>
            <td className="n">{amount(n, n.count, n.mm)}</td>
            <td className="n">{amount(n, n.stock, n.stock)}</td>
            <td className="n">{n.lacks ? "" : amount(n, n.held, n.heldMm)}</td>
            <td className="n">{n.lacks ? "" : amount(n, n.left, n.leftMm)}</td>
            <td className="n">{n.used === "0.00" ? "·" : n.used}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
