import type { House } from "../api/client.ts";

/** ChoiceField is a field of the house method that is picked from a few. */
export type ChoiceField = "crimp" | "guards" | "covers" | "attach" | "slack" | "tail" | "allowance" | "stopper" | "targetCounts" | "ornamentCounts" | "knot" | "knotPlace" | "glue" | "thread" | "pinLoops" | "order" | "guardThreads";

export interface Option {
  value: string;
  label: string;
}

export interface HouseChoice {
  field: ChoiceField;
  title: string;
  options: Option[];
  /** The reasons for either way, in a sentence. */
  why: string;
}

export interface ChoiceGroup {
  title: string;
  choices: HouseChoice[];
}

const pick = (field: ChoiceField, title: string, options: [string, string][], why: string): HouseChoice => ({
  field, title, why, options: options.map(([value, label]) => ({ value, label })),
});

/** CHOICE_GROUPS lists the choices in the order the work comes to them. */
export const CHOICE_GROUPS: ChoiceGroup[] = [
  {
    title: "Cutting and stringing",
    choices: [
      pick("allowance", "Working allowance", [["standard", "Standard, 60 mm an end"], ["generous", "Generous, 120 mm an end"], ["spool", "From the spool"]],
        "From the spool little is wasted; a long end is easier to crimp while learning."),
      pick("stopper", "Starting end held with", [
        ["stopper", "A bead stopper"], ["tape", "Tape"], ["clip", "A clip"], ["slip-knot", "A slip knot"], ["tied-bead", "A bead tied in"], ["spare-crimp", "A spare crimp"],
        ["crimped", "Its crimp, made first"], ["spool", "The spool itself"],
      ],
        "A stopper goes on and off fast; tape lies flat; a knot or a tied bead needs no tool; crimped first, one end is done; on the spool nothing is cut too early."),
      pick("order", "Stringing order", [["left", "From the left"], ["centre", "From the centre outwards"]],
        "From the left one end is stopped and done; from the centre both ends stay open, and either side can still be changed."),
      pick("thread", "Thread runs", [["single", "Single"], ["doubled", "Doubled"]], "Single passes finer holes; doubled holds when one thread wears through."),
      pick("slack", "Slack on wire", [["snug", "Snug, only what bending needs"], ["easy", "Easy, 2 mm more"]], "Snug shows no wire; easy drapes softer and allows for an extra bead."),
      pick("ornamentCounts", "An ornament's target counts", [["loop", "Its loop too"], ["foot", "From below its loop"]], "With its loop it fits a hook; without, it fills a window."),
      pick("targetCounts", "A target length counts", [["closed", "The clasp too"], ["beads", "The beads alone"]], "Wearers measure with the clasp; some shops sell by the length of beads."),
    ],
  },
  {
    title: "Crimps and ends",
    choices: [
      pick("crimp", "Crimp shape", [["folded", "Folded"], ["flat", "Pressed flat"], ["three-sided", "Pressed from three sides"]],
        "Folded looks neat and keeps two wires apart; flat is quick and shows; three-sided holds round and takes a cover well."),
      pick("covers", "Crimp covers", [["no", "No"], ["yes", "Yes"]], "A bare crimp is lighter, with one part fewer to fit; a cover looks like a bead and does not scratch."),
      pick("guards", "Wire guards", [["never", "No"], ["single", "On single strands"], ["always", "Always"]],
        "A guard keeps the ring from wearing through the wire; without it the end is shorter and rows hang more freely."),
      pick("guardThreads", "Cord through a guard", [["once", "Once"], ["twice", "Twice"]], "Once passes a finer bore and shows less cord; twice still holds when one turn wears through."),
      pick("attach", "Clasp attached", [["jump-rings", "With jump rings"], ["split-rings", "With split rings"], ["direct", "Directly"]],
        "Jump rings open for repairs; split rings do not pull open; attached directly there is one part fewer to fail."),
      pick("tail", "Wire tail", [["tucked", "Tucked, by length"], ["beads", "Tucked, by number of beads"], ["trimmed", "Trimmed short"]],
        "A tucked tail still holds if the crimp slips; a trimmed tail passes no hole twice."),
    ],
  },
  {
    title: "Components",
    choices: [
      pick("pinLoops", "Loop of a pin takes", [["size", "What its size needs"], ["fixed", "A fixed length"]],
        "By its size a pin is used to the end; a fixed length is quick to mark and leaves some to cut off."),
    ],
  },
  {
    title: "Knots",
    choices: [
      pick("knot", "Knot in elastic", [["surgeons", "Surgeon's knot"], ["square", "Square knot"], ["triple", "Triple knot"]],
        "A surgeon's knot does not slip while it is tied; a square one is smaller; a triple one holds thin elastic."),
      pick("knotPlace", "Place of the knot", [["fits", "Hidden where a hole takes it"], ["hidden", "Hidden in a bead"], ["shown", "Stays visible"]], "A hidden knot is not seen or felt, but needs a wide hole; a visible one can be checked and retied."),
      pick("glue", "Glue on the knot", [["yes", "One drop"], ["no", "None"]], "Glue keeps the ends from working loose; without it nothing hard touches the skin."),
    ],
  },
];

/** ALL_CHOICES is the same list without its groups. */
export const ALL_CHOICES = CHOICE_GROUPS.flatMap((g) => g.choices);

/** labelOf returns the label of the option the house has chosen. */
export function labelOf(choice: HouseChoice, house: House): string {
  return choice.options.find((o) => o.value === house[choice.field])?.label ?? "";
}
