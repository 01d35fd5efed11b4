import { Button, Checkbox, Dialog, DialogActions, DialogContent, DialogTitle, FormControlLabel, LinearProgress } from "@mui/material";
import { useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { previewCatalogue, importCatalogue, type CataloguePreview, type RowNotes } from "./csv.ts";
import { Imports } from "./Imports.tsx";

type Step = { at: "choose" } | { at: "reading" } | { at: "preview"; name: string; text: string; preview: CataloguePreview } | { at: "importing"; done: number; total: number } | { at: "done"; total: number };

/** CsvDialog imports a catalogue file: it shows first what would change, and imports all of it or nothing. */
export function CsvDialog({ onClose }: { onClose: () => void }) {
  const queries = useQueryClient();
  const [step, setStep] = useState<Step>({ at: "choose" });
  const [says, setSays] = useState<string | null>(null);
  const [since, setSince] = useState(false);
  const stop = useRef<AbortController | null>(null);

  const changed = () => Promise.all([queries.invalidateQueries({ queryKey: ["materials"] }), queries.invalidateQueries({ queryKey: ["imports"] })]);

  async function choose(file: File | undefined) {
    if (!file) return;
    setSays(null);
    setStep({ at: "reading" });
    try {
      const text = await file.text();
      setSince(false);
      setStep({ at: "preview", name: file.name, text, preview: await previewCatalogue(text) });
    } catch (err) {
      setSays(`${file.name} could not be read. ${(err as Error).message}`);
      setStep({ at: "choose" });
    }
  }

  async function importRows(file: { name: string; text: string }) {
    stop.current = new AbortController();
    setStep({ at: "importing", done: 0, total: 1 });
    try {
      const total = await importCatalogue(file, since, stop.current.signal, (done, all) => setStep({ at: "importing", done, total: all }));
      await changed();
      setStep({ at: "done", total });
    } catch (err) {
      const cancelled = err instanceof DOMException && err.name === "AbortError";
      setSays(cancelled ? "Import cancelled. Nothing was changed." : (err as Error).message);
      setStep({ at: "choose" });
    }
  }

  return (
    <Dialog open onClose={step.at === "importing" ? undefined : onClose} maxWidth="md" fullWidth aria-labelledby="csv-title">
      <DialogTitle id="csv-title" component="h1" variant="h1">
        Import a catalogue
      </DialogTitle>
      <DialogContent>
        {says && <p role="alert">{says}</p>}
        {step.at === "choose" && (
          <label>
            Choose a CSV file. Its columns are named like the fields of the piece file; export the catalogue to see them.
            <br />
            <input type="file" accept=".csv,text/csv" data-testid="csv" onChange={(e) => void choose(e.target.files?.[0])} style={{ marginTop: 14 }} />
          </label>
        )}
        {step.at === "reading" && <LinearProgress aria-label="Reading" />}
        {step.at === "preview" && <Preview preview={step.preview} since={since} onSince={setSince} />}
        {step.at === "importing" && (
          <>
            <p role="status">
              {step.done} of {step.total} rows
            </p>
            <LinearProgress variant="determinate" value={(100 * step.done) / Math.max(1, step.total)} aria-label="Rows imported" />
          </>
        )}
        {step.at === "done" && <p role="status">✓ {step.total} rows imported.</p>}
        {(step.at === "choose" || step.at === "done") && <Imports onUndone={changed} />}
      </DialogContent>
      <DialogActions>
        {step.at === "importing" ? (
          <Button onClick={() => stop.current?.abort()}>Cancel import</Button>
        ) : (
          <Button onClick={onClose}>{step.at === "done" ? "Back to the catalogue" : "Cancel"}</Button>
        )}
        {step.at === "preview" && rowsOf(step.preview, since) > 0 && (
          <Button variant="contained" onClick={() => void importRows(step)}>
            Import {rowsOf(step.preview, since)} rows
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}

const rowsOf = (preview: CataloguePreview, since: boolean) => preview.new.count + preview.changed.count + (since ? preview.since.count : 0);

const SHOWN = 60;

interface PreviewProps {
  preview: CataloguePreview;
  since: boolean;
  onSince: (since: boolean) => void;
}

function Preview({ preview, since, onSince }: PreviewProps) {
  return (
    <>
      <p>
        {preview.new.count} new, {preview.changed.count} changed, {preview.same} unchanged, {preview.refused.count} rejected.
      </p>
      {preview.since.count > 0 && (
        <FormControlLabel
          control={<Checkbox checked={since} onChange={(e) => onSince(e.target.checked)} />}
          label={`Overwrite ${preview.since.count} more, changed here since the file was exported. Otherwise left as they are.`}
        />
      )}
      <Notes title="Rejected" notes={preview.refused} />
      <Notes title="Changed here since the file was exported" notes={preview.since} />
      <Notes title="Changed" notes={preview.changed} />
      <Notes title="New" notes={preview.new} />
    </>
  );
}

function Notes({ title, notes }: { title: string; notes: RowNotes }) {
  if (notes.count === 0) return null;
  const more = notes.rows.slice(SHOWN);
  return (
    <section>
      <h2 style={{ fontSize: 17, margin: "14px 0 4px" }}>{title}</h2>
      <table className="list">
        <tbody>
          {notes.rows.slice(0, SHOWN).map((note) => (
            <tr key={note.line}>
              <td style={{ width: 70 }}>row {note.line}</td>
              <th scope="row">{note.name}</th>
              <td>{note.says}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {more.length > 0 && (
        <details>
          <summary>and {notes.count - SHOWN} more</summary>
          <pre style={{ maxHeight: 240, overflow: "auto", fontSize: 12 }}>
            {more.map((n) => `row ${n.line}  ${n.name ?? ""}  ${n.says ?? ""}`).join("\n")}
            {notes.count > notes.rows.length && "\n…"}
          </pre>
        </details>
      )}
    </section>
  );
}
