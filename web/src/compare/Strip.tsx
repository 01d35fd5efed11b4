import { useQuery } from "@tanstack/react-query";
import type { Document } from "../api/client.ts";
import { identity } from "../api/identity.ts";
import { fetchFile } from "../sheets/papers.ts";

/** Strip is the first row of a piece stretched out, all of it. */
export function Strip({ doc }: { doc: Document }) {
  const { data } = useQuery({
    queryKey: ["strip", identity(doc)],
    queryFn: async ({ signal }) => {
      const svg = await fetchFile("/api/diagram", { method: "POST", headers: { "Content-Type": "application/json" }, body: JSON.stringify(doc), signal });
      return `data:image/svg+xml,${encodeURIComponent(new TextDecoder().decode(svg))}`;
    },
    retry: false,
    gcTime: 10_000,
  });
  return data ? <img src={data} alt="" className="strip" /> : null;
}

/** Strips lays the real sequence of every colourway below one another, to compare their colours bead by bead. */
export function Strips({ colourways, documents }: { colourways: string[]; documents: Document[] }) {
  if (colourways.length < 2) return null;
  return (
    <details className="strips">
      <summary>As strips, below one another</summary>
      <ul>
        {colourways.map((name, c) => (
          <li key={c}>
            <span>{name || "Original colours"}</span>
            <Strip doc={documents[c]} />
          </li>
        ))}
      </ul>
    </details>
  );
}
