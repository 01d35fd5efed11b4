import { PX_PER_MM } from "../draw/strandGeometry.ts";

const KEPT_AS = "mala.truePx";

/** keptTruePx is what a millimetre takes on this screen, once a ruler was held to it; null before. */
export function keptTruePx(): number | null {
  const kept = Number(localStorage.getItem(KEPT_AS));
  return kept > PX_PER_MM / 4 && kept < PX_PER_MM * 4 ? kept : null;
}

export function keepTruePx(px: number) {
  localStorage.setItem(KEPT_AS, String(px));
}
