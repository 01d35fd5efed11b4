import type { Document, Material, NewPiece } from "../api/client.ts";
import { rowOf, withMaterial, withoutUnused, withRow } from "../bench/document.ts";

/**
 * withClosure changes how a piece closes, with what that needs from the
 * catalogue: crimps, rings and a lobster for a clasp; nothing on a ring, which
 * stretches on elastic if it is knotted.
 */
export function withClosure(doc: Document, type: NewPiece["closure"], catalogue: Material[]): Document {
  const find = (ok: (m: Material) => boolean) => catalogue.find(ok) ?? doc.materials.find(ok);
  const cord = doc.materials.find((m) => m.id === rowOf(doc).cord);
  const wanted = type === "clasp" ? "wire" : "elastic";
  let out: Document = { ...doc, closure: { type } };
  const swap = cord?.type === wanted ? undefined : find((m) => m.type === wanted);
  if (swap) out = withRow(withMaterial(out, swap), { cord: swap.id });
  if (type !== "clasp") return withoutUnused(withRow(out, { left: undefined, right: undefined, slackMm: undefined }));
  const [crimp, clasp, ring] = ["crimp-tube", "lobster", "jump-ring"].map((t) => find((m) => m.type === t));
  for (const m of [crimp, clasp, ring]) if (m) out = withMaterial(out, m);
  const ids = (...list: (Material | undefined)[]) => list.flatMap((m) => (m ? [m.id] : []));
  out = withRow(out, { left: ids(crimp), right: ids(crimp) });
  return withoutUnused({ ...out, closure: { type, left: ids(clasp, ring), right: ids(ring) } });
}
