import { useQuery } from "@tanstack/react-query";
import { api, unwrap, type Document } from "../api/client.ts";
import { identity } from "../api/identity.ts";
import { opened } from "../api/opened.ts";
import { usePicture } from "./usePicture.ts";
import { DrawnPicture } from "./WholePicture.tsx";
import { useInTurn } from "./useInTurn.ts";

/** PiecePictures shows finished pieces side by side. */
export function PiecePictures({ documents }: { documents: Document[] }) {
  return (
    <div className={`pictures of-${Math.min(3, documents.length)}`} aria-hidden>
      {documents.length === 0 && <div className="picture bare" />}
      {documents.slice(0, 3).map((doc, i) => (
        <PiecePicture key={i} doc={doc} />
      ))}
    </div>
  );
}

/** PiecePicture shows one finished piece, drawn when its turn comes. */
export function PiecePicture({ doc }: { doc: Document }) {
  const { data: analysis } = useQuery({
    queryKey: ["cell", identity(doc)],
    queryFn: async ({ signal }) => opened(await unwrap(api.POST("/api/analyse", { params: { query: { brief: true } }, body: doc, signal }))),
    retry: false,
    gcTime: 10_000,
  });
  return <DrawnPicture drawn={useInTurn(usePicture(analysis, analysis && doc))} />;
}
