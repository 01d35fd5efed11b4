import { Autocomplete, TextField } from "@mui/material";
import { useState } from "react";
import type { NewPiece } from "../api/client.ts";
import { previewed } from "../piece/BenchState.ts";
import { useBenchContext } from "../piece/context.ts";
import { WholePicture } from "../pictures/WholePicture.tsx";
import { Photos } from "../photos/Photos.tsx";
import { useHouse } from "../shop/useHouse.ts";
import { Choice, CLOSURES, HANGS, KINDS } from "../ui/Answers.tsx";
import { Convert } from "./Convert.tsx";
import { Follows } from "./Follows.tsx";
import { FromLength } from "./FromLength.tsx";
import { Starts } from "./Starts.tsx";
import "./decide.css";

/** Decide sets what is made, how it closes, and how long it should be. */
export function Decide() {
  const { id, bench, state } = useBenchContext();
  const { doc } = state;
  const shown = previewed(state);
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
        {!hangs && <Convert bench={bench} state={state} />}
        {hangs ? <FromLength bench={bench} state={state} counts={counts} /> : <Starts bench={bench} state={state} counts={counts} />}
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
      <div className="shown">
        {shown.analysis && <WholePicture analysis={shown.analysis} doc={shown.analysed} />}
        {!hangs && <Follows state={state} />}
        <Photos of="piece" id={id} name={doc.name} />
      </div>
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
