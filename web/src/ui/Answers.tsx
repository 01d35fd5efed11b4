import { ToggleButton, ToggleButtonGroup } from "@mui/material";
import type { ReactNode } from "react";
import type { NewPiece } from "../api/client.ts";
import type { Unit } from "../units/length.ts";

export const KINDS: { value: NewPiece["kind"]; label: string }[] = [
  { value: "necklace", label: "Necklace" },
  { value: "bracelet", label: "Bracelet" },
  { value: "anklet", label: "Anklet" },
  { value: "ornament", label: "Ornament" },
];

/** USUAL is the length each kind is usually made to, as it is said in either unit, in mm. */
const USUAL: Record<Unit, Record<NewPiece["kind"], number>> = {
  mm: { necklace: 450, bracelet: 190, anklet: 240, ornament: 250 },
  in: { necklace: 18 * 25.4, bracelet: 7.5 * 25.4, anklet: 9.5 * 25.4, ornament: 10 * 25.4 },
};

export const usualLength = (kind: NewPiece["kind"], unit: Unit) => USUAL[unit][kind];

export const CLOSURES: { value: NewPiece["closure"]; label: string; says: string }[] = [
  { value: "clasp", label: "A clasp", says: "two ends that open" },
  { value: "knot", label: "Stretch", says: "a ring on elastic, tied with a knot" },
  { value: "none", label: "Slips on", says: "a ring that does not open" },
  { value: "bar", label: "On a bar", says: "a bar or curved focal, tied at both ends" },
  { value: "tied", label: "Tied", says: "two ends of cord that the wearer ties, or draws through a loop" },
];

export const JOINS: { value: NonNullable<NewPiece["join"]>; label: string; says: string }[] = [
  { value: "ring", label: "One ring", says: "all rows go on one ring at either side" },
  { value: "rings", label: "Own rings", says: "each row has a ring of its own, all on one ring" },
  { value: "holes", label: "Holes", says: "each row goes in a hole of the clasp" },
];

/** HANGS says of an ornament what takes the place of a closure. */
export const HANGS = "It hangs on a window, a mirror or a key: a foot below, a loop at its top.";

/** lengthQuestion asks for the length that a target counts: the closed piece, or its beads alone. */
export function lengthQuestion(counts: string | undefined, hangs = false): string {
  if (hangs) return "How long should it be, from its loop to its foot?";
  return counts === "beads" ? "How long should the beads be?" : "How long should it be, closed?";
}

interface ChoiceProps<T extends string> {
  legend: string;
  value: T;
  options: { value: T; label: string }[];
  says?: ReactNode;
  onChange: (value: T) => void;
}

/** Choice is one answer among a few. */
export function Choice<T extends string>({ legend, value, options, says, onChange }: ChoiceProps<T>) {
  return (
    <fieldset>
      <legend>{legend}</legend>
      <ToggleButtonGroup exclusive value={value} onChange={(_, next: T | null) => next && onChange(next)} aria-label={legend} size="small" color="primary">
        {options.map((o) => (
          <ToggleButton key={o.value} value={o.value} sx={{ textTransform: "none", px: 1.7, fontWeight: 600 }}>
            {o.label}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      {says && (
        <div className="quiet" style={{ marginTop: 5 }}>
          {says}
        </div>
      )}
    </fieldset>
  );
}
