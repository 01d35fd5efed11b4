import type { Material, Outline, Placed } from "../api/client.ts";
import { isLoop } from "../api/piece.ts";
import { GOLDEN } from "./paint/component.ts";

/** spinsOf says how far round the cord each coil turns its beads: every one by the same angle more. */
export function spinsOf(placed: Placed[], outlines: Record<string, Outline>): (number | undefined)[] {
  let coils = 0;
  return placed.map((b) => (isCoil(outlines[b.material]) ? (coils++ * GOLDEN) % (2 * Math.PI) : undefined));
}

const isCoil = (outline: Outline | undefined) => outline?.seats?.some((s) => s.role === "coil") ?? false;

/** carries says whether it is a bead that carries something: the bead lies along the cord. */
const carries = (m: Material) => m.component?.kind === "carrier" || isLoop(m.id);

/** carriedApart takes a bead that carries something apart: the bead lies along the cord, the rest hangs. */
export function carriedApart(m: Material, outline: Outline): { bead: Outline; hung: Outline } | undefined {
  if (!carries(m) || !outline.seats) return undefined;
  const known = taken.get(outline);
  if (known) return known;
  const [bead, ...hung] = outline.seats;
  const apart = { bead: { ...outline, seats: [bead] }, hung: { ...outline, seats: hung } };
  taken.set(outline, apart);
  return apart;
}

const taken = new WeakMap<Outline, { bead: Outline; hung: Outline }>();

/** hangs says whether a material hangs on the cord. */
export const hangs = (m: Material, outline: Outline | undefined) => m.shape === "charm" || (outline?.seats !== undefined && !isCoil(outline) && !carries(m) && (outline.dropMm ?? 0) > 0);
