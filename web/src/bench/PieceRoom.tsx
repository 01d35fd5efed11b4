import { Button } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { Outlet, useParams } from "react-router";
import { api, unwrap, type PieceState } from "../api/client.ts";
import type { BenchContext } from "../piece/context.ts";
import { Head } from "./Head.tsx";
import { Notices } from "./Notices.tsx";
import { useBench } from "../piece/useBench.ts";

/** PieceRoom opens one piece and keeps it open across its steps. */
export function PieceRoom() {
  const { id = "" } = useParams();
  const piece = useQuery({
    queryKey: ["piece", id],
    queryFn: () => unwrap(api.GET("/api/pieces/{id}", { params: { path: { id } } })),
    staleTime: Infinity, gcTime: 0, refetchOnWindowFocus: false, refetchOnReconnect: false,
  });
  if (piece.isPending) return <main className="pieces quiet">Loading …</main>;
  if (piece.isError) {
    return (
      <main className="pieces">
        <h1>This piece cannot be opened</h1>
        <p>{piece.error.message}</p>
        <Button variant="outlined" onClick={() => void piece.refetch()}>
          Try again
        </Button>
      </main>
    );
  }
  return <OpenPiece key={id} piece={piece.data} />;
}

function OpenPiece({ piece }: { piece: PieceState }) {
  const { bench, state } = useBench(piece);
  const context: BenchContext = { id: piece.id, bench, state };
  return (
    <main className="view">
      <div>
        <Head {...context} />
        <Notices {...context} />
      </div>
      <Outlet context={context} />
    </main>
  );
}
