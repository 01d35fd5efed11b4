package steps

import (
	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// Before or after what a gate stands.
type (
	BeforeCut       struct{}
	BeforeString    struct{}                  // of a cord that is cut already
	BeforeEnd       struct{ Side piece.Side } // of one that nothing holds
	BeforeCrimp     struct{ Side piece.Side }
	BeforeMade      struct{ Side piece.Side } // of an end of wire that no crimp holds
	BeforeKnot      struct{ Side piece.Side }
	BeforeFlaps     struct{ Side piece.Side }
	BeforeRingKnot  struct{}
	BeforeGlue      struct{}
	BeforeTrim      struct{}
	BeforeTails     struct{} // either tail of a piece on a bar
	BeforeLoop      struct{} // the loop of an ornament is made
	BeforeLoopFixed struct{}
	BeforeAnyEnd    struct{} // of rows side by side
	BeforeSecond    struct{} // the second ends of rows
	BeforeClasp     struct{}
	BeforeNext      struct{} // each time that a bead is held
	BeforeNextBead  struct{}
	BeforeNextEnd   struct{}
	BeforeFinished  struct{}
	BeforeMore      struct {
		Of    *material.Material
		Other int // how many more of it are made; 0 where it is used next
	}
	After struct{ What Made }
)

// Made is what has been made when a gate stands behind it.
type Made string

// What is made.
const (
	MadeCrimp    Made = "crimp"
	MadeCordEnd  Made = "cord-end"
	MadeFoldOver Made = "fold-over"
	MadeKnot     Made = "knot"
	MadeLoop     Made = "loop"
	MadeLeg      Made = "leg"
	MadeCone     Made = "cone"
	MadeTails    Made = "tails"
)

// What must be true at a gate. Lengths are in mm.
type (
	AllThere struct{} // the beads are, and in order
	LaidLong struct {
		Length length.MM
		Gaps   bool
	}
	WillBe        struct{ Finished, Wanted length.MM }
	BeadsLong     struct{ Length length.MM } // and none is missing or reversed
	RoundLoop     struct{ Length length.MM }
	NoneMissing   struct{}
	TriedOn       struct{}
	TriedOverHand struct{}
	Untwisted     struct{ Hole int } // 0 where there is none
	SlackLeft     struct {
		Length length.MM
		Before Made
	}
	FirmPull      struct{}
	KnotsHold     struct{ Both bool }
	LoopKnotHolds struct{ Side piece.Side }
	GlueDry       struct{ Both bool }
	LiesRight     struct{}
	Held          struct{} // something holds the end
	LegsHold      struct{}
	LegsEven      struct{}
	KnotStays     struct{} // and does not slip into the bead
	LoopRound     struct{ Girth length.MM }
	ButtonPasses  struct{ Of *material.Material }
	HangsStraight struct{ Gaps bool }
	HangsFromTop  struct{}
	NoCurl        struct{}
	NothingSharp  struct{}
	LiesInCurve   struct{}
	Closed        struct{ Length length.MM }
	ClosedBetween struct{ Least, Most length.MM }
	RowsClosed    struct{ Lengths []length.MM }
	OrnamentLong  struct{ WithLoop, Below length.MM }
	SideBySide    struct{}
	RowLong       struct {
		Row    int
		Length length.MM
	}
	RowsInOrder struct{ Innermost bool } // at the left, the first innermost; else from end to end
	RowsTwisted struct{ On bool }        // on purpose, or not at all
	HeldPlace   struct {
		Way        piece.HolderWay
		N          int
		Bead       *material.Material
		Side       piece.Side // which of the bead's faces
		At, Before length.MM  // from the start, and from the one before; 0 of the first
	}
	DropDeep struct{ Deep length.MM }
	PulledUp struct{ Loop bool }
	LoopDeep struct {
		Deep  length.MM
		Round *material.Material
	}
	RidersSlide  struct{}
	RidersFree   struct{ Free length.MM }
	RidersStop   struct{}
	LacedLong    struct{ Length length.MM }
	FrontsAlike  struct{}
	LiesClose    struct{}
	CoilLong     struct{ Length length.MM }
	TipSmooth    struct{}
	BeadSize     struct{ Across, Along length.MM }
	ReachesDown  struct{ Length length.MM }
	LinkInside   struct{ Length length.MM }
	HangsDown    struct{ Length length.MM }
	LoopClosed   struct{}
	LoopsLie     struct{ Crosswise bool }
	RingsShut    struct{}
	FacesForward struct{}
)

func (BeforeCut) when()       {}
func (BeforeString) when()    {}
func (BeforeEnd) when()       {}
func (BeforeCrimp) when()     {}
func (BeforeMade) when()      {}
func (BeforeKnot) when()      {}
func (BeforeFlaps) when()     {}
func (BeforeRingKnot) when()  {}
func (BeforeGlue) when()      {}
func (BeforeTrim) when()      {}
func (BeforeTails) when()     {}
func (BeforeLoop) when()      {}
func (BeforeLoopFixed) when() {}
func (BeforeAnyEnd) when()    {}
func (BeforeSecond) when()    {}
func (BeforeClasp) when()     {}
func (BeforeNext) when()      {}
func (BeforeNextBead) when()  {}
func (BeforeNextEnd) when()   {}
func (BeforeFinished) when()  {}
func (BeforeMore) when()      {}
func (After) when()           {}

func (AllThere) point()      {}
func (LaidLong) point()      {}
func (WillBe) point()        {}
func (BeadsLong) point()     {}
func (RoundLoop) point()     {}
func (NoneMissing) point()   {}
func (TriedOn) point()       {}
func (TriedOverHand) point() {}
func (Untwisted) point()     {}
func (SlackLeft) point()     {}
func (FirmPull) point()      {}
func (KnotsHold) point()     {}
func (LoopKnotHolds) point() {}
func (GlueDry) point()       {}
func (LiesRight) point()     {}
func (Held) point()          {}
func (LegsHold) point()      {}
func (LegsEven) point()      {}
func (KnotStays) point()     {}
func (LoopRound) point()     {}
func (ButtonPasses) point()  {}
func (HangsStraight) point() {}
func (HangsFromTop) point()  {}
func (NoCurl) point()        {}
func (NothingSharp) point()  {}
func (LiesInCurve) point()   {}
func (Closed) point()        {}
func (ClosedBetween) point() {}
func (RowsClosed) point()    {}
func (OrnamentLong) point()  {}
func (SideBySide) point()    {}
func (RowLong) point()       {}
func (RowsInOrder) point()   {}
func (RowsTwisted) point()   {}
func (HeldPlace) point()     {}
func (DropDeep) point()      {}
func (PulledUp) point()      {}
func (LoopDeep) point()      {}
func (RidersSlide) point()   {}
func (RidersFree) point()    {}
func (RidersStop) point()    {}
func (LacedLong) point()     {}
func (FrontsAlike) point()   {}
func (LiesClose) point()     {}
func (CoilLong) point()      {}
func (TipSmooth) point()     {}
func (BeadSize) point()      {}
func (ReachesDown) point()   {}
func (LinkInside) point()    {}
func (HangsDown) point()     {}
func (LoopClosed) point()    {}
func (LoopsLie) point()      {}
func (RingsShut) point()     {}
func (FacesForward) point()  {}
