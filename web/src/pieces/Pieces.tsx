import { Button, InputBase, Snackbar } from "@mui/material";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useCallback, useDeferredValue, useEffect, useRef, useState } from "react";
import { Link, useNavigate } from "react-router";
import { FileButton } from "../ui/FileButton.tsx";
import { api, unwrap, ApiError, type Document } from "../api/client.ts";
import { usePageKeys } from "../piece/usePageKeys.ts";
import { CardGrid } from "./CardGrid.tsx";
import { NewPieceDialog } from "./NewPieceDialog.tsx";
import { usePieceList } from "./usePieceList.ts";

/** Pieces is everything the shop has planned, latest change first. */
export function Pieces() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [typed, setTyped] = useState("");
  const search = useDeferredValue(typed);
  const [starting, setStarting] = useState(false);
  const [deleted, setDeleted] = useState<{ id: string; name: string } | null>(null);
  const [says, setSays] = useState<string | null>(null);
  const [looked, setLooked] = useState({ from: 0, to: 0 });
  const look = useCallback((from: number, to: number) => setLooked((was) => (was.from === from && was.to === to ? was : { from, to })), []);
  const scroller = useRef<HTMLDivElement>(null);
  const pieces = usePieceList(search, looked.from, looked.to);
  const refresh = () => queries.invalidateQueries({ queryKey: ["pieces"] });
  const fail = (err: Error) => setSays(err.message);

  const duplicate = useMutation({ mutationFn: (id: string) => unwrap(api.POST("/api/pieces/{id}/duplicate", { params: { path: { id } } })), onSuccess: refresh, onError: fail });
  const remove = useMutation({
    mutationFn: (piece: { id: string; name: string }) => unwrap(api.DELETE("/api/pieces/{id}", { params: { path: { id: piece.id } } })),
    onSuccess: (_, piece) => {
      setDeleted(piece);
      return refresh();
    },
    onError: fail,
  });
  const undelete = useMutation({
    mutationFn: (id: string) => unwrap(api.POST("/api/pieces/{id}/undelete", { params: { path: { id } } })),
    onSuccess: () => {
      setDeleted(null);
      return refresh();
    },
    onError: fail,
  });

  useEffect(() => {
    document.title = "Pieces · Mala";
  }, []);
  usePageKeys((action) => {
    if (action === "newPiece") setStarting(true);
    return action === "newPiece";
  });

  async function importFile(chosen: File | undefined) {
    if (!chosen) return;
    try {
      if (chosen.size > 4 * 1024 * 1024) throw new Error("A piece file holds at most 4 MB.");
      const made = await unwrap(api.POST("/api/pieces", { body: (await chosen.text()) as unknown as Document, bodySerializer: (text: unknown) => text as string, headers: { "Content-Type": "application/json" } }));
      await refresh();
      void navigate(`/pieces/${made.id}`);
    } catch (err) {
      const fault = err instanceof ApiError ? err.problem.faults?.[0] : undefined;
      setSays(`${chosen.name} was not imported. ${fault?.where ? `${fault.where}: ` : ""}${fault?.says ?? (err as Error).message}`);
    }
  }

  return (
    <main className="view">
      <header className="head">
        <div className="title">
          <h1 style={{ fontSize: "1.55rem" }}>Pieces</h1>
          <div className="sub" role="status">{!pieces.pending && `${pieces.total} ${pieces.total === 1 ? "piece" : "pieces"}`}</div>
        </div>
        <InputBase
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          placeholder="Search names, tags, notes"
          type="search"
          inputProps={{ "aria-label": "Search pieces", maxLength: 200 }}
          sx={{ border: "1px solid", borderColor: "divider", borderRadius: 2, px: 1.5, width: 260, bgcolor: "background.paper" }}
        />
        <FileButton label="Import piece file" testId="file" onFile={(chosen) => void importFile(chosen)} />
        <Button variant="contained" onClick={() => setStarting(true)} title="n">
          New piece
        </Button>
      </header>
      <div className="pieces" ref={scroller}>
        {pieces.error && <p role="alert">{pieces.error.message}</p>}
        {!pieces.pending && !pieces.error && pieces.total === 0 && <Empty search={search} onStart={() => setStarting(true)} />}
        <CardGrid key={search} total={pieces.total} at={pieces.at} scroller={scroller} onLooked={look} onDuplicate={(piece) => duplicate.mutate(piece.id)} onDelete={({ id, name }) => remove.mutate({ id, name })} />
        <p>
          <Link to="/deleted" className="link">
            Deleted
          </Link>
          {" · "}
          <a href="/api/backup.zip" download className="link">
            Export everything
          </a>
        </p>
      </div>
      {starting && <NewPieceDialog open onClose={() => setStarting(false)} />}
      <Snackbar
        open={deleted !== null}
        autoHideDuration={12_000}
        onClose={(_, why) => why !== "clickaway" && setDeleted(null)}
        message={`${deleted?.name ?? ""} is deleted.`}
        action={
          <Button color="secondary" size="small" onClick={() => undelete.mutate(deleted!.id)} sx={{ color: "#ffcf7d" }}>
            Undo
          </Button>
        }
      />
      <Snackbar open={says !== null} onClose={(_, why) => why !== "clickaway" && setSays(null)} message={says} action={<Button size="small" sx={{ color: "#ffcf7d" }} onClick={() => setSays(null)}>Close</Button>} />
    </main>
  );
}

function Empty({ search, onStart }: { search: string; onStart: () => void }) {
  if (search) return <p className="quiet">No piece matches “{search}”.</p>;
  return (
    <div style={{ maxWidth: 460 }}>
      <h2>No pieces yet</h2>
      <p className="quiet">Answer three questions: what it is, how it closes, and how long it should be. You get a strand of the right length to change.</p>
      <Button variant="contained" onClick={onStart}>
        New piece
      </Button>
    </div>
  );
}
