package steps

import (
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// End is the end of a row that a step is about.
type End struct {
	Side  piece.Side
	Hangs bool // of an ornament: its foot and its top
}

// Thing is a fitting as it is spoken of at an end.
type Thing struct {
	Of    *material.Material
	Links int        // of a chain
	Half  Half       // of a clasp of two halves
	Hole  int        // of what has one for each row; 0 for none
	Bar   piece.Side // of a bar: which of its two holes
}

// Half is which half of a clasp is meant.
type Half string

// The halves.
const (
	WholeClasp Half = ""
	ItsRing    Half = "ring" // of a toggle
	ItsBar     Half = "bar"
	OtherHalf  Half = "other"
)

// What is done at the ends of a row. Lengths are in mm.
type (
	// ThreadCrimp leads the cord through a crimp, round what it closes, and back.
	ThreadCrimp struct {
		End
		Around
		Trim   bool // the tail is trimmed close
		Leave  bool // it is left, and goes along in the beads strung after it
		Beads  int  // that it goes back through
		Tail   length.MM
		Shared *material.Material // that it goes on through; nil where it ends in its row
	}
	// JoinCrimp brings the other leg of a fold into the crimp; it is clipped there.
	JoinCrimp struct{ Row int }
	// ClipLeg ends one of both legs in the crimp, before the other goes on.
	ClipLeg struct{ End }
	// LeaveRoom leaves bare cord at both sides of a crimp, for its cover.
	LeaveRoom struct{ Each length.MM }
	// CloseCrimp closes it by the house's school, over this many cords.
	CloseCrimp struct {
		School string
		Cords  int
		Wire   bool
	}
	// SlideOver slides the last bead over the crimp.
	SlideOver struct{ Bead *material.Material }
	// CloseCover closes a cover over the crimp.
	CloseCover struct{ Cover *material.Material }
	// TrimTail trims a tail where it comes out; of an end named where others were made since.
	TrimTail struct {
		End
		Named bool
	}
	// TieOn leads the cord round a thing and back to a knot.
	TieOn struct {
		End
		Around
		Back bool // through the last bead, so that the loop closes; the knot is tied round the cord beyond
		Loop bool // it is a loop of beads, tried before its knot: Tie follows
		Knot string
	}
	// Tie ties the house's knot round the cord.
	Tie struct{ Knot string }
	// TieOff ties an overhand knot close to the beads, and shuts it into a cord end.
	TieOff struct {
		End
		CordEnd *material.Material
	}
	// TieInCone ties it through the eye inside a cone.
	TieInCone struct {
		End
		Cone *material.Material
	}
	// DrawCone trims the cord and draws the cone down over the knot.
	DrawCone struct{}
	// LayInTrough trims the cord square and lays it into a fold-over end.
	LayInTrough struct {
		End
		Of     *material.Material
		Beyond length.MM
	}
	// PressFlaps presses the flaps of a fold-over end down.
	PressFlaps struct{}
	// LoopOfCord lays the cord back in a loop and ties it.
	LoopOfCord struct {
		End
		Girth length.MM
	}
	// TieLeg ties an overhand knot close to the beads, and ends a leg in a bead and a knot.
	TieLeg struct {
		End
		Bead *material.Material // nil for the knot alone
		Leg  length.MM          // down to the knot
	}
	// TieTails strings a bead on each loose tail and knots it there.
	TieTails struct {
		Bead *material.Material // nil for the knot alone
		N    int
		Leg  length.MM // down to the knot
	}
	// TieRing ties a ring on itself.
	TieRing struct{ Knot string }
	// PullAgain pulls an elastic's knot twice.
	PullAgain struct{}
	// Glue puts a drop of glue on a place.
	Glue struct {
		On  GluePlace
		Dry bool // it is let dry at once
	}
	// LetDry lets the glue dry.
	LetDry struct{ Of GluePlace }
	// HideKnot draws a knot into a bead.
	HideKnot struct {
		Bead   *material.Material
		Number int // in the row, from 1
		How    HidingWhile
	}
	// TrimAtBead trims the ends close to the bead that hides their knot.
	TrimAtBead struct{ Both bool }
	// TrimAtKnot trims them at a knot that stays visible.
	TrimAtKnot struct {
		Ends int
		Both bool // of both ends of the piece
	}
	// TuckTail threads a tail back through the last beads and trims it.
	TuckTail struct {
		End
		Beads int
		Tail  length.MM
		Both  bool // of both ends
	}
	// PressAtTip presses a crimp at the tip of the cord, below a foot.
	PressAtTip struct {
		End
		Crimp *material.Material
	}
	// KnotAtTip ties an overhand knot against the lowest bead.
	KnotAtTip struct{ End }
	// Attach hangs a fitting on the one before it.
	Attach struct {
		End
		What, On Thing
		Opens    Opening
	}
	// HangOn hangs things on a fitting.
	HangOn struct {
		End
		What []*material.Material
		On   *material.Material // nil of a loop of beads
		Last bool               // on the last link of it
	}
	// HangChain hangs the first or the last link of a row of chain.
	HangChain struct {
		End
		On *material.Material
	}
)

// Around is what the cord goes through and round beyond its crimp or before its knot, in this
// order; what is nil or 0 is not there.
type Around struct {
	Guard int // times through a guard
	Foot  *material.Material
	Girth length.MM // of a loop of bare cord
	Loop  *measure.BeadLoop
	On    *Thing
}

// GluePlace is where glue is put.
type GluePlace string

// The places.
const (
	OnKnot    GluePlace = "knot"
	InCordEnd GluePlace = "cord-end"
	InTrough  GluePlace = "trough"
)

// HidingWhile is how a knot is drawn into its bead.
type HidingWhile string

// While its glue is wet, by its ends, or plainly.
const (
	WhileWet HidingWhile = "wet"
	ByEnds   HidingWhile = "ends"
	Plainly  HidingWhile = ""
)

// Opening is how the fitting that opens is opened.
type Opening string

// The openings.
const (
	NoOpening Opening = ""
	JumpRing  Opening = "jump-ring"
	SplitRing Opening = "split-ring"
)

func (ThreadCrimp) doing() {}
func (JoinCrimp) doing()   {}
func (ClipLeg) doing()     {}
func (LeaveRoom) doing()   {}
func (CloseCrimp) doing()  {}
func (SlideOver) doing()   {}
func (CloseCover) doing()  {}
func (TrimTail) doing()    {}
func (TieOn) doing()       {}
func (Tie) doing()         {}
func (TieOff) doing()      {}
func (TieInCone) doing()   {}
func (DrawCone) doing()    {}
func (LayInTrough) doing() {}
func (PressFlaps) doing()  {}
func (LoopOfCord) doing()  {}
func (TieLeg) doing()      {}
func (TieTails) doing()    {}
func (TieRing) doing()     {}
func (PullAgain) doing()   {}
func (Glue) doing()        {}
func (LetDry) doing()      {}
func (HideKnot) doing()    {}
func (TrimAtBead) doing()  {}
func (TrimAtKnot) doing()  {}
func (TuckTail) doing()    {}
func (PressAtTip) doing()  {}
func (KnotAtTip) doing()   {}
func (Attach) doing()      {}
func (HangOn) doing()      {}
func (HangChain) doing()   {}
