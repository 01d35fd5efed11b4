import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { api, unwrap } from "../api/client.ts";
import { identity } from "../api/identity.ts";
import { useBenchContext } from "../piece/context.ts";
import { OneScale } from "../pictures/OneScale.tsx";
import { Choice } from "../ui/Answers.tsx";
import { LengthField } from "../ui/LengthField.tsx";
import { useUnit } from "../ui/UnitContext.tsx";
import { StackColumn } from "./StackColumn.tsx";
import { StackName } from "./StackName.tsx";
import "../lengths/fit.css";
import "../lengths/sizes.css";

/** StackRoom shows the pieces of a stack side by side, and brings them to one inside length or to one strung length. */
export function StackRoom() {
  const { id, bench, state } = useBenchContext();
  const { unit } = useUnit();
  const { analysed: doc } = state;
  const [by, setBy] = useState<"inside" | "strung">("inside");
  const [to, setTo] = useState<number | null>(null);
  const [tolerance, setTolerance] = useState<number | null>(null);
  const [inStock, setInStock] = useState(false);
  const found = useQuery({
    queryKey: ["stack", id, identity(doc), by, to, tolerance, inStock, unit],
    queryFn: ({ signal }) => unwrap(api.POST("/api/stacks", { params: { query: { unit } }, body: { document: doc, id, strung: by === "strung" || undefined, toMm: to ?? undefined, toleranceMm: tolerance ?? undefined, inStock: inStock || undefined }, signal })),
    enabled: !state.behind && !!doc.stack,
    placeholderData: (old) => old,
    retry: false,
  });
  const members = doc.stack ? (found.data?.members ?? []) : [];

  return (
    <div className="sizes-room">
      <header>
        <h2>Worn together</h2>
        <StackName bench={bench} doc={state.doc} />
        <Choice
          legend="Bring them to"
          value={by}
          options={[
            { value: "inside", label: "One inside length" },
            { value: "strung", label: "One strung length" },
          ]}
          onChange={setBy}
        />
        <span className="add-size">
          of <LengthField label="Length to bring them to" mm={to ?? found.data?.wantMm ?? null} placeholder="that of this piece" width={120} onChange={setTo} onClear={() => setTo(null)} /> ±{" "}
          <LengthField label="Still alike within" mm={tolerance ?? found.data?.toleranceMm ?? null} placeholder="3 mm" width={70} onChange={setTolerance} onClear={() => setTolerance(null)} />
        </span>
        <label className="tick">
          <input type="checkbox" checked={inStock} onChange={(e) => setInStock(e.target.checked)} /> only what is in stock
        </label>
        <Link to="../fit" relative="path" className="link">
          Back to Fit
        </Link>
      </header>
      {!doc.stack && <p role="status">Give the stack a name. Every piece with that name is worn together with this one.</p>}
      {doc.stack && members.length === 1 && <p role="status">No other piece is in this stack yet. Open one, and give it the same name in Fit.</p>}
      {found.isError && <p role="alert">{found.error.message}</p>}
      {doc.stack && found.data?.why && <p role="status">{found.data.why}</p>}
      {doc.stack && found.data?.says && <p role="status">{found.data.says}</p>}
      <OneScale>
        <div className="columns">
          {members.map((one) => (
            <StackColumn key={one.id} bench={bench} one={one} inHand={one.id === id} onChanged={() => void found.refetch()} />
          ))}
        </div>
      </OneScale>
    </div>
  );
}
