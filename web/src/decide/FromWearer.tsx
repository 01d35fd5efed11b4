import { useState } from "react";
import { Wearer } from "../lengths/Wearer.tsx";
import { Reasoning } from "../lengths/Reasoning.tsx";
import { LengthField } from "../ui/LengthField.tsx";
import { useAfterMade } from "./afterMade.ts";
import type { StartProps } from "./FromLength.tsx";
import { SatOn } from "./SatOn.tsx";
import "../lengths/fit.css"; // its size chips

/** FromWearer starts from the wearer: a measure, a standard size, an age, or something tried on. */
export function FromWearer({ bench, state }: StartProps) {
  const { doc, analysis } = state;
  return (
    <>
      <Wearer bench={bench} doc={doc} />
      <TriedOn bench={bench} state={state} />
      {analysis && <Reasoning bench={bench} analysis={analysis} doc={doc} />}
    </>
  );
}

/** TriedOn takes the measure from anything that was tried on: its inside length, and how it sat. */
function TriedOn({ bench, state }: StartProps) {
  const [inside, setInside] = useState<number | null>(null);
  const [sat, setSat] = useState("");
  const found = useAfterMade(state, inside ? { insideMm: inside, sat: sat || undefined } : null);
  return (
    <details>
      <summary>No tape measure? Start from a piece that was tried on</summary>
      <p>
        Its inside length <LengthField label="Inside length of what was tried on" mm={inside} placeholder="such as 170 mm" width={120} onChange={setInside} onClear={() => setInside(null)} />
      </p>
      <SatOn bench={bench} doc={state.doc} found={found} sat={sat} onSat={setSat} what="what was tried on" />
    </details>
  );
}
