import type { components } from "./schema.gen.ts";
import type { Analysis, Placed } from "./client.ts";

type Schemas = components["schemas"];

/** opened gives every strand of an answer its beads one by one, as the pictures need them. */
export function opened(answer: Schemas["Analysis"]): Analysis {
  return { ...answer, strands: answer.strands.map((strand) => ({ ...strand, placed: strand.placed ?? placedOf(strand.brief) })) };
}

function placedOf(brief: Schemas["BeadRow"] | undefined): Placed[] {
  return (brief?.kind ?? []).map((k, i) => {
    const { fromMm, toMm, ...kind } = brief!.kinds[k];
    const atMm = brief!.atMm[i];
    return { ...kind, node: brief!.node[i], atMm, fromMm: atMm + fromMm, toMm: atMm + toMm, alongMm: toMm - fromMm };
  });
}
