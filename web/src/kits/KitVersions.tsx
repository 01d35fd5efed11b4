import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useParams } from "react-router";
import { api, unwrap } from "../api/client.ts";
import type { KitBench } from "./useKit.ts";

/** KitVersions lists what the kit was, and makes an older state the kit again. */
export function KitVersions({ bench }: { bench: KitBench }) {
  const [open, setOpen] = useState(false);
  return (
    <details className="packing" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>Versions</summary>
      {open && <List bench={bench} />}
    </details>
  );
}

function List({ bench }: { bench: KitBench }) {
  const id = useParams().id!;
  const [says, setSays] = useState<string | null>(null);
  const { revision } = bench.state;
  const found = useQuery({ queryKey: ["kit-versions", id, revision, bench.says], queryFn: () => unwrap(api.GET("/api/kits/{id}/versions", { params: { path: { id } } })) });
  async function restore(number: number) {
    try {
      setSays(null);
      await bench.change(await unwrap(api.GET("/api/kits/{id}/versions/{number}", { params: { path: { id, number } } })));
    } catch (err) {
      setSays((err as Error).message);
    }
  }
  return (
    <>
      {(says ?? found.error) && <p role="alert">{says ?? found.error?.message}</p>}
      <table className="list">
        <tbody>
          {found.data?.map((v) => (
            <tr key={v.number}>
              <th scope="row">
                {v.number} <span className="quiet">{new Date(v.createdAt).toLocaleString([], { dateStyle: "medium", timeStyle: "short" })}{v.aside && ", set aside"}</span>
              </th>
              <td>
                {v.number === revision ? (
                  <span className="quiet">now</span>
                ) : (
                  <button type="button" className="link" onClick={() => void restore(v.number)} aria-label={`Restore version ${v.number}`}>
                    Restore
                  </button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
