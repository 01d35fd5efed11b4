import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { Link } from "react-router";
import { api, unwrap } from "../api/client.ts";

/** Deleted lists the pieces that were deleted, until when each is kept, and restores them. */
export function Deleted() {
  const queries = useQueryClient();
  const found = useQuery({ queryKey: ["deleted"], queryFn: () => unwrap(api.GET("/api/deleted")), refetchOnMount: "always" });
  const refresh = () => Promise.all([queries.invalidateQueries({ queryKey: ["deleted"] }), queries.invalidateQueries({ queryKey: ["pieces"] })]);
  const restore = useMutation({ mutationFn: (id: string) => unwrap(api.POST("/api/pieces/{id}/undelete", { params: { path: { id } } })), onSuccess: refresh });
  const keep = useMutation({ mutationFn: (keepDays: number) => unwrap(api.PUT("/api/deleted", { body: { keepDays } })), onSuccess: refresh });
  const says = found.error ?? restore.error ?? keep.error;
  useEffect(() => {
    document.title = "Deleted pieces · Mala";
  }, []);

  return (
    <main className="view">
      <header className="head">
        <div className="title">
          <h1 style={{ fontSize: "1.55rem" }}>Deleted pieces</h1>
        </div>
        <Link to="/pieces" className="link">
          Back to Pieces
        </Link>
      </header>
      <div className="pieces">
        {says && <p role="alert">{says.message}</p>}
        {found.data && (
          <p>
            Kept for <KeepDays key={found.data.keepDays} days={found.data.keepDays} onKeep={(days) => keep.mutate(days)} /> days after they were deleted, and then removed for good with their versions.
          </p>
        )}
        {found.data?.pieces.length === 0 && <p className="quiet">Nothing is deleted.</p>}
        {!!found.data?.pieces.length && (
          <table className="list">
            <thead>
              <tr>
                <th scope="col">Piece</th>
                <th scope="col">Deleted</th>
                <th scope="col">Kept until</th>
                <th scope="col">
                  <span className="hidden">Restore</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {found.data.pieces.map((piece) => (
                <tr key={piece.id}>
                  <th scope="row">
                    {piece.name} <span className="quiet">{piece.kind}</span>
                  </th>
                  <td>{day(piece.deletedAt)}</td>
                  <td>{day(piece.keptUntil)}</td>
                  <td>
                    <button type="button" className="link" aria-label={`Restore ${piece.name}`} onClick={() => restore.mutate(piece.id)}>
                      Restore
                    </button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </div>
    </main>
  );
}

const day = (at: string) => new Date(at).toLocaleDateString([], { dateStyle: "medium" });

/** KeepDays is a whole number, taken when the field is left or Enter is pressed. */
function KeepDays({ days, onKeep }: { days: number; onKeep: (days: number) => void }) {
  const settle = (field: HTMLInputElement) => {
    if (Number(field.value) !== days) onKeep(Math.round(Number(field.value)));
  };
  return (
    <input
      type="number"
      className="keep-days"
      aria-label="Days that deleted pieces are kept"
      min={1}
      max={3650}
      defaultValue={days}
      onBlur={(e) => settle(e.target)}
      onKeyDown={(e) => e.key === "Enter" && settle(e.currentTarget)}
    />
  );
}
