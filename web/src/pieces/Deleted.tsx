import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { Link } from "react-router";
import { api, unwrap, type Deleted as DeletedThings } from "../api/client.ts";
import { Cover } from "../photos/Cover.tsx";

type Thing = DeletedThings["pieces"][number];
type Keeping = Pick<DeletedThings, "keepDays" | "asideDays">;

/** Deleted lists the pieces, kits and materials that were deleted, until when each is kept, and restores them. */
export function Deleted() {
  const queries = useQueryClient();
  const found = useQuery({ queryKey: ["deleted"], queryFn: () => unwrap(api.GET("/api/deleted")), refetchOnMount: "always" });
  const refresh = () => Promise.all(["deleted", "pieces", "kits", "materials", "photos", "covers"].map((key) => queries.invalidateQueries({ queryKey: [key] })));
  const restore = useMutation({ mutationFn: (id: string) => unwrap(api.POST("/api/pieces/{id}/undelete", { params: { path: { id } } })), onSuccess: refresh });
  const restoreKit = useMutation({ mutationFn: (id: string) => unwrap(api.POST("/api/kits/{id}/undelete", { params: { path: { id } } })), onSuccess: refresh });
  const restoreMaterial = useMutation({ mutationFn: (id: string) => unwrap(api.POST("/api/materials/{id}/undelete", { params: { path: { id } } })), onSuccess: refresh });
  const restorePhoto = useMutation({ mutationFn: (id: string) => unwrap(api.POST("/api/photo/{id}/undelete", { params: { path: { id } } })), onSuccess: refresh });
  const keep = useMutation({ mutationFn: (body: Keeping) => unwrap(api.PUT("/api/deleted", { body })), onSuccess: refresh });
  const says = found.error ?? restore.error ?? restoreKit.error ?? restoreMaterial.error ?? restorePhoto.error ?? keep.error;
  useEffect(() => {
    document.title = "Deleted · Mala";
  }, []);

  return (
    <main className="view">
      <header className="head">
        <div className="title">
          <h1 style={{ fontSize: "1.55rem" }}>Deleted</h1>
        </div>
        <Link to="/pieces" className="link">
          Back to Pieces
        </Link>
      </header>
      <div className="pieces">
        {says && <p role="alert">{says.message}</p>}
        {found.data && <Rules {...found.data} onKeep={(body) => keep.mutate(body)} />}
        {found.data && found.data.pieces.length + found.data.kits.length + found.data.materials.length + found.data.photos.length === 0 && <p className="quiet">Nothing is deleted.</p>}
        <Things title="Pieces" things={found.data?.pieces} onRestore={restore.mutate} />
        <Things title="Kits" things={found.data?.kits} onRestore={restoreKit.mutate} />
        <Things title="Materials" things={found.data?.materials} onRestore={restoreMaterial.mutate} />
        <Things title="Photographs" things={found.data?.photos} onRestore={restorePhoto.mutate} picture />
      </div>
    </main>
  );
}

function Rules({ keepDays, asideDays, onKeep }: Keeping & { onKeep: (keeping: Keeping) => void }) {
  return (
    <>
      <p>
        What was deleted is kept for <KeepDays key={keepDays} label="Days that what was deleted is kept" days={keepDays} onKeep={(days) => onKeep({ keepDays: days, asideDays })} /> days, pieces
        and kits with their versions, and then removed for good; so is what an import overwrote.
      </p>
      <p>
        When two people save one piece or kit, the later state is set aside as a version. It is kept for{" "}
        <KeepDays key={asideDays} label="Days that versions set aside are kept" days={asideDays} onKeep={(days) => onKeep({ keepDays, asideDays: days })} /> days, or for good if it has a name.
      </p>
    </>
  );
}

function Things({ title, things, onRestore, picture }: { title: string; things: Thing[] | undefined; onRestore: (id: string) => void; picture?: boolean }) {
  if (!things?.length) return null;
  return (
    <section aria-label={title} className="deleted">
      <h2>{title}</h2>
      <table className="list">
        <thead>
          <tr>
            <th scope="col">Name</th>
            <th scope="col">Deleted</th>
            <th scope="col">Kept until</th>
            <th scope="col">
              <span className="hidden">Restore</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {things.map((thing) => (
            <tr key={thing.id}>
              <th scope="row">
                {picture && <Cover photo={thing.id} name={thing.name} />} {thing.name} <span className="quiet">{thing.kind}</span>
              </th>
              <td>{day(thing.deletedAt)}</td>
              <td>{day(thing.keptUntil)}</td>
              <td>
                <button type="button" className="link" aria-label={picture ? `Restore the photograph of ${thing.name}` : `Restore ${thing.name}`} onClick={() => onRestore(thing.id)}>
                  Restore
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

const day = (at: string) => new Date(at).toLocaleDateString([], { dateStyle: "medium" });

/** KeepDays is a whole number, taken when the field is left or Enter is pressed. */
function KeepDays({ label, days, onKeep }: { label: string; days: number; onKeep: (days: number) => void }) {
  const settle = (field: HTMLInputElement) => {
    if (Number(field.value) !== days) onKeep(Math.round(Number(field.value)));
  };
  return (
    <input type="number" className="keep-days" aria-label={label} min={1} max={3650} defaultValue={days} onBlur={(e) => settle(e.target)} onKeyDown={(e) => e.key === "Enter" && settle(e.currentTarget)} />
  );
}
