package steps

import (
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// What is done before and while a row is strung. Lengths are in mm.
type (
	// Note is the bench note of a material.
	Note struct{ Of *material.Material }
	// UseOwn names what the maker has already.
	UseOwn struct{ Of []*material.Material }
	// CountOut counts beads out and lays them in order.
	CountOut struct{ Beads int }
	// CountChain counts links off a chain; of a row of chain at no end.
	CountChain struct {
		Side    piece.Side
		Of      *material.Material
		Links   int
		Length  length.MM
		Through bool // the next link is cut through and lost
		OwnRow  bool // it is a row of its own
		Hangs   bool // of an ornament
	}
	// CountBetween counts off the chain between bead links, this many times.
	CountBetween struct {
		Times, Links int
		Of           *material.Material
		Through      bool
	}
	// HookUp hangs bead links in one another, or with chain between.
	HookUp struct {
		N       int
		Of      *material.Material
		Between int // links of chain; 0 where they hang in one another
		Length  length.MM
	}
	// Cut cuts a row's cord, or this many alike ones.
	Cut struct {
		Row    piece.ID
		Cord   *material.Material
		N      int
		Length length.MM // of each
		Tool   Cutter
		InBag  bool // it is cut already
	}
	// KeepOnSpool leaves the cord on its spool, and strings from its free end.
	KeepOnSpool struct{ Cord *material.Material }
	// CutFromSpool cuts it once the beads are on it.
	CutFromSpool struct {
		Free, Beyond length.MM // what is left to tie at the free end, 0 where it is made already; and beyond the last bead
		Tool         Cutter
	}
	// Stretch stretches an elastic before it is strung.
	Stretch struct{}
	// Hitch lays the fold of a cord round a thing and draws both ends through it.
	Hitch struct {
		Side piece.Side
		On   Thing
	}
	// FoldRound folds a cord round a thing.
	FoldRound struct {
		Side piece.Side
		On   Thing
	}
	// FoldThrough folds it through a bead, on a neck of both cords.
	FoldThrough struct {
		Bead *material.Material
		Neck length.MM
	}
	// FoldIntoLoop leaves a loop of the cord at its fold and ties both halves below it.
	FoldIntoLoop struct{ Girth length.MM }
	// FoldIntoBeads strings a loop of beads to the middle and leads both ends through one crimp.
	FoldIntoBeads struct {
		Loop  *measure.BeadLoop
		Crimp *material.Material
	}
	// CloseOverLegs closes that crimp.
	CloseOverLegs struct{ Crimp *material.Material }
	// EvenLegs pulls both legs of a fold equally long.
	EvenLegs struct {
		Each length.MM
		Both bool // both are strung together, and not one after the other
	}
	// OtherLeg strings a row on the other leg of a fold.
	OtherLeg struct{ Of int }
	// MarkMiddle marks the middle of a cord that is strung from there.
	MarkMiddle struct {
		By          string
		Left, Right length.MM
	}
	// Hold stops the end that is strung first.
	Hold struct {
		Side piece.Side
		By   string
		Tip  length.MM
		N    int // how many cords are held together
	}
	// Release takes off what stops it.
	Release struct{ By string }
	// String strings a row, run by run.
	String struct {
		Runs       []Run
		FromCentre bool
		FromRight  bool
		// What the steps after it tell is done on the way, where the order comes to it.
		Drops, Loops, Crimps bool
	}
	// AnyOrder says which beads may be mixed, and what that does to the finished length.
	AnyOrder struct{ Least, Most length.MM }
	// OnOneCord says which beads go on one of several cords.
	OnOneCord struct{ Beads []*material.Material }
	// OverTail strings beads over the cord and its tail together.
	OverTail struct {
		Beads int
		Wire  bool
	}
	// RunOn leads the same cord through a bead and on.
	RunOn struct{ Bead *material.Material }
	// LayFlats lays the flats of a laced row out.
	LayFlats struct {
		TiltDeg     float64
		Step, Pitch length.MM
	}
	// LayTops lays smaller flats on others.
	LayTops struct{ Tops []Top }
	// Lace leads the cords through a row of flats.
	Lace struct {
		Way   piece.LacingWay
		Cords int
	}
	// Drop makes a drop in the cord, at each of this many places.
	Drop struct {
		Of     *measure.Drop
		Places int
	}
	// LoopThrough makes a loop through a bead, at each of this many places.
	LoopThrough struct {
		Of     *measure.Drop
		Places int
	}
	// InLoop makes what hangs in a loop.
	InLoop struct{ Of *measure.Drop }
	// HoldApart holds the beads beside gaps.
	HoldApart struct {
		Way piece.HolderWay
		N   int
		Of  *material.Material // the crimps
	}
	// Ride slides beads over the others.
	Ride struct{ Riders []*material.Material }
	// OnCord says how a thing that hangs goes on the cord.
	OnCord struct {
		Of *material.Material
		By Hanging
	}
	// HangLast hangs a thing on the finished strand.
	HangLast struct{ Of *material.Material }
	// TwistRows twists rows together.
	TwistRows struct{}
)

// Cutter is what a cord is cut with.
type Cutter string

// The cutters.
const (
	WireCutters Cutter = "wire-cutters"
	Scissors    Cutter = "scissors"
)

// Hanging is what a thing hangs on the cord by.
type Hanging string

// A loop of its own, a ring that opens, a closed ring.
const (
	ByLoop   Hanging = "loop"
	ByRing   Hanging = "ring"
	ByClosed Hanging = "closed-ring"
)

// Run is a number of alike beads that are strung one after another.
type Run struct {
	ID string
	measure.Run
	Side piece.Side // to which side of the centre; empty of what is strung from an end
}

// Top is a smaller flat laced on another.
type Top struct{ Small, On *material.Material }

func (Note) doing()          {}
func (UseOwn) doing()        {}
func (CountOut) doing()      {}
func (CountChain) doing()    {}
func (CountBetween) doing()  {}
func (HookUp) doing()        {}
func (Cut) doing()           {}
func (KeepOnSpool) doing()   {}
func (CutFromSpool) doing()  {}
func (Stretch) doing()       {}
func (Hitch) doing()         {}
func (FoldRound) doing()     {}
func (FoldThrough) doing()   {}
func (FoldIntoLoop) doing()  {}
func (FoldIntoBeads) doing() {}
func (CloseOverLegs) doing() {}
func (EvenLegs) doing()      {}
func (OtherLeg) doing()      {}
func (MarkMiddle) doing()    {}
func (Hold) doing()          {}
func (Release) doing()       {}
func (String) doing()        {}
func (AnyOrder) doing()      {}
func (OnOneCord) doing()     {}
func (OverTail) doing()      {}
func (RunOn) doing()         {}
func (LayFlats) doing()      {}
func (LayTops) doing()       {}
func (Lace) doing()          {}
func (Drop) doing()          {}
func (LoopThrough) doing()   {}
func (InLoop) doing()        {}
func (HoldApart) doing()     {}
func (Ride) doing()          {}
func (OnCord) doing()        {}
func (HangLast) doing()      {}
func (TwistRows) doing()     {}
