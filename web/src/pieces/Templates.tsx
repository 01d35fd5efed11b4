import { useQuery } from "@tanstack/react-query";
import { api, unwrap } from "../api/client.ts";
import { TEMPLATE_TAG, TEMPLATES, type Template } from "./templates.ts";

interface Props {
  chosen: Template | undefined;
  onChoose: (template: Template) => void;
  /** onOpen is called with the piece that was made from one of the shop's own. */
  onOpen: (id: string) => void;
  onFail: (says: string) => void;
}

/** Templates are what a piece can start from: eight that set the answers below, and the shop's own pieces that are marked so. */
export function Templates({ chosen, onChoose, onOpen, onFail }: Props) {
  const found = useQuery({ queryKey: ["pieces", "templates"], queryFn: ({ signal }) => unwrap(api.GET("/api/pieces", { params: { query: { search: TEMPLATE_TAG, limit: 60 } }, signal })) });
  const own = (found.data?.pieces ?? []).filter((piece) => piece.tags.includes(TEMPLATE_TAG));
  async function copy(id: string) {
    try {
      const { document } = await unwrap(api.GET("/api/pieces/{id}", { params: { path: { id } } }));
      const tags = document.tags?.filter((tag) => tag !== TEMPLATE_TAG);
      const made = await unwrap(api.POST("/api/pieces", { body: { ...document, name: `New ${document.name}`.slice(0, MOST_SIGNS), tags: tags?.length ? tags : undefined } }));
      onOpen(made.id);
    } catch (err) {
      onFail((err as Error).message);
    }
  }
  return (
    <fieldset>
      <legend>Start from</legend>
      <div className="size-chips" role="group" aria-label="Templates">
        {TEMPLATES.map((template) => (
          <button type="button" key={template.name} className="size-chip" aria-pressed={template === chosen} onClick={() => onChoose(template)}>
            {template.name}
          </button>
        ))}
      </div>
      {own.length > 0 ? (
        <div className="size-chips" role="group" aria-label="Templates of the shop">
          {own.map((piece) => (
            <button type="button" key={piece.id} className="size-chip" onClick={() => void copy(piece.id)}>
              {piece.name}
            </button>
          ))}
        </div>
      ) : (
        <p className="quiet">A piece with the tag “{TEMPLATE_TAG}” is listed here too.</p>
      )}
    </fieldset>
  );
}

const MOST_SIGNS = 120;
