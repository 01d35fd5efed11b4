import type { Component, Material } from "../api/client.ts";

type Kind = Component["kind"];

/** KINDS lists what can be made, with what a person calls it. */
export const KINDS: { kind: Kind; name: string; says: string }[] = [
  { kind: "charm", name: "Charm on rings", says: "One or more charms on one to three rings." },
  { kind: "drop", name: "Drop on a head pin", says: "Beads on a head pin, with a loop turned above them." },
  { kind: "link", name: "Bead link", says: "Beads on an eye pin, a loop at either end." },
  { kind: "pendant", name: "Pendant", says: "Charms and components hanging together." },
  { kind: "tassel", name: "Tassel", says: "Strands of cord folded over a ring and bound." },
  { kind: "coil", name: "Coil round the cord", says: "A head pin wound round the cord, its beads standing beside it." },
  { kind: "carrier", name: "Bead with a loop", says: "A bead whose own loop carries charms and components." },
  { kind: "turn", name: "Several in turn", says: "A dish of beads or components, each use taking the next." },
  { kind: "beaded", name: "Beaded bead", says: "A bead woven of beads, measured as one." },
];

/** Section is a part of the form. */
export type Section = "rings" | "pin" | "loop" | "line" | "below" | "coil" | "tassel" | "beaded" | "strung" | "upper" | "turn";

const SECTIONS: Record<Kind, Section[]> = {
  charm: ["rings", "upper", "below"],
  drop: ["rings", "pin", "loop", "line"],
  link: ["rings", "pin", "loop", "line", "below"],
  pendant: ["rings", "pin", "loop", "line", "below"],
  tassel: ["rings", "tassel"],
  coil: ["pin", "coil", "line"],
  beaded: ["beaded"],
  carrier: ["strung", "below"],
  turn: ["turn"],
};

/** sectionsOf lists the parts of the form that a component needs. */
export function sectionsOf({ kind, pin }: Component): Section[] {
  return SECTIONS[kind].filter((section) => kind !== "pendant" || pin || (section !== "loop" && section !== "line"));
}

/** Usual are materials of the catalogue to start from, one of a sort. */
export interface Usual {
  ring?: string;
  headPin?: string;
  eyePin?: string;
  cord?: string;
}

/** asKind makes a component one of another kind, keeping what both have, and starts it with what it needs. */
export function asKind(c: Component, kind: Kind, usual: Usual): Component {
  const wants = SECTIONS[kind];
  const next: Component = { kind };
  if (wants.includes("rings")) next.rings = c.rings ?? (usual.ring && kind !== "link" ? [usual.ring] : undefined);
  if (wants.includes("below")) next.below = c.below;
  if (wants.includes("line") && kind !== "pendant") {
    next.line = c.line ?? "";
    next.palette = c.palette ?? {};
    next.pin = kind === "link" ? usual.eyePin : usual.headPin;
  }
  if (wants.includes("loop")) Object.assign(next, { loop: c.loop ?? "simple", loopMm: c.loopMm ?? 2 });
  if (kind === "coil") next.rodMm = c.rodMm ?? 1.5;
  if (kind === "tassel") Object.assign(next, { cord: c.cord ?? usual.cord, strands: c.strands ?? 12, legMm: c.legMm ?? 40 });
  if (wants.includes("strung") || (wants.includes("upper") && c.kind === kind)) next.bead = c.bead;
  if (kind === "turn") next.turn = c.turn ?? [];
  if (kind === "beaded") next.parts = c.parts ?? {};
  return next;
}

/** freeLetter is a letter no dish has, the first of the name if it is free. */
export function freeLetter(palette: Record<string, string>, name: string): string {
  const letters = [...name.toUpperCase().replace(/[^A-Z]/g, ""), ..."ABCDEFGHIJKLMNOPQRSTUVWXYZ"];
  return letters.find((letter) => !palette[letter]) ?? "";
}

/** cleaned leaves out what a component of its kind has no use for. */
export function cleaned(m: Material): Material {
  const component = { ...m.component! };
  if (component.line !== undefined) {
    const used = new Set(component.line.match(/[A-Z][a-z]?/g));
    component.palette = Object.fromEntries(Object.entries(component.palette ?? {}).filter(([key]) => used.has(key)));
  }
  return { ...m, component };
}
