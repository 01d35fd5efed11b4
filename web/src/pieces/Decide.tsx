import { Autocomplete, TextField } from "@mui/material";
import { useState } from "react";
import type { NewPiece } from "../api/client.ts";
import { Link } from "react-router";
import { useBenchContext } from "../bench/PieceRoom.tsx";
import { WholePicture } from "../felt/WholePicture.tsx";
import { useHouse } from "../house/useHouse.ts";
import { bodyOf } from "../fit/Wearer.tsx";
import { LengthField } from "../units/LengthField.tsx";
import { Length } from "../units/UnitContext.tsx";
import { Choice, CLOSURES, HANGS, KINDS, lengthQuestion } from "./Answers.tsx";

/** Decide sets what is made, how it closes, and how long it should be. */
export function Decide() {
  const { bench, state } = useBenchContext();
  const { doc, analysis } = state;
  const setDetails = (next: { notes?: string; tags?: string[] }) => {
    const { name, notes, tags } = bench.snapshot().doc;
    void bench.apply({ do: "set-details", details: { name, notes, tags, ...next } });
  };
  const hangs = doc.kind === "ornament";
  const house = useHouse().data?.whole;
  const counts = doc.closure.type === "clasp" ? (doc.house?.targetCounts ?? house?.targetCounts) : "closed";

  return (
    <div className="pieces decide">
      <div className="answers">
        <Choice legend="What is it?" value={doc.kind} options={KINDS} onChange={(kind) => void bench.apply({ do: "set-kind", text: kind })} />
        {hangs ? (
          <p className="quiet">{HANGS}</p>
        ) : (
          <Choice
            legend="How does it close?"
            value={doc.closure.type}
            options={CLOSURES}
            says={CLOSURES.find((c) => c.value === doc.closure.type)?.says}
            onChange={(type: NewPiece["closure"]) => void bench.apply({ do: "set-closure", text: type })}
          />
        )}
        <fieldset>
          <legend>{lengthQuestion(counts, hangs)}</legend>
          <LengthField label="Target length" mm={doc.target?.finishedMm ?? null} placeholder="no target yet" width={130} onChange={(mm) => void bench.apply({ do: "set-target", mm })} onClear={() => void bench.apply({ do: "set-target" })} />
          {" ± "}
          <LengthField label="Tolerance" mm={doc.target?.toleranceMm ?? null} placeholder="3 mm" width={80} onChange={(toleranceMm) => void bench.apply({ do: "set-target", mm: doc.target?.finishedMm ?? analysis?.finishedMm, toleranceMm })} />
          {analysis && (
            <div className="quiet" style={{ marginTop: 6 }}>
              Current length <Length mm={analysis.finishedMm} />
              {analysis.lengthName && ` (${analysis.lengthName})`}.{" "}
              {analysis.fit && (
                <>
                  Suggested length <Length mm={analysis.fit.suitedMm} /> for a {bodyOf(doc).part} of <Length mm={analysis.fit.measureMm} />
                  {doc.body?.for && `, ${doc.body.for}`}.{" "}
                </>
              )}
              {!hangs && (
                <Link to="../fit" relative="path" className="link">
                  {analysis.fit ? "See why" : "Work it out from a measure, size or age"}
                </Link>
              )}
            </div>
          )}
        </fieldset>
        {doc.closure.type === "clasp" && (
          <Choice
            legend="What does the target count?"
            value={counts ?? "closed"}
            options={[
              { value: "closed", label: "The clasp too" },
              { value: "beads", label: "The beads alone" },
            ]}
            onChange={(counts) => void bench.apply({ do: "set-house", field: "targetCounts", text: counts })}
          />
        )}
        <Autocomplete
          multiple
          freeSolo
          options={[]}
          value={doc.tags ?? []}
          onChange={(_, tags) => setDetails({ tags: tags.map((t) => t.trim()).filter(Boolean).slice(0, 20) })}
          renderInput={(params) => <TextField {...params} label="Tags" placeholder="a word, then Enter" slotProps={{ ...params.slotProps, htmlInput: { ...params.slotProps.htmlInput, maxLength: 40 } }} />}
        />
        <Notes notes={doc.notes ?? ""} onNotes={(notes) => setDetails({ notes })} />
      </div>
      {analysis && <WholePicture analysis={analysis} doc={state.analysed} />}
    </div>
  );
}

/** Notes are saved when the field is left. */
function Notes({ notes, onNotes }: { notes: string; onNotes: (notes: string) => void }) {
  const [typed, setTyped] = useState<string | null>(null);
  const settle = () => {
    if (typed !== null && typed !== notes) onNotes(typed);
    setTyped(null);
  };
  return <TextField label="Notes" value={typed ?? notes} onChange={(e) => setTyped(e.target.value)} onBlur={settle} multiline minRows={3} slotProps={{ htmlInput: { maxLength: 10_000 } }} />;
}
