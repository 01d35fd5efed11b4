import type { Material, Outline, Placed } from "../api/client.ts";
import { GOLDEN } from "./paint/component.ts";

/** spinsOf says how far round the cord each coil turns its beads: every one by the same angle more. */
export function spinsOf(placed: Placed[], outlines: Record<string, Outline>): (number | undefined)[] {
  let coils = 0;
  return placed.map((b) => (isCoil(outlines[b.material]) ? (coils++ * GOLDEN) % (2 * Math.PI) : undefined));
}

const isCoil = (outline: Outline | undefined) => outline?.seats?.some((s) => s.role === "coil") ?? false;

/** carries says whether it is a bead that carries something: the bead lies along the cord. */
export const carries = (m: Material) => m.component?.kind === "carrier";

/** hangs says whether a material hangs on the cord. */
export const hangs = (m: Material, outline: Outline | undefined) => m.shape === "charm" || (outline?.seats !== undefined && !isCoil(outline) && !carries(m) && (outline.dropMm ?? 0) > 0);
