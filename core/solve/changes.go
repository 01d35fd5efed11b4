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
	AddBeads struct {
		Beads int
		Bead  *material.Material
		At    pattern.Ends
	}
	Resize struct { // beads of another size
		Bead    *material.Material
		To, Was length.MM
		Along   bool // measured along the cord; else across
	}
	SetLinks struct {
		Links, Was int
		Chain      *material.Material
	}
	AddRing struct {
		Ring *material.Material
		Side piece.Side
		Less bool // it is removed
	}
	SwapClasp   struct{ To, Was *material.Material }
	SetSlack    struct{ To, Was length.MM }
	CloseAtLink struct{ Link int } // of the extender
)

func (Recount) change()     {}
func (AddBeads) change()    {}
func (Resize) change()      {}
func (SetLinks) change()    {}
func (AddRing) change()     {}
func (SwapClasp) change()   {}
func (SetSlack) change()    {}
func (CloseAtLink) change() {}
