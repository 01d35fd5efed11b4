package solve

import (
	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
)

// Change is one change of a proposal, as a value; its words stand in words.
type Change interface{ change() }

// The changes.
type (
	Recount struct { // another count of a run or a group, as it is written before and after
		Nth      int // which of those that are written alike; 0 where it is the only one
		From, To string
	}
	RecountAll struct { // runs that change together
		Runs []Recount
		All  bool // that are written alike
	}
	AddRepeats struct { // whole ones, that are written out
		Repeat string
		More   int  // less than 0 where some go
		Twice  bool // on either side as many
	}
	Regap struct { // bare cord longer or shorter, all of it by as much
		Gaps []GapChange
		By   length.MM
	}
	AddBeads struct {
		Beads int
		Bead  *material.Material
		At    pattern.Ends
	}
	AddPart struct { // of the repeat that the strand begins or ends with
		Part string
		At   pattern.Ends
	}
	Resize struct { // beads of another size
		Bead    *material.Material
		To, Was length.MM
		Along   bool // measured along the cord; else across
	}
	SetLinks struct {
		Links, Was int
		Chain      *material.Material
		Both       bool // at both sides
	}
	AddRing struct {
		Ring *material.Material
		Side piece.Side
		Less bool // it is removed
	}
	SwapClasp   struct{ To, Was *material.Material }
	SetSlack    struct{ To, Was length.MM }
	CloseAtLink struct{ Link int }         // of the extender
	FillTo      struct{ Target length.MM } // what the row fills up to
)

// GapChange is one gap, as it is typed before and after.
type GapChange struct{ From, To string }

func (Recount) change()     {}
func (RecountAll) change()  {}
func (AddRepeats) change()  {}
func (Regap) change()       {}
func (AddBeads) change()    {}
func (AddPart) change()     {}
func (Resize) change()      {}
func (SetLinks) change()    {}
func (AddRing) change()     {}
func (SwapClasp) change()   {}
func (SetSlack) change()    {}
func (CloseAtLink) change() {}
func (FillTo) change()      {}
