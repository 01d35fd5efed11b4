import type { Material } from "../api/client.ts";

/** Field is one measure or word of a material, as it is typed in. */
export interface Field {
  name: keyof Material;
  label: string;
  kind: "number" | "text" | "choice";
  choices?: string[];
  unit?: string;
}

export const SHAPES = ["round", "oval", "rondelle", "bicone", "tube", "cube", "coin", "disc", "drop", "nugget", "chip", "seed", "large-hole", "cap", "button", "spacer", "letter", "beaded", "focal", "charm"];
export const FINISHES = ["glass", "pearl", "metal", "matte", "wood", "stone", "faceted", "lined", "lava", "translucent", "pattern"] as const;
export const FINDINGS = ["crimp-tube", "crimp-bead", "crimp-cover", "wire-guard", "jump-ring", "split-ring", "lobster", "spring-ring", "toggle", "hook", "s-hook", "magnetic", "slide", "extender"];
export const CORDS = ["wire", "elastic", "thread", "leather", "waxed"];
export const COLOURS = ["red", "orange", "yellow", "green", "blue", "purple", "pink", "brown", "white", "grey", "black"];

const mm = (name: keyof Material, label: string): Field => ({ name, label, kind: "number", unit: "mm" });
const choice = (name: keyof Material, label: string, choices: string[]): Field => ({ name, label, kind: "choice", choices });

const METAL: Field = { name: "metal", label: "Metal", kind: "text" };
const MASS: Field = { name: "massG", label: "Weight of one", kind: "number", unit: "g" };
const STRENGTH: Field = { name: "strengthN", label: "Strength", kind: "number", unit: "N" };

/** fieldsOf lists what a material of this class and shape or type is measured by. */
export function fieldsOf(m: Material): Field[] {
  if (m.class === "cord") {
    return [choice("type", "Kind of cord", CORDS), mm("diameterMm", "Diameter"), { name: "filaments", label: "Strands in the wire", kind: "number" }, { name: "stretch", label: "Stretches to, times its length", kind: "number" }, STRENGTH];
  }
  if (m.class === "finding") return [choice("type", "Kind of finding", FINDINGS), ...findingMeasures(m.type ?? ""), METAL, MASS, STRENGTH];
  if (m.shape === "charm") {
    return [choice("shape", "Shape", SHAPES), mm("holeMm", "Its ring, inside"), mm("acrossMm", "Its ring, outside"), mm("alongMm", "Its ring's wire"), mm("dropMm", "Hangs below the cord"), MASS, METAL];
  }
  const measures = [mm("acrossMm", "Across"), mm("holeMm", "Hole")];
  if (m.shape === "cap") measures.push(mm("depthMm", "Inner depth"), mm("wallMm", "Wall"));
  else if (m.shape !== "round") measures.push(mm("alongMm", "Along the hole"), mm("thickMm", "Front to back, if not as across"));
  return [
    choice("shape", "Shape", SHAPES), ...measures, choice("sized", "Sized by", ["nominal", "calipered"]),
    choice("facing", "Facing", ["none", "fore-aft", "upright"]), choice("drilled", "Drilled through its", ["width", "height"]),
    MASS, { name: "densityGCm3", label: "or density", kind: "number", unit: "g/cm³" }, METAL,
  ];
}

function findingMeasures(type: string): Field[] {
  if (type.startsWith("crimp-") && type !== "crimp-cover") return [mm("insideMm", "Inside"), mm("outsideMm", "Outside"), mm("lengthMm", "Length")];
  if (type === "crimp-cover") return [mm("outsideMm", "Outside"), mm("lengthMm", "Length")];
  if (type === "wire-guard") return [mm("lengthMm", "Length")];
  if (type.endsWith("-ring") && type !== "spring-ring") return [mm("insideMm", "Inside"), mm("wireMm", "Wire"), choice("joint", "Joint", ["open", "soldered", "split"]), choice("form", "Form", ["round", "oval"])];
  if (type === "extender") return [mm("insideMm", "A link, inside"), mm("wireMm", "Wire"), { name: "links", label: "Links", kind: "number" }, choice("joint", "Joint", ["open", "soldered"])];
  if (type === "toggle") return [mm("ringInsideMm", "Ring, inside"), mm("ringEyeMm", "Ring's eye, inside"), mm("wireMm", "Ring's wire"), mm("barMm", "Bar"), mm("barThicknessMm", "Bar, thickness"), mm("barEyeMm", "Bar's eye, inside")];
  return [mm("closedMm", "Closed, eye to eye inside"), mm("lengthMm", "Overall length"), mm("wireMm", "Wire"), choice("eye", "Eye", ["open", "closed"])];
}

/** idFor makes an id of a name that the catalogue can hold. */
export function idFor(name: string): string {
  const plain = name.toLowerCase().normalize("NFKD").replace(/\p{M}/gu, "").replace(/[^a-z0-9]+/g, "-").replace(/^-+|-+$/g, "").slice(0, 50);
  return plain || `material-${Date.now().toString(36)}`;
}
