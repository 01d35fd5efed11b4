package suggest

import (
	"mala/core/length"
	"mala/core/material"
)

// Reason is what speaks for a suggestion, as a value; its words stand in words.
type Reason interface{ reason() }

// The reasons. Lengths are in mm, pulls in newtons.
type (
	EasyLoop struct { // the button closes easily into a loop so wide round inside
		Button *material.Material
		Needs  length.MM
		Is     *length.MM // of the loop that is there
	}
	TakesKnot struct{ Hole, Knot length.MM }
	TakesCord struct{ Trough, Cord length.MM } // a fold-over end
	GripsCord struct {
		Passes              int
		Cord, Needs, Inside length.MM
		Closed, Hole        length.MM // closed it stays out of the hole beside it; a hole of 0 where there is none
	}
	CoversCrimp struct {
		Closed, Ball length.MM
		HouseNot     bool // the house method uses none
	}
	GuardsWire struct{ HouseNot bool }
	JoinsClasp struct { // a ring
		Split       bool
		Holds, Load float64 // what it bears, 0 where that is not known, and what the piece pulls with
	}
	ClosesAt struct{ Length length.MM } // a clasp
)

func (EasyLoop) reason()    {}
func (TakesKnot) reason()   {}
func (TakesCord) reason()   {}
func (GripsCord) reason()   {}
func (CoversCrimp) reason() {}
func (GuardsWire) reason()  {}
func (JoinsClasp) reason()  {}
func (ClosesAt) reason()    {}
