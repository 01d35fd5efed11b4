import { useState } from "react";
import { InputBase } from "@mui/material";
import type { Document, Operation, Strand } from "../api/client.ts";
import { rowOf, type Row } from "../api/piece.ts";
import type { Bench } from "../piece/Bench.ts";
import { ALL_CHOICES } from "../shop/choices.ts";
import { LengthField } from "../ui/LengthField.tsx";
import { Length } from "../ui/UnitContext.tsx";

type Side = "left" | "right";
type Way = NonNullable<NonNullable<Row["leftEnd"]>["way"]>;

interface Props {
  bench: Bench;
  doc: Document;
  row: string;
  strand: Strand | undefined;
  side: Side;
  /** Opens the catalogue for the bead on a leg, or for what hangs on the loop. */
  onBead: () => void;
  onHang: (n: number) => void;
}

const WAYS: { way: Way; label: string }[] = [
  { way: "loop", label: "in a loop of beads" },
  { way: "hidden-knot", label: "with its knot drawn into the last bead" },
  { way: "leg", label: "on a leg: a bead and a knot" },
  { way: "tails", label: "tied, with a bead on each loose tail" },
  { way: "cord-loop", label: "in a loop of the bare cord" },
  { way: "fold", label: "in the fold of the cord" },
  { way: "fold-loop", label: "in the fold: a loop of beads, one crimp over both legs" },
  { way: "leg-loop", label: "one leg trimmed in the crimp, the other in a loop of beads" },
  { way: "fold-bead", label: "folded through a bead" },
  { way: "foot-bead", label: "round a bead at the foot" },
  { way: "stopped", label: "behind its crimp or a knot alone" },
  { way: "under-bead", label: "with its crimp inside the last bead" },
];

/** STOPPERS are the ways to hold the end strung first, as the house has them. */
const STOPPERS = ALL_CHOICES.find((c) => c.field === "stopper")?.options ?? [];

/** endOf is how an end of the row is made beyond its fittings. */
export const endOf = (doc: Document, row: string, side: Side) => (side === "left" ? rowOf(doc, row).leftEnd : rowOf(doc, row).rightEnd);

/** IN_RING is how an end of a cord tied to itself is made, where that is called otherwise. */
const IN_RING: Partial<Record<Way | "", string>> = { "": "trimmed at the knot", tails: "with a bead on its loose tail" };

/** waysOf are the ways in which an end can be made, beyond what its fittings say. */
export const waysOf = (strand: Strand | undefined, side: Side) => (side === "left" ? strand?.leftWays : strand?.rightWays) ?? [];

/** waySays says how an end of a row is made beyond its fittings; empty where those say it. */
export function waySays(doc: Document, row: string, side: Side): string {
  const end = endOf(doc, row, side);
  const says = WAYS.find(({ way }) => way === end?.way)?.label ?? "";
  const bead = doc.materials.find((m) => m.id === end?.bead)?.name;
  return bead ? `${says}, ${bead}` : says;
}

