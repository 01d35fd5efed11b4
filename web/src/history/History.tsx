import { Button, InputBase, MenuItem, Select } from "@mui/material";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, unwrap, type VersionNote } from "../api/client.ts";
import { useBenchContext } from "../piece/context.ts";
import { Photos } from "../photos/Photos.tsx";
import { OneScale } from "../pictures/OneScale.tsx";
import { WholePicture } from "../pictures/WholePicture.tsx";
import { compare, type Side } from "../compare/compare.ts";
import { DifferenceTable } from "../compare/DifferenceTable.tsx";
import { DRAFT, useSide } from "../compare/useSide.ts";

const REASONS: Record<VersionNote["reason"], string> = {
  named: "named", printed: "printed", exported: "exported", restored: "before a version was restored", quiet: "autosaved", "put in a kit": "added to a kit", "set aside": "conflict copy",
};

/** History lists the piece's versions, compares any two, and restores or copies one. */
export function History() {
  const { id, bench, state } = useBenchContext();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [chosen, setChosen] = useState<number | null>(null);
  const [against, setAgainst] = useState(DRAFT);
  const [says, setSays] = useState<string | null>(null);
  const versions = useQuery({ queryKey: ["versions", id], queryFn: () => unwrap(api.GET("/api/pieces/{id}/versions", { params: { path: { id } } })), refetchOnMount: "always" });
  const list = versions.data ?? [];
  const looked = chosen ?? list[0]?.number ?? DRAFT;
  const draft: Side = { name: "the current draft", doc: state.doc, analysis: state.behind || state.analysed !== state.doc ? null : state.analysis };
  const one = useSide(id, looked, draft);
  const other = useSide(id, against, draft);
  const note = list.find((v) => v.number === looked);
  const refresh = () => queries.invalidateQueries({ queryKey: ["versions", id] });

  async function act(what: () => Promise<unknown>) {
    try {
      setSays(null);
      await what();
      await refresh();
    } catch (err) {
      setSays((err as Error).message);
    }
  }
  const restore = () =>
    act(async () => {
      if (!(await bench.flush())) throw new Error("The draft is not saved yet. Try again when it is.");
      bench.restored(await unwrap(api.POST("/api/pieces/{id}/versions/{number}/restore", { params: { path: { id, number: looked } } })));
      setSays(`Version ${looked} is restored. The draft before it is kept as a version.`);
    });
  const fork = () =>
    act(async () => {
      const made = await unwrap(api.POST("/api/pieces", { body: { ...one!.doc, name: `${one!.doc.name}, from version ${looked}`.slice(0, 120) } }));
      void navigate(`/pieces/${made.id}`);
    });
  const name = (label: string) => act(() => unwrap(api.PUT("/api/pieces/{id}/versions/{number}/label", { params: { path: { id, number: looked } }, body: { label } })));

  return (
    <div className="history">
      <nav className="times" aria-label="Time line">
        <ol>
          <li>
            <button type="button" className="plain" aria-pressed={looked === DRAFT} onClick={() => setChosen(DRAFT)}>
              <span className="what">The draft</span>
              <span className="quiet">current</span>
            </button>
          </li>
          {list.map((v) => (
            <li key={v.number}>
              <button type="button" className="plain" aria-pressed={looked === v.number} onClick={() => setChosen(v.number)}>
                <span className="what">{v.label || `Version ${v.number}`}</span>
                <span className="quiet">
                  {v.label && `version ${v.number}, `}
                  {REASONS[v.reason]}
                  <br />
                  {new Date(v.createdAt).toLocaleString([], { dateStyle: "medium", timeStyle: "short" })}
                  {v.keptUntil && (
                    <>
                      <br />
                      kept until {new Date(v.keptUntil).toLocaleDateString([], { dateStyle: "medium" })}, or for good with a name
                    </>
                  )}
                </span>
              </button>
            </li>
          ))}
        </ol>
        {versions.isSuccess && list.length === 0 && <p className="quiet">No versions yet. One is saved when you name, print or export the piece, and after ten minutes without changes.</p>}
      </nav>
      <section className="sides" aria-label="Comparison">
        <div className="acts">
          {note && (
            <>
              <Button variant="contained" onClick={() => void restore()}>
                Restore this version
              </Button>
              <Button variant="outlined" onClick={() => void fork()}>
                Copy to a new piece
              </Button>
              <NameField key={`${note.number} ${note.label}`} label={note.label} onName={(label) => void name(label)} />
            </>
          )}
          <span style={{ marginLeft: "auto" }}>
            compare with{" "}
            <Select size="small" value={against} onChange={(e) => setAgainst(Number(e.target.value))} inputProps={{ "aria-label": "Compare with" }}>
              <MenuItem value={DRAFT}>the current draft</MenuItem>
              {list.map((v) => (
                <MenuItem key={v.number} value={v.number}>
                  {v.label || `version ${v.number}`}
                </MenuItem>
              ))}
            </Select>
          </span>
        </div>
        {says && <p role="status">{says}</p>}
        {one && other && (
          <>
            <div className="pair">
              <OneScale>
                {[one, other].map((side, i) => (
                  <figure key={i} style={{ margin: 0 }}>
                    <WholePicture analysis={side.analysis ?? undefined} doc={side.doc} />
                    <figcaption className="quiet">{side.name}</figcaption>
                  </figure>
                ))}
              </OneScale>
            </div>
            <DifferenceTable differences={compare(one, other)} names={[one.name, other.name]} />
            {note && <Photos key={note.number} of="version" id={`${id}.${note.number}`} name={note.label || `version ${note.number}`} />}
          </>
        )}
      </section>
    </div>
  );
}

function NameField({ label, onName }: { label: string; onName: (label: string) => void }) {
  const [typed, setTyped] = useState(label);
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        onName(typed.trim());
      }}
      className="name-version"
    >
      <InputBase value={typed} onChange={(e) => setTyped(e.target.value)} placeholder="Name this version" inputProps={{ "aria-label": "Name of this version", maxLength: 120 }} />
      <Button type="submit" disabled={typed.trim() === label}>
        Save name
      </Button>
    </form>
  );
}
