import { Button, Popover } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, unwrap, type LineNode, type Operation } from "../api/client.ts";
import { identity } from "../api/identity.ts";
import type { Bench } from "../piece/Bench.ts";
import { LengthField } from "../ui/LengthField.tsx";
import { Length } from "../ui/UnitContext.tsx";

interface Props {
  bench: Bench;
  node: LineNode;
  /** Its first showing in the strand. */
  span: [number, number] | undefined;
  pressed: boolean;
}

/** GapChip is a gap of bare cord: its length, and whether it is clear or goes from middle to middle. */
export function GapChip({ bench, node, span, pressed }: Props) {
  const [at, setAt] = useState<HTMLElement | null>(null);
  return (
    <>
      <button
        type="button"
        className="chip gap"
        aria-pressed={pressed}
        aria-haspopup="dialog"
        aria-label={`${node.pitch ? "a pitch" : "a gap"} of ${node.length}${node.count > 1 ? `, ${node.count} times` : ""}`}
        title="Bare cord; Enter changes it, Delete removes it"
        onClick={(e) => {
          if (span) bench.select(span[0], span[1]);
          setAt(e.currentTarget);
        }}
        onKeyDown={(e) => {
          if (e.key !== "Delete" && e.key !== "Backspace") return;
          e.preventDefault();
          bench.setCount(node.id, 0);
        }}
      >
        {node.count > 1 && `${node.count} `}
        <i aria-hidden /> {node.length} {node.pitch && <small>pitch</small>}
      </button>
      <Popover open={at !== null} anchorEl={at} onClose={() => setAt(null)} anchorOrigin={{ vertical: "top", horizontal: "left" }} transformOrigin={{ vertical: "bottom", horizontal: "left" }}>
        {at && <GapFacts bench={bench} node={node} />}
      </Popover>
    </>
  );
}

const READINGS = [
  { reading: "clear", label: "clear, from bead to bead" },
  { reading: "pitch", label: "from middle to middle" },
] as const;

/** GapFacts changes a gap; before its reading changes it shows what either makes of the row. */
function GapFacts({ bench, node }: { bench: Bench; node: LineNode }) {
  const { doc, row } = bench.snapshot();
  const operation = (text: string, mm = node.mm): Operation => ({ do: "set-spacing", at: { strand: row }, node: node.id, text, mm });
  const now = node.pitch ? "pitch" : "clear";
  return (
    <div className="gap-facts" role="dialog" aria-label="Gap">
      <h3>Gap</h3>
      <p>
        <LengthField label="Length of the gap" mm={node.mm ?? null} width={90} onChange={(mm) => void bench.apply(operation(now, mm))} />
      </p>
      <div role="group" aria-label="How it is measured">
        {READINGS.map(({ reading, label }) => (
          <Reading key={reading} bench={bench} label={label} doc={doc} row={row} chosen={reading === now} operation={operation(reading)} />
        ))}
      </div>
    </div>
  );
}

interface ReadingProps {
  bench: Bench;
  label: string;
  doc: ReturnType<Bench["snapshot"]>["doc"];
  row: string;
  chosen: boolean;
  operation: Operation;
}

function Reading({ bench, label, doc, row, chosen, operation }: ReadingProps) {
  const tried = useQuery({
    queryKey: ["spacing", identity(doc), operation],
    queryFn: ({ signal }) => unwrap(api.POST("/api/edit", { params: { query: { brief: true } }, body: { document: doc, operations: [operation] }, signal })),
    retry: false,
  });
  const strand = tried.data?.analysis?.strands.find((one) => one.id === row);
  const why = tried.data?.faults?.[0]?.says ?? (tried.isError ? tried.error.message : undefined);
  return (
    <p className="reading">
      <Button size="small" variant={chosen ? "contained" : "outlined"} aria-pressed={chosen} disabled={why !== undefined} onClick={() => void bench.apply(operation)}>
        {label}
      </Button>
      <span className="quiet">{strand ? <>the row is then <Length mm={strand.strungMm} /> strung</> : why}</span>
    </p>
  );
}