/** EndWay chooses how an end is made beyond its fittings, with what that way needs, and how far its tail goes. */
export function EndWay({ bench, doc, row, strand, side, onBead, onHang }: Props) {
  const end = endOf(doc, row, side);
  const name = side === "left" ? "Left" : "Right";
  const set = (field: string, rest: Partial<Operation>) => bench.apply({ do: "set-end", at: { strand: row, end: side }, field, ...rest });
  const ways = waysOf(strand, side);
  const labels = strand?.ring ? IN_RING : {};
  const nameOf = (id: string) => doc.materials.find((m) => m.id === id)?.name ?? id;
  const hold = side === "left" ? strand?.leftHold : strand?.rightHold;
  const tailed = hold === "crimp" || (hold === "knot" && end?.way !== "tails" && end?.way !== "cord-loop");
  const tail = side === "left" ? strand?.leftTail : strand?.rightTail;
  return (
    <div className="end-row" role="group" aria-label={`Way of the ${side} end`}>
      <span className="what">… made</span>
      <span className="picks">
        <select aria-label={`${name} end is made`} value={end?.way ?? ""} onChange={(e) => void set("way", { text: e.target.value })}>
          <option value="">{labels[""] ?? "by its fittings"}</option>
          {WAYS.filter(({ way }) => ways.includes(way)).map(({ way, label }) => (
            <option key={way} value={way}>
              {labels[way] ?? label}
            </option>
          ))}
        </select>
        {(end?.way === "loop" || end?.way === "fold-loop" || end?.way === "leg-loop") && (
          <>
            <LoopLine key={end.loop} line={end.loop ?? ""} label={`Beads of the ${side} loop`} onLine={(text) => set("loop", { text })} bench={bench} />
            {end.hung?.map((id, n) => (
              <button type="button" key={n} className="pick hung" onClick={() => onHang(n)} aria-label={`${nameOf(id)}, hangs on the loop`}>
                ↳ {nameOf(id)}
              </button>
            ))}
            <button type="button" className="pick quiet" onClick={() => onHang(end.hung?.length ?? 0)} aria-label={`Hang something on the ${side} loop`}>
              + hang
            </button>
          </>
        )}
        {end?.way === "cord-loop" && (
          <span className="tail-of">
            <LengthField label={`Inside girth of the ${side} loop`} mm={end.girthMm ?? null} width={72} onChange={(mm) => void set("girth", { mm })} />
            <span className="quiet"> round inside</span>
          </span>
        )}
        {(end?.way === "leg" || end?.way === "tails" || end?.way === "fold-bead" || end?.way === "foot-bead") && (
          <>
            {end.way !== "foot-bead" && <LengthField label={end.way === "leg" ? `Length of the ${side} leg` : end.way === "tails" ? `Length of the ${side} tails` : "Neck below the bead in the fold"} mm={end.legMm ?? null} width={72} onChange={(mm) => void set("leg", { mm })} />}
            <button type="button" className="pick" onClick={onBead} aria-label={end.way === "leg" ? `Bead on the ${side} leg` : end.way === "tails" ? `Bead on the ${side} tails` : end.way === "foot-bead" ? "Bead at the foot" : "Bead in the fold"}>
              {end.bead ? nameOf(end.bead) : "no bead"}
            </button>
          </>
        )}
        {side === "left" && !strand?.ring && doc.kind !== "ornament" && (
          <select aria-label="Left end is held while stringing" value={end?.stop ?? ""} onChange={(e) => void set("stop", { text: e.target.value })}>
            <option value="">held as the house does</option>
            {STOPPERS.map(({ value, label }) => (
              <option key={value} value={value}>
                held by {label.toLowerCase()}
              </option>
            ))}
          </select>
        )}
        {tailed && (
          <span className="tail-of">
            tail{" "}
            <LengthField label={`Tail of the ${side} end`} mm={end?.tailMm ?? null} placeholder="as house" width={72} onChange={(mm) => void set("tail", { mm })} onClear={() => void set("tail", {})} />
            <span className="quiet">
              {" "}
              goes <Length mm={tail?.mm ?? 0} />
            </span>
          </span>
        )}
      </span>
    </div>
  );
}

/** LoopLine is the bead line of a loop; one that is refused stays as it was typed. */
function LoopLine({ line, label, onLine, bench }: { line: string; label: string; onLine: (text: string) => Promise<boolean>; bench: Bench }) {
  const [typed, setTyped] = useState(line);
  const [says, setSays] = useState<string | null>(null);
  async function settle() {
    if (typed.trim() === line) return setSays(null);
    setSays((await onLine(typed)) ? null : bench.snapshot().notice);
  }
  return (
    <span>
      <InputBase
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={() => void settle()}
        onKeyDown={(e) => {
          if (e.key === "Enter") void settle();
          if (e.key !== "Escape") return;
          setTyped(line);
          setSays(null);
        }}
        inputProps={{ "aria-label": label, "aria-invalid": says !== null, maxLength: 4096, spellCheck: false }}
        sx={{ width: 96, fontSize: 14 }}
        className="loop-line"
      />
      {says && (
        <span role="alert" className="says wrong">
          {says}
        </span>
      )}
    </span>
  );
}
