import { Button, Dialog, DialogActions, DialogContent, DialogTitle, LinearProgress } from "@mui/material";
import { useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { previewCatalogue, takeCatalogue, type CataloguePreview, type RowNote } from "./csv.ts";

type Step = { at: "choose" } | { at: "reading" } | { at: "preview"; text: string; preview: CataloguePreview } | { at: "taking"; done: number; total: number } | { at: "done"; total: number };

/** CsvDialog takes a catalogue file in: what it would change is shown first, and nothing is half taken in. */
export function CsvDialog({ onClose }: { onClose: () => void }) {
  const queries = useQueryClient();
  const [step, setStep] = useState<Step>({ at: "choose" });
  const [says, setSays] = useState<string | null>(null);
  const stop = useRef<AbortController | null>(null);

  async function choose(file: File | undefined) {
    if (!file) return;
    setSays(null);
    setStep({ at: "reading" });
    try {
      const text = await file.text();
      setStep({ at: "preview", text, preview: await previewCatalogue(text) });
    } catch (err) {
      setSays(`${file.name} was not read. ${(err as Error).message}`);
      setStep({ at: "choose" });
    }
  }

  async function take(text: string) {
    stop.current = new AbortController();
    setStep({ at: "taking", done: 0, total: 1 });
    try {
      const total = await takeCatalogue(text, stop.current.signal, (done, all) => setStep({ at: "taking", done, total: all }));
      await queries.invalidateQueries({ queryKey: ["materials"] });
      setStep({ at: "done", total });
    } catch (err) {
      const cancelled = err instanceof DOMException && err.name === "AbortError";
      setSays(cancelled ? "Stopped. Nothing of the file was kept." : (err as Error).message);
      setStep({ at: "choose" });
    }
  }

  return (
    <Dialog open onClose={step.at === "taking" ? undefined : onClose} maxWidth="md" fullWidth aria-labelledby="csv-title">
      <DialogTitle id="csv-title" component="h1" variant="h1">
        Take in a catalogue
      </DialogTitle>
      <DialogContent>
        {says && <p role="alert">{says}</p>}
        {step.at === "choose" && (
          <label>
            A CSV file whose columns are named as the fields of the piece file. Give the catalogue out first to see them.
            <br />
            <input type="file" accept=".csv,text/csv" data-testid="csv" onChange={(e) => void choose(e.target.files?.[0])} style={{ marginTop: 14 }} />
          </label>
        )}
        {step.at === "reading" && <LinearProgress aria-label="Reading" />}
        {step.at === "preview" && <Preview preview={step.preview} />}
        {step.at === "taking" && (
          <>
            <p role="status">
              {step.done} of {step.total} rows
            </p>
            <LinearProgress variant="determinate" value={(100 * step.done) / Math.max(1, step.total)} aria-label="Rows taken in" />
          </>
        )}
        {step.at === "done" && <p role="status">✓ {step.total} rows are in the catalogue.</p>}
      </DialogContent>
      <DialogActions>
        {step.at === "taking" ? (
          <Button onClick={() => stop.current?.abort()}>Stop, and keep nothing of it</Button>
        ) : (
          <Button onClick={onClose}>{step.at === "done" ? "Back to the catalogue" : "Not now"}</Button>
        )}
        {step.at === "preview" && step.preview.new.length + step.preview.changed.length > 0 && (
          <Button variant="contained" onClick={() => void take(step.text)}>
            Take in {step.preview.new.length + step.preview.changed.length} rows
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}

const SHOWN = 60;

function Preview({ preview }: { preview: CataloguePreview }) {
  return (
    <>
      <p>
        {preview.new.length} new, {preview.changed.length} changed, {preview.same} as they are, {preview.refused.length} refused.
      </p>
      <Notes title="Refused, and left out" notes={preview.refused} />
      <Notes title="Changed" notes={preview.changed} />
      <Notes title="New" notes={preview.new} />
    </>
  );
}

function Notes({ title, notes }: { title: string; notes: RowNote[] }) {
  if (notes.length === 0) return null;
  return (
    <section>
      <h2 style={{ fontSize: 17, margin: "14px 0 4px" }}>{title}</h2>
      <table className="list">
        <tbody>
          {notes.slice(0, SHOWN).map((note) => (
            <tr key={note.line}>
              <td style={{ width: 70 }}>row {note.line}</td>
              <th scope="row">{note.name}</th>
              <td>{note.says}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {notes.length > SHOWN && (
        <details>
          <summary>and {notes.length - SHOWN} more</summary>
          <pre style={{ maxHeight: 240, overflow: "auto", fontSize: 12 }}>{notes.slice(SHOWN).map((n) => `row ${n.line}  ${n.name ?? ""}  ${n.says ?? ""}`).join("\n")}</pre>
        </details>
      )}
    </section>
  );
}
