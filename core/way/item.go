package way

import (
	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// Item is what a leg stands under in the sum that cords are cut to, as a value; its name stands in
// words. Legs of one item are added up.
type Item struct {
	What  What
	Side  piece.Side         // of an end; empty along the row
	Row   int                // the number of another row that the cord runs in; 0 for its own
	Of    *material.Material // of a shared bead
	Cover bool               // of a crimp: a cover lies over it
	Turns int                // of a guard: how often the cord goes through it, up one leg and down the other
}

// What is the kind of an item.
type What string

// The items, along a row and at its ends.
const (
	Beads       What = "beads"
	SlackLeft   What = "slack"
	Drops       What = "drops"
	Between     What = "knots-between-beads"
	Fronts      What = "fronts"
	FlatHoles   What = "flat-holes"
	Backs       What = "backs"
	RowEnds     What = "row-ends"
	SharedBead  What = "shared-bead"
	OtherLeg    What = "leg-of-row"
	EvenLegs    What = "even-legs"
	Start       What = "start"
	Crimp       What = "crimp"       // once through it
	CrimpTwice  What = "crimp-twice" // there and back
	CrimpLoop   What = "crimp-loop"  // there and back, with the loop of bare cord behind it
	CrimpGuard  What = "crimp-guard" // there and back, with the guard that the cord goes through as often
	Guard       What = "guard"
	BeadLoop    What = "bead-loop"
	CordLoop    What = "cord-loop"
	RoundFoot   What = "round-foot"
	RoundFold   What = "round-fold"
	RoundRing   What = "round-ring"
	FoldNeck    What = "neck"
	InTrough    What = "trough"
	BackThrough What = "back-through"
	KnotTied    What = "knot"
	KnotsTied   What = "knots"
	BareLeg     What = "leg"
	LooseTail   What = "loose-tail"
	TailKnot    What = "tail-knot"
	TailBack    What = "tail"
	WorkingEnd  What = "working-end"
	KnotTail    What = "knot-tail"
)

// Entry is one line of the sum: an item, its length in mm, and whether it is cut off in the end.
type Entry struct {
	Item
	Length length.MM
	Spare  bool
}
