import { IconButton, InputBase } from "@mui/material";
import { useEffect, useState } from "react";
import { Link, Outlet, useOutletContext, useParams } from "react-router";
import { RedoIcon, UndoIcon } from "../ui/icons.tsx";
import { usePageKeys } from "../piece/usePageKeys.ts";
import { OfKit } from "./PiecesProblems.tsx";
import { useKit, type KitBench } from "./useKit.ts";
import "./kits.css";

/** KitContext is what the views of a kit stand in. */
export interface KitContext {
  id: string;
  bench: KitBench;
}

export const useKitContext = () => useOutletContext<KitContext>();

/** KitRoom opens a kit and names it; its views lie below. */
export function KitRoom() {
  const { id } = useParams();
  return <OneKit key={id} id={id!} />;
}

function OneKit({ id }: { id: string }) {
  const { bench, error } = useKit(id);
  useEffect(() => {
    document.title = `${bench?.kit.name ?? "Kit"} · Mala`;
  }, [bench?.kit.name]);
  usePageKeys((action) => {
    if (action !== "undo" && action !== "redo") return false;
    bench?.[action]();
    return true;
  });
  if (!bench) {
    return (
      <main className="view">
        <div className="window">
          {error ? <p role="alert">{error.message}</p> : <p className="quiet">Opening …</p>}
          <Link to="/kits" className="link">
            All kits
          </Link>
        </div>
      </main>
    );
  }
  return (
    <main className="view">
      <header className="head">
        <div className="title">
          <h1 className="hidden">{bench.kit.name}</h1>
          <KitName name={bench.kit.name} onName={(name) => bench.change({ name })} />
          <div className="sub">
            {bench.kit.choice ? "a choice of" : bench.kit.pieces.length === 1 ? "kit of" : "set of"} {bench.kit.pieces.length === 1 ? "one piece" : `${bench.kit.pieces.length} pieces`} · <OfKit origins={bench.state.origins} /> · version {bench.state.revision} ·{" "}
            <span role="status">{bench.saving ? "saving …" : bench.says ? "not saved" : "saved"}</span>
          </div>
        </div>
        <a href={`/api/kits/${id}/file`} download className="link">
          Kit file
        </a>
        <div className="tools">
          <IconButton aria-label="Undo" title="Undo (Ctrl Z)" disabled={!bench.canUndo} onClick={bench.undo}>
            <UndoIcon />
          </IconButton>
          <IconButton aria-label="Redo" title="Redo (Ctrl Y)" disabled={!bench.canRedo} onClick={bench.redo}>
            <RedoIcon />
          </IconButton>
        </div>
      </header>
      <Outlet context={{ id, bench } satisfies KitContext} />
    </main>
  );
}

function KitName({ name, onName }: { name: string; onName: (name: string) => Promise<boolean> }) {
  const [typed, setTyped] = useState<string | null>(null);
  const settle = async () => {
    if (typed === null || typed.trim() === name || (typed.trim() && (await onName(typed.trim())))) setTyped(null);
  };
  return <InputBase value={typed ?? name} onChange={(e) => setTyped(e.target.value)} onBlur={() => void settle()} onKeyDown={(e) => e.key === "Enter" && (e.target as HTMLInputElement).blur()} inputProps={{ "aria-label": "Name of the kit", maxLength: 120 }} fullWidth />;
}
