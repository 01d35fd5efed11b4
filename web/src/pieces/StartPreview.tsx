import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { api, unwrap, type Thumbnail } from "../api/client.ts";
import type { Drawn } from "../api/drawn.ts";
import { opened } from "../api/opened.ts";
import { DrawnPicture } from "../pictures/WholePicture.tsx";
import { Length, useUnit } from "../ui/UnitContext.tsx";
import { lengthIn, type Answers } from "./start.ts";

/** REST is how long hands rest before the piece is made again, in ms. */
const REST = 250;

interface Props {
  answers: Answers;
  /** The length as it is typed. */
  asText: string;
  kind: string;
}

/** StartPreview shows the piece that the answers make, while they are given. */
export function StartPreview({ answers, asText, kind }: Props) {
  const { unit } = useUnit();
  const now = JSON.stringify({ answers, asText, unit });
  const asked = useRested(now);
  const made = useQuery({
    queryKey: ["start", asked],
    queryFn: async ({ signal }): Promise<Drawn> => {
      const said = JSON.parse(asked) as { answers: Answers; asText: string; unit: typeof unit };
      const body = { ...said.answers, name: "New piece", targetMm: await lengthIn(said.asText, said.unit) };
      const { document, analysis, picture } = (await unwrap(api.POST("/api/pieces/preview", { body, signal }))) as unknown as Thumbnail;
      return { doc: document, analysis: opened(analysis), picture };
    },
    placeholderData: keepPreviousData, staleTime: Infinity, gcTime: 60_000, retry: false,
  });
  const { data: drawn } = made;
  return (
    <figure className="start-preview" aria-busy={made.isFetching || asked !== now}>
      <DrawnPicture drawn={drawn} says={drawn ? `The new ${kind}` : undefined} />
      <figcaption className="quiet">
        {made.error ? "No picture yet: see what is marked." : drawn && (
          <>
            <Length mm={drawn.analysis.finishedMm} />, {drawn.analysis.beads} beads. Everything can be changed later.
          </>
        )}
      </figcaption>
    </figure>
  );
}

/** useRested gives what is asked for once it has not changed for a moment. */
function useRested(now: string): string {
  const [rested, setRested] = useState(now);
  useEffect(() => {
    const timer = setTimeout(() => setRested(now), REST);
    return () => clearTimeout(timer);
  }, [now]);
  return rested;
}
