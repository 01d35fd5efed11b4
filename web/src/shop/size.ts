import type { Document, Material, Outline } from "../api/client.ts";

/** sizeOf writes a material's size in the trade's way, always in millimetres; of a component what its outline measures. */
export function sizeOf(m: Material, outline?: Outline): string {
  if (m.component) return componentSize(m, outline);
  if (m.class === "cord") return `${m.diameterMm} mm`;
  if (m.class === "finding") {
    if (m.type === "toggle") return `ring ${m.ringInsideMm} mm, bar ${m.barMm} mm`;
    if (m.type === "head-pin" || m.type === "eye-pin") return `${m.wireMm} × ${m.lengthMm} mm`;
    if (m.insideMm && m.wireMm) return `${m.insideMm} mm inside`;
    if (m.outsideMm && m.lengthMm) return `${m.outsideMm} × ${m.lengthMm} mm`;
    return `${m.lengthMm ?? m.closedMm} mm`;
  }
  if (m.shape === "round") return `${m.acrossMm} mm`;
  if (m.shape === "charm") return `hangs ${m.dropMm} mm`;
  if (m.shape === "cap") return `${m.acrossMm} mm, ${m.depthMm} deep`;
  return `${m.acrossMm} × ${m.alongMm} mm`;
}

function componentSize(m: Material, outline: Outline | undefined): string {
  if (m.component!.kind === "beaded") return `${m.acrossMm} × ${m.alongMm} mm`;
  if (m.component!.kind === "turn") return `${m.component!.turn?.length ?? 0} in turn`;
  if (!outline?.dropMm) return "component";
  return m.component!.kind === "coil" ? `${tenth(2 * outline.left[0][1])} mm of coil` : `hangs ${tenth(outline.dropMm)} mm`;
}

const tenth = (mm: number) => Math.round(mm * 10) / 10;

/** sizedBy says how a bead was measured. */
export function sizedBy(m: Material): string {
  if (m.component) return "worked out of its parts";
  if (m.run) return `measured: ${m.run.count} make ${m.run.measuredMm} mm`;
  return m.sized === "calipered" ? "calipered" : "nominal";
}

/** sizedWord is how a bead was measured, in one word; nothing for a nominal size. */
export function sizedWord(m: Material): string {
  return m.run ? "measured" : m.sized === "calipered" ? "calipered" : "";
}

/** nameAmong is a material's name, with its size where the piece has another bead of that name. */
export function nameAmong(doc: Document, id: string | undefined): string {
  const m = doc.materials.find((one) => one.id === id);
  if (!m) return id ?? "";
  const alike = m.class === "bead" && Object.values(doc.palette).some((other) => other !== id && doc.materials.some((one) => one.id === other && one.name === m.name));
  return alike ? `${m.name} ${sizeOf(m)}` : m.name;
}
