import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, unwrap, type Document } from "../api/client.ts";
import { identity } from "../api/identity.ts";
import { opened } from "../api/opened.ts";
import { layCloth } from "../draw/cloth.ts";
import { drawWhole } from "../draw/drawWhole.ts";
import { laidFlat, usePicture } from "../pictures/usePicture.ts";
import { fetchFile } from "../sheets/papers.ts";
import { saveFile } from "../ui/saveFile.ts";

const SIDE = 2000;

/** ListingPictures saves pictures of a piece for a listing: as it hangs or laid flat, with the cloth or without, in dots or in lines. */
export function ListingPictures({ doc }: { doc: Document }) {
  const [open, setOpen] = useState(false);
  return (
    <details onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>Pictures of {doc.name}</summary>
      {open && <Choices doc={doc} />}
    </details>
  );
}

function Choices({ doc }: { doc: Document }) {
  const [view, setView] = useState<"whole" | "laid" | "row">("whole");
  const [cloth, setCloth] = useState(true);
  const [says, setSays] = useState<string | null>(null);
  const { data: analysis } = useQuery({
    queryKey: ["cell", identity(doc)],
    queryFn: async ({ signal }) => opened(await unwrap(api.POST("/api/analyse", { params: { query: { brief: true } }, body: doc, signal }))),
    retry: false,
    gcTime: 10_000,
  });
  const drawn = usePicture(analysis, analysis && doc);
  const shown = view === "laid" ? (laidFlat(drawn) ?? drawn) : drawn;
  function png() {
    const canvas = document.createElement("canvas");
    canvas.width = canvas.height = SIDE;
    const ctx = canvas.getContext("2d")!;
    if (cloth) layCloth(ctx, "light", SIDE, SIDE);
    drawWhole(ctx, { drawn: shown!, bare: !cloth, tone: "light", width: SIDE, height: SIDE, mostPx: 60 });
    canvas.toBlob((blob) => blob && saveFile(`${doc.name}.png`, blob, "image/png"), "image/png");
  }
  async function svg() {
    try {
      setSays(null);
      const address = view === "row" ? "/api/diagram" : `/api/picture.svg?view=${view}&cloth=${cloth}`;
      const data = await fetchFile(address, { method: "POST", headers: { "Content-Type": "application/json" }, body: JSON.stringify(doc) });
      saveFile(`${doc.name}.svg`, data, "image/svg+xml");
    } catch (err) {
      setSays((err as Error).message);
    }
  }
  return (
    <div className="listing">
      <select aria-label={`View of ${doc.name}`} value={view} onChange={(e) => setView(e.target.value as typeof view)}>
        <option value="whole">as it hangs or lies</option>
        <option value="laid">laid flat</option>
        <option value="row">first row, true size</option>
      </select>
      {view !== "row" && (
        <label className="tick">
          <input type="checkbox" checked={cloth} onChange={(e) => setCloth(e.target.checked)} /> on the cloth
        </label>
      )}
      {view !== "row" && (
        <button type="button" className="link" disabled={!shown} onClick={png}>
          Save as PNG
        </button>
      )}{" "}
      <button type="button" className="link" onClick={() => void svg()}>
        Save as SVG
      </button>
      {says && <p role="alert">{says}</p>}
    </div>
  );
}
