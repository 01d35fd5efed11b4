import { Button } from "@mui/material";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, unwrap, type Colourway } from "../api/client.ts";
import { identity } from "../api/identity.ts";
import { useBenchContext } from "../piece/context.ts";
import { useUnit } from "../ui/UnitContext.tsx";
import { ColourwayEditor } from "./ColourwayEditor.tsx";
import { MatrixCloth } from "./MatrixCloth.tsx";
import { Strips } from "../compare/Strip.tsx";
import "../compare/colours.css";

const MOST = 12;

/** ColoursRoom shows the piece in its sizes and colourways, and makes colourways. */
export function ColoursRoom() {
  const { bench, state } = useBenchContext();
  const { unit } = useUnit();
  const { analysed: doc } = state;
  const colourways = state.doc.colourways ?? [];
  const found = useQuery({
    queryKey: ["matrix", identity(doc), unit],
    queryFn: ({ signal }) => unwrap(api.POST("/api/matrix", { params: { query: { unit } }, body: doc, signal })),
    enabled: !state.behind,
    placeholderData: keepPreviousData,
    retry: false,
    gcTime: 10_000,
  });
  const [says, setSays] = useState<string | null>(null);
  async function set(list: Colourway[]): Promise<boolean> {
    const done = await bench.apply({ do: "set-colourways", colourways: list });
    setSays(done ? null : bench.snapshot().notice);
    return done;
  }
  return (
    <div className="colours">
      <aside className="side left" aria-label="Colourways">
        <h2>Colourways</h2>
        <p className="quiet">The same sequence in other materials. Sizes are those saved with the piece.</p>
        {says && <p role="alert">{says}</p>}
        {colourways.map((way, i) => (
          <ColourwayEditor
            key={i}
            doc={state.doc}
            way={way}
            onWay={(next) => set(colourways.map((other, k) => (k === i ? next : other)))}
            onRemove={() => void set(colourways.filter((_, k) => k !== i))}
          />
        ))}
        {colourways.length < MOST && (
          <Button variant="outlined" size="small" onClick={() => void set([...colourways, { name: freeName(colourways), swaps: {} }])}>
            Add colourway
          </Button>
        )}
      </aside>
      <div className="cloth-room" role="region" aria-label="Sizes and colourways" tabIndex={0}>
        {state.behind && <p role="alert">The bead line has an error; this is how the piece was before.</p>}
        {found.error && <p role="alert">{found.error.message}</p>}
        {found.data && <Strips colourways={found.data.colourways} documents={found.data.colourways.map((_, c) => found.data.cells[c * found.data.sizes.length].document)} />}
        {found.data && <MatrixCloth matrix={found.data} behind={found.isPlaceholderData} />}
      </div>
    </div>
  );
}

function freeName(colourways: Colourway[]): string {
  for (let n = 1; ; n++) if (!colourways.some((way) => way.name === `Colourway ${n}`)) return `Colourway ${n}`;
}
