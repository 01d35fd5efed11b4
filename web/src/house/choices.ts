import type { House } from "../api/client.ts";

/** ChoiceField is a field of the house method that is picked from a few. */
export type ChoiceField = "crimp" | "guards" | "covers" | "attach" | "slack" | "tail" | "hand" | "stopper" | "targetCounts" | "knot" | "knotPlace" | "glue" | "thread";

export interface Option {
  value: string;
  label: string;
}

export interface HouseChoice {
  field: ChoiceField;
  title: string;
  options: Option[];
  /** The reasons of both schools, in a sentence. */
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
      pick("hand", "Wire to hold", [["standard", "Standard, 60 mm an end"], ["generous", "Generous, 125 mm an end"], ["spool", "From the spool"]],
        "Little is wasted from the spool; a long end is easier to crimp for hands that learn."),
      pick("stopper", "The end strung first is stopped by", [["stopper", "A bead stopper"], ["tape", "Tape"], ["spool", "The spool itself"]],
        "A stopper holds and comes off at once; tape lies flat on the board; on the spool nothing need be cut too early."),
      pick("thread", "Thread runs", [["single", "Single"], ["doubled", "Doubled"]], "Single passes finer holes; doubled holds when one thread wears through."),
      pick("slack", "Slack on wire", [["snug", "Snug, what bending needs"], ["easy", "Easy, 2 mm more"]], "Snug shows no wire; easy drapes softer and forgives a bead more."),
      pick("targetCounts", "A target length counts", [["closed", "The clasp too"], ["beads", "The beads alone"]], "The wearer measures with the clasp; some sell by the beads on view."),
    ],
  },
  {
    title: "Crimps and ends",
    choices: [
      pick("crimp", "A crimp is", [["folded", "Folded"], ["flat", "Pressed flat"], ["three-sided", "Pressed from three sides"]],
        "Folded looks neat and grips two wires apart; flat is quick and shows; three-sided holds round and takes a cover well."),
      pick("covers", "Crimp covers", [["no", "Left off"], ["yes", "Put on"]], "Bare is lighter and a fitting less; covered looks like one more bead and scratches nobody."),
      pick("guards", "Wire guards", [["never", "Left off"], ["single", "On single strands"], ["always", "Always"]],
        "A guard keeps the ring from wearing the wire through; left off the end is shorter, and rows lie freer."),
      pick("attach", "The clasp is put on", [["jump-rings", "Jump rings"], ["split-rings", "Split rings"], ["direct", "Directly"]],
        "Jump rings open for repairs; split rings do not pull open; put on directly there is one part less to fail."),
      pick("tail", "The tail is", [["tucked", "Tucked for its length"], ["beads", "Tucked through so many beads"], ["trimmed", "Trimmed short"]],
        "A tucked tail holds should the crimp slip; trimmed short it passes no hole twice."),
    ],
  },
  {
    title: "Knots",
    choices: [
      pick("knot", "Elastic is tied by a", [["surgeons", "Surgeon's knot"], ["square", "Square knot"], ["triple", "Triple knot"]],
        "A surgeon's knot does not slip while it is tied; a square one is smaller; a triple one holds thin elastic."),
      pick("knotPlace", "The knot", [["hidden", "Hides in a bead"], ["shown", "Stays to be seen"]], "Hidden it is not seen or felt, and needs a wide hole; shown it can be checked and tied anew."),
      pick("glue", "Glue on the knot", [["yes", "One drop"], ["no", "None"]], "Glue keeps the ends from working loose; without it nothing hardens against the skin."),
    ],
  },
];

/** ALL_CHOICES is the same list without its groups. */
export const ALL_CHOICES = CHOICE_GROUPS.flatMap((g) => g.choices);

/** labelOf gives the words for what a house has chosen. */
export function labelOf(choice: HouseChoice, house: House): string {
  return choice.options.find((o) => o.value === house[choice.field])?.label ?? "";
}
