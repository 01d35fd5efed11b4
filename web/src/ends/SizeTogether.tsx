import { Button, Popover } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, unwrap, type Document } from "../api/client.ts";
import { identity } from "../api/identity.ts";
import { rowOf, rowsOf } from "../api/piece.ts";
import type { Bench } from "../piece/Bench.ts";
import type { BenchState } from "../piece/BenchState.ts";
import { LengthField } from "../ui/LengthField.tsx";
import { Length, useUnit } from "../ui/UnitContext.tsx";
import { ShortOfStock } from "../ui/ShortOfStock.tsx";

const GOALS = [
  { goal: "equal", label: "equal" },
  { goal: "step", label: "a step longer each" },
  { goal: "touching", label: "touching" },
] as const;

type Goal = (typeof GOALS)[number]["goal"];

/** A step until one is chosen. */
const FIRST_STEP = 30;

/** SizeTogether proposes the most regular changes that bring all rows to one length, to even steps, or to lie side by side. */
export function SizeTogether({ bench, state }: { bench: Bench; state: BenchState }) {
  const [at, setAt] = useState<HTMLElement | null>(null);
  return (
    <>
      <button type="button" className="link" aria-haspopup="dialog" disabled={state.behind} onClick={(e) => setAt(e.currentTarget)}>
        Size together …
      </button>
      <Popover open={at !== null} anchorEl={at} onClose={() => setAt(null)} anchorOrigin={{ vertical: "top", horizontal: "right" }} transformOrigin={{ vertical: "bottom", horizontal: "right" }}>
        {at && <Proposals bench={bench} doc={state.analysed} onTaken={() => setAt(null)} />}
      </Popover>
    </>
  );
}

function Proposals({ bench, doc, onTaken }: { bench: Bench; doc: Document; onTaken: () => void }) {
  const asked = rowOf(doc, rowsOf(doc)[1]?.id);
  const [goal, setGoal] = useState<Goal>(asked.follow === "equal" ? "equal" : asked.follow === "touching" && doc.kind === "necklace" ? "touching" : "step");
  const [stepMm, setStepMm] = useState(asked.followMm ?? FIRST_STEP);
  const [inStock, setInStock] = useState(false);
  const { unit } = useUnit();
  const gap = doc.sections[0].gapMm;
  const found = useQuery({
    queryKey: ["together", identity(doc), goal, goal === "step" ? stepMm : 0, inStock, unit],
    queryFn: ({ signal }) => unwrap(api.POST("/api/together", { params: { query: { unit } }, body: { document: doc, goal, stepMm: goal === "step" ? stepMm : undefined, inStock: inStock || undefined }, signal })),
    retry: false,
  });
  return (
    <div className="size-together" role="dialog" aria-label="Size the rows together">
      <h3>Size the rows together</h3>
      <p>
        <select aria-label="All rows" value={goal} onChange={(e) => setGoal(e.target.value as Goal)}>
          {GOALS.filter((one) => one.goal !== "touching" || doc.kind === "necklace").map((one) => (
            <option key={one.goal} value={one.goal}>
              {one.label}
            </option>
          ))}
        </select>
        {goal === "step" && <LengthField label="The step" mm={stepMm} width={80} onChange={setStepMm} />}
      </p>
      {doc.kind === "necklace" && (
        <p>
          Gap at the front at most
          <LengthField label="Widest gap at the front" mm={gap ?? null} placeholder="3 × the row" width={90} onChange={(mm) => void bench.apply({ do: "set-gap", mm })} onClear={() => void bench.apply({ do: "set-gap" })} />
        </p>
      )}
      <label className="tick">
        <input type="checkbox" checked={inStock} onChange={(e) => setInStock(e.target.checked)} /> only what is in stock
      </label>
      {found.isPending && <p className="quiet">Trying …</p>}
      {found.isError && <p role="alert">{found.error.message}</p>}
      {found.data?.why && <p>{found.data.why}</p>}
      <ol>
        {found.data?.items.map((item) => (
          <li key={item.says}>
            <b>{item.says}</b>
            <span className="quiet">
              {item.lengthsMm.map((mm, i) => (
                <span key={i}>
                  {i + 1}: <Length mm={mm} />{" "}
                </span>
              ))}
              · off by <Length mm={item.offMm} />
            </span>
            <ShortOfStock lacks={item.short} />
            <Button
              size="small"
              variant="outlined"
              onClick={() => {
                void bench.apply(...item.operations);
                onTaken();
              }}
            >
              Use
            </Button>
          </li>
        ))}
      </ol>
      {found.data && found.data.items.length > 0 && (
        <p className="quiet">
          <span>
            Every row then comes nearer than the smallest bead, <Length mm={found.data.withinMm} />, to its place beside the others.
          </span>
        </p>
      )}
    </div>
  );
}
