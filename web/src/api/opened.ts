import type { components } from "./schema.gen.ts";
import type { Analysis, Outline, Placed, Run } from "./client.ts";

type Schemas = components["schemas"];

/** opened gives every strand of an answer its beads one by one, and its runs, and every outline both its faces, as the pictures need them. */
export function opened(answer: Schemas["Analysis"]): Analysis {
  return {
    ...answer,
    drawing: answer.drawing && { ...answer.drawing, outlines: twoFaced(answer.drawing.outlines) },
    strands: answer.strands.map((strand) => {
      const placed = strand.placed ?? placedOf(strand.brief);
      return { ...strand, placed, runs: strand.runs ?? runsOf(strand.brief, placed) };
    }),
  };
}

function twoFaced(outlines: Record<string, Outline>): Record<string, Outline> {
  return Object.fromEntries(
    Object.entries(outlines).map(([id, { brief, ...outline }]) => {
      if (!brief) return [id, outline];
      const left = pointsOf(brief.left);
      return [id, { ...outline, left, right: brief.right ? pointsOf(brief.right) : left }];
    }),
  );
}

/** pointsOf reads a face written in ten-thousandths of a millimetre. */
function pointsOf(face: number[]): number[][] {
  return Array.from({ length: face.length / 2 }, (_, i) => [face[2 * i] / 1e4, face[2 * i + 1] / 1e4]);
}

function placedOf(brief: Schemas["BeadRow"] | undefined): Placed[] {
  if (!brief) return [];
  const placed: Placed[] = [];
  let atMm = 0;
  brief.count.forEach((count, i) => {
    const { stepMm, fromMm, toMm, ...kind } = brief.kinds[brief.kind[i]];
    for (let n = 0; n < count; n++) {
      atMm += stepMm;
      placed.push({ ...kind, node: brief.node[i], atMm, fromMm: atMm + fromMm, toMm: atMm + toMm, alongMm: toMm - fromMm });
    }
  });
  return placed;
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
