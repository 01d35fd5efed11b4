import type { components } from "./schema.gen.ts";
import type { Analysis, Placed, Run } from "./client.ts";

type Schemas = components["schemas"];

/** opened gives every strand of an answer its beads one by one, and its runs, as the pictures need them. */
export function opened(answer: Schemas["Analysis"]): Analysis {
  return {
    ...answer,
    strands: answer.strands.map((strand) => {
      const placed = strand.placed ?? placedOf(strand.brief);
      return { ...strand, placed, runs: strand.runs ?? runsOf(strand.brief, placed) };
    }),
  };
}

function placedOf(brief: Schemas["BeadRow"] | undefined): Placed[] {
  return (brief?.kind ?? []).map((k, i) => {
    const { fromMm, toMm, ...kind } = brief!.kinds[k];
    const atMm = brief!.atMm[i];
    return { ...kind, node: brief!.node[i], atMm, fromMm: atMm + fromMm, toMm: atMm + toMm, alongMm: toMm - fromMm };
  });
}

function runsOf(brief: Schemas["BeadRow"] | undefined, placed: Placed[]): Run[] {
  let first = 0;
  return (brief?.runs ?? []).map((count) => {
    const { key, material, turned } = placed[first];
    const run = { key, material, turned, first, count };
    first += count;
    return run;
  });
}
