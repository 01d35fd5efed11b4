import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, unwrap, type Check, type PieceCard, type Thumbnail } from "../api/client.ts";
import { problems, SEVERITY } from "../problems/severity.ts";
import { opened } from "../api/opened.ts";
import type { Drawn } from "../api/drawn.ts";
import { DrawnPicture } from "../pictures/WholePicture.tsx";
import { Cover } from "../photos/Cover.tsx";
import { Length } from "../ui/UnitContext.tsx";
import { useInTurn } from "../pictures/useInTurn.ts";

interface Props {
  piece: PieceCard;
  /** Its photograph, if it has one. */
  cover: string | undefined;
  onDuplicate: () => void;
  onDelete: () => void;
}

/** PieceCardView shows a piece by its picture, drawn from its data. */
export function PieceCardView({ piece, cover, onDuplicate, onDelete }: Props) {
  return (
    <>
      <Picture piece={piece} />
      <Cover photo={cover} name={piece.name} />
      <div className="words">
        <Link to={`/pieces/${piece.id}`}>
          <h2>{piece.name}</h2>
        </Link>
        <div className="facts">
          {piece.kind}
          {piece.finishedMm !== undefined && (
            <>
              {" · "}
              <Length mm={piece.finishedMm} />
            </>
          )}
          {` · ${piece.beads} beads`}
        </div>
        {piece.tags.length > 0 && <div className="facts">{piece.tags.map((tag) => `#${tag}`).join("  ")}</div>}
        <div className="facts">
          changed {whenChanged(new Date(piece.updatedAt))}
          {piece.problems > 0 && (
            <span className={piece.worst === "advise" ? "flag better" : "flag"}>
              {" · "}
              {SEVERITY[piece.worst as Check["severity"]]?.sign ?? "✕"} {piece.worst === "line" ? "the bead line has an error" : problems(piece.problems)}
            </span>
          )}
        </div>
        <div className="acts">
          <button type="button" onClick={onDuplicate} aria-label={`Duplicate ${piece.name}`}>
            Duplicate
          </button>
          <button type="button" onClick={onDelete} aria-label={`Delete ${piece.name}`}>
            Delete
          </button>
        </div>
      </div>
    </>
  );
}

function Picture({ piece }: { piece: PieceCard }) {
  // The picture belongs to the piece as it was when it last changed.
  const drawn = useQuery({
    queryKey: ["thumbnail", piece.id, piece.revision],
    queryFn: ({ signal }) => fetchThumbnail(piece, signal),
    staleTime: Infinity, enabled: piece.worst !== "line", retry: false,
  });
  return <DrawnPicture drawn={useInTurn(drawn.data)} />;
}

async function fetchThumbnail({ id, revision }: PieceCard, signal: AbortSignal): Promise<Drawn> {
  const { document, analysis, picture } = (await unwrap(api.GET("/api/pieces/{id}/thumbnail", { params: { path: { id }, query: { of: revision } }, signal }))) as unknown as Thumbnail;
  return { doc: document, analysis: opened(analysis), picture };
}

function whenChanged(at: Date): string {
  const minutes = (Date.now() - at.getTime()) / 60_000;
  if (minutes < 1) return "just now";
  if (minutes < 60) return `${Math.floor(minutes)} min ago`;
  const today = new Date();
  if (at.toDateString() === today.toDateString()) return `today, ${at.toLocaleTimeString([], { hour: "2-digit", minute: "2-digit" })}`;
  return at.toLocaleDateString([], { day: "numeric", month: "short", year: "numeric" });
}
