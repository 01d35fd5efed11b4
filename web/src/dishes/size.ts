import type { Material } from "../api/client.ts";

/** sizeOf writes a material's size in the trade's way, always in millimetres. */
export function sizeOf(m: Material): string {
  if (m.class === "cord") return `${m.diameterMm} mm`;
  if (m.class === "finding") {
    if (m.type === "toggle") return `ring ${m.ringInsideMm} mm, bar ${m.barMm} mm`;
    if (m.insideMm && m.wireMm) return `${m.insideMm} mm inside`;
    if (m.outsideMm && m.lengthMm) return `${m.outsideMm} × ${m.lengthMm} mm`;
    return `${m.lengthMm ?? m.closedMm} mm`;
  }
  if (m.shape === "round") return `${m.acrossMm} mm`;
  if (m.shape === "charm") return `hangs ${m.dropMm} mm`;
  if (m.shape === "cap") return `${m.acrossMm} mm, ${m.depthMm} deep`;
  return `${m.acrossMm} × ${m.alongMm} mm`;
}

/** sizedBy says how a bead was measured. */
export function sizedBy(m: Material): string {
  if (m.run) return `measured: ${m.run.count} make ${m.run.measuredMm} mm`;
  return m.sized === "calipered" ? "calipered" : "nominal";
}

/** sizedWord is how a bead was measured, in one word; nothing for a nominal size. */
export function sizedWord(m: Material): string {
  return m.run ? "measured" : m.sized === "calipered" ? "calipered" : "";
}
