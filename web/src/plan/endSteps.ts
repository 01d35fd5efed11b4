import type { Document, Strand } from "../api/client.ts";

/** endSteps tells an end in threading order, in the words of the bench. */
export function endSteps(doc: Document, strand: Strand, side: "left" | "right"): string[] {
  const parts = strand[side];
  const material = (id: string | undefined) => doc.materials.find((m) => m.id === id);
  if (parts.length === 0) return [strand.ring ? "No fittings: the cord is tied to its other end." : "No fittings: the cord ends bare."];
  const steps = parts.map((part) => {
    const name = material(part.material)?.name ?? "";
    switch (part.role) {
      case "loop":
        return "The wire turns back in a loop of its own, through the next part, and back through the crimp.";
      case "guard":
        return `${name}: the wire follows its groove.`;
      case "crimp":
        return part.swallowed ? `${name}, which slips into the last bead: see the open checks.` : name;
      case "clasp":
        return material(part.material)?.type === "toggle" ? `${name}, its ring` : name;
      case "chain":
        return part.between ? `${part.links} of ${name}, with ${part.between.links} links of ${material(part.between.of)?.name.toLowerCase()} between each two` : `${part.links} links of ${name}`;
      case "bead-loop":
        return `A loop of ${part.loop?.beads.length ?? 0} beads`;
      case "cord-loop":
        return "A loop of the bare cord, held by an overhand knot";
      case "foot-bead":
        return `${name} at the foot: the cord goes down through it and back up round its outside`;
      case "fold-bead":
        return `${name}, with the middle of the cord folded through it`;
      case "leg":
        return name ? `A leg with ${name.toLowerCase()} and a knot` : "A leg that ends in a knot";
      case "extender":
        return `${name}, ${material(part.material)?.links ?? ""} links`;
      default:
        return name;
    }
  });
  const other = strand[side === "left" ? "right" : "left"].find((part) => part.role === "clasp");
  if (other) {
    const clasp = material(other.material);
    steps.push(clasp?.type === "toggle" ? `${clasp.name}, its bar` : `Closes into the ${clasp?.name.toLowerCase() ?? "clasp"}.`);
  }
  return steps;
}
