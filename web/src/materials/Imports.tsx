import { useMutation, useQuery } from "@tanstack/react-query";
import { api, unwrap } from "../api/client.ts";

const LISTED = 5;

/** Imports lists the latest imports, each to be undone. */
export function Imports({ onUndone }: { onUndone: () => Promise<unknown> }) {
  const found = useQuery({ queryKey: ["imports"], queryFn: () => unwrap(api.GET("/api/imports")), refetchOnMount: "always" });
  const undo = useMutation({ mutationFn: (id: number) => unwrap(api.POST("/api/imports/{id}/undo", { params: { path: { id } } })), onSuccess: onUndone });
  const says = found.error ?? undo.error;
  if (!says && !found.data?.length) return null;
  return (
    <section aria-label="Imports">
      <h2 style={{ fontSize: 17, margin: "18px 0 4px" }}>Imports</h2>
      {says && <p role="alert">{says.message}</p>}
      {undo.data && (
        <p role="status">
          ✓ {undo.data.undone} materials are as they were.{undo.data.since > 0 && ` ${undo.data.since} were changed since, and stay as they are.`}
        </p>
      )}
      <table className="list">
        <tbody>
          {found.data?.slice(0, LISTED).map((made) => (
            <tr key={made.id}>
              <th scope="row">{made.name || "A file"}</th>
              <td>{new Date(made.at).toLocaleString([], { dateStyle: "medium", timeStyle: "short" })}</td>
              <td>
                {made.added} new, {made.changed} changed
              </td>
              <td>
                {made.undoneAt ? (
                  "undone"
                ) : (
                  <button type="button" className="link" aria-label={`Undo the import of ${made.name || "a file"}`} disabled={undo.isPending} onClick={() => undo.mutate(made.id)}>
                    Undo
                  </button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
