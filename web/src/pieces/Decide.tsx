import { Autocomplete, TextField } from "@mui/material";
import type { Document, NewPiece } from "../api/client.ts";
import { Link } from "react-router";
import { useBenchContext } from "../bench/PieceRoom.tsx";
import { WholePicture } from "../felt/WholePicture.tsx";
import { bodyOf } from "../fit/Wearer.tsx";
import { fetchCatalogue } from "../materials/catalogue.ts";
import { LengthField } from "../units/LengthField.tsx";
import { Length } from "../units/UnitContext.tsx";
import { Choice, CLOSURES, KINDS } from "./Answers.tsx";
import { withClosure } from "./closure.ts";

/** Decide settles what is made, how it closes, and how long it should be. */
export function Decide() {
  const { bench, state } = useBenchContext();
  const { doc, analysis } = state;
  const change = (next: Partial<Document>) => bench.change({ ...bench.snapshot().doc, ...next });
  // What a way to close needs is fetched from the catalogue.
  async function close(type: NewPiece["closure"]) {
    try {
      const found = await fetchCatalogue({ types: "wire,elastic,crimp-tube,lobster,jump-ring", limit: 500 });
      bench.change(withClosure(bench.snapshot().doc, type, found.items.map((c) => c.material)));
    } catch (err) {
      bench.say((err as Error).message);
    }
  }
  const target = { finishedMm: 450, toleranceMm: 3, ...doc.target };

  return (
    <div className="pieces decide">
      <div className="answers">
        <Choice legend="What is it?" value={doc.kind} options={KINDS} onChange={(kind) => change({ kind })} />
        <Choice
          legend="How does it close?"
          value={doc.closure.type}
          options={CLOSURES}
          says={CLOSURES.find((c) => c.value === doc.closure.type)?.says}
          onChange={(type: NewPiece["closure"]) => void close(type)}
        />
        <fieldset>
          <legend>How long should it be, closed?</legend>
          <LengthField label="Target length" mm={doc.target?.finishedMm ?? null} placeholder="no target yet" width={130} onChange={(finishedMm) => change({ target: { ...target, finishedMm } })} onClear={() => change({ target: undefined })} />
          {" give or take "}
          <LengthField label="Tolerance" mm={doc.target?.toleranceMm ?? null} placeholder="3 mm" width={80} onChange={(toleranceMm) => change({ target: { ...target, toleranceMm } })} />
          {analysis && (
            <div className="quiet" style={{ marginTop: 6 }}>
              As laid out it comes to <Length mm={analysis.finishedMm} />
              {analysis.lengthName && ` (${analysis.lengthName})`}.{" "}
              {analysis.fit && (
                <>
                  <Length mm={analysis.fit.suitedMm} /> would suit a {bodyOf(doc).part} of <Length mm={analysis.fit.measureMm} />
                  {doc.body?.for && `, ${doc.body.for}`}.{" "}
                </>
              )}
              <Link to="../fit" relative="path" className="link">
                {analysis.fit ? "See why" : "Work it out from a measure, a size or an age"}
              </Link>
            </div>
          )}
        </fieldset>
        {doc.closure.type === "clasp" && (
          <Choice
            legend="What does the target count?"
            value={doc.house?.targetCounts ?? "closed"}
            options={[
              { value: "closed", label: "The clasp too" },
              { value: "beads", label: "The beads alone" },
            ]}
            onChange={(targetCounts) => change({ house: { ...doc.house, targetCounts } })}
          />
        )}
        <Autocomplete
          multiple
          freeSolo
          options={[]}
          value={doc.tags ?? []}
          onChange={(_, tags) => change({ tags: tags.length ? tags.map((t) => t.trim()).filter(Boolean).slice(0, 20) : undefined })}
          renderInput={(params) => <TextField {...params} label="Tags" placeholder="a word, then Enter" slotProps={{ ...params.slotProps, htmlInput: { ...params.slotProps.htmlInput, maxLength: 40 } }} />}
        />
        <TextField label="Notes" value={doc.notes ?? ""} onChange={(e) => change({ notes: e.target.value || undefined })} multiline minRows={3} slotProps={{ htmlInput: { maxLength: 10_000 } }} />
      </div>
      {analysis && <WholePicture analysis={analysis} doc={doc} />}
    </div>
  );
}
