import type { Material } from "../api/client.ts";
import { catalogueItemColourValues, cordFitTypeValues, lookFinishValues, materialDrilledValues, materialEyeValues, materialFacingValues, materialHoleToValues, materialJointValues, materialShapeValues, materialSizedValues, materialTypeValues } from "../api/schema.gen.ts";

/** Field is one measure or word of a material that can be entered. */
export interface Field {
  name: keyof Material;
  label: string;
  kind: "number" | "text" | "choice";
  choices?: readonly string[];
  unit?: string;
}

/** The lists of what there is, as the schema has them. */
export const SHAPES: readonly string[] = materialShapeValues;
export const FINISHES = lookFinishValues;
export const CORDS: readonly string[] = cordFitTypeValues;
export const FINDINGS: readonly string[] = materialTypeValues.filter((type) => !CORDS.includes(type));
export const COLOURS: readonly string[] = catalogueItemColourValues;

const mm = (name: keyof Material, label: string): Field => ({ name, label, kind: "number", unit: "mm" });
const choice = (name: keyof Material, label: string, choices: readonly string[]): Field => ({ name, label, kind: "choice", choices });

const METAL: Field = { name: "metal", label: "Metal", kind: "text" };
const MASS: Field = { name: "massG", label: "Weight of one", kind: "number", unit: "g" };
const STRENGTH: Field = { name: "strengthN", label: "Strength", kind: "number", unit: "N" };

/** fieldsOf returns the fields of a material of this class and shape or type. */
export function fieldsOf(m: Material): Field[] {
  if (m.class === "cord") {
    return [choice("type", "Kind of cord", CORDS), mm("diameterMm", "Diameter"), { name: "filaments", label: "Strands in the wire", kind: "number" }, { name: "stretch", label: "Stretches to, × its length", kind: "number" }, STRENGTH];
  }
  if (m.class === "finding") return [choice("type", "Kind of finding", FINDINGS), ...findingMeasures(m.type ?? ""), METAL, MASS, STRENGTH];
  if (m.shape === "charm") {
    return [choice("shape", "Shape", SHAPES), mm("holeMm", "Ring, inside"), mm("acrossMm", "Width"), mm("alongMm", "Ring's wire"), mm("dropMm", "Hangs below the cord"), choice("drilled", "Its hole runs through its", ["width"]), mm("loopMm", "Loop at its foot, inside"), mm("loopWireMm", "Loop's wire"), MASS, METAL];
  }
  const measures = [mm("acrossMm", "Diameter"), mm("holeMm", "Hole")];
  if (m.shape === "cap") measures.push(mm("depthMm", "Inner depth"), mm("wallMm", "Wall"));
  else if (m.shape !== "round") measures.push(mm("alongMm", "Along the hole"), mm("thickMm", "Thickness, if not the diameter"));
  return [
    choice("shape", "Shape", SHAPES), ...measures, choice("sized", "Measured by", materialSizedValues),
    choice("facing", "Facing", materialFacingValues), choice("drilled", "Drilled through", materialDrilledValues),
    ...(FLATS.includes(m.shape ?? "") ? HOLES : []),
    ...(m.shape === "cap" ? [] : [mm("holeOffMm", "Hole off the middle"), choice("holeTo", "The hole lies towards its", materialHoleToValues)]),
    mm("loopMm", "Own loop below it, inside"), mm("loopWireMm", "Loop's wire"), MASS, { name: "densityGCm3", label: "or density", kind: "number", unit: "g/cm³" }, METAL,
  ];
}

/** FLATS are the shapes that can have several holes through their face. */
const FLATS = ["button", "coin", "disc"];

/** HOLES are what a clasp or connector has for rows, and a flat that is laced. */
const HOLES: Field[] = [{ name: "holes", label: "Holes", kind: "number" }, mm("spacingMm", "Hole to hole")];

function findingMeasures(type: string): Field[] {
  if (type.startsWith("crimp-") && type !== "crimp-cover") return [mm("insideMm", "Inside"), mm("outsideMm", "Outside"), mm("lengthMm", "Length")];
  if (type === "crimp-cover") return [mm("outsideMm", "Outside"), mm("insideMm", "Inside, if known"), mm("lengthMm", "Length")];
  if (type === "wire-guard") return [mm("lengthMm", "Length"), mm("insideMm", "A leg, inside")];
  if (type === "cord-end") return [mm("lengthMm", "Length")];
  if (type.endsWith("-ring") && type !== "spring-ring") return [mm("insideMm", "Inside"), mm("wireMm", "Wire"), choice("joint", "Joint", materialJointValues), choice("form", "Form", ["round", "oval"])];
  if (type === "fold-over") return [mm("insideMm", "Trough, inside"), mm("lengthMm", "Trough, length"), mm("ringEyeMm", "Eye, inside")];
  if (type === "cone-end") return [mm("outsideMm", "Mouth, inside"), mm("insideMm", "Tip, inside"), mm("lengthMm", "Length"), mm("ringEyeMm", "Eye, inside")];
  if (type === "button") return [mm("outsideMm", "Width"), mm("lengthMm", "Thickness"), mm("insideMm", "Shank, inside"), choice("form", "Form", ["flat", "ball"])];
  if (type === "head-pin") return [mm("lengthMm", "Length below the head"), mm("wireMm", "Wire"), mm("outsideMm", "Head, across")];
  if (type === "eye-pin") return [mm("lengthMm", "Length below the eye"), mm("wireMm", "Wire"), mm("insideMm", "Eye, inside")];
  if (type === "focal-bar") return [mm("lengthMm", "Hole to hole"), mm("outsideMm", "Width"), mm("wireMm", "Thickness"), mm("insideMm", "Hole"), mm("riseMm", "Rise of its middle")];
  if (type === "connector") return [mm("lengthMm", "Length"), mm("wireMm", "Thickness"), ...HOLES];
  if (type === "slide") return [mm("closedMm", "Closed, eye to eye"), mm("lengthMm", "Length"), ...HOLES];
  if (type === "chain") return [mm("insideMm", "A link, inside"), mm("wireMm", "Wire"), choice("joint", "Joint", ["open", "soldered"])];
  if (type === "extender") return [mm("insideMm", "A link, inside"), mm("wireMm", "Wire"), { name: "links", label: "Links", kind: "number" }, choice("joint", "Joint", ["open", "soldered"])];
  if (type === "toggle") return [mm("ringInsideMm", "Ring, inside"), mm("ringEyeMm", "Ring's eye, inside"), mm("wireMm", "Ring's wire"), mm("barMm", "Bar"), mm("barThicknessMm", "Bar, thickness"), mm("barEyeMm", "Bar's eye, inside")];
  return [mm("closedMm", "Closed, eye to eye inside"), mm("lengthMm", "Overall length"), mm("wireMm", "Wire"), choice("eye", "Eye", materialEyeValues)];
}

/** idFor returns an id for the catalogue made from a name. */
export function idFor(name: string): string {
  const plain = name.toLowerCase().normalize("NFKD").replace(/\p{M}/gu, "").replace(/[^a-z0-9]+/g, "-").replace(/^-+|-+$/g, "").slice(0, 50);
  return plain || `material-${Date.now().toString(36)}`;
}
