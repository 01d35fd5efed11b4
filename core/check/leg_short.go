package check

import (
	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// legShort fires when the cord has been cut to less than the piece can be made
// of, which stops the work, or leaves less to hold or to tie than the house
// allows; and when a pin is shorter than the beads and the loop on it.
var legShort = Check{
	Code: "leg-short", Step: StepEnds,
	Strand: func(v *View, s *measure.Strand) []Problem {
		return append(cordShort(v, s), ofComponents(v, s, pinShort)...)
	},
	Fix: func(v *View, f *Problem, shelf Shelf) []Fix {
		s := v.Strand(f.At.Row)
		if c := componentAt(s, f); c != nil {
			return otherPins(c, shelf, func(pin *material.Finding) bool {
				held := *c.Component.Pin
				return pin.Wire == held.Of.Finding.Wire && pin.Length >= PinNeeded(&held, v.Piece.House)
			})
		}
		return []Fix{fix(NewCut{s.CutLength()}, edit.SetCut{At: s.Row.At()})}
	},
}

func cordShort(v *View, s *measure.Strand) []Problem {
	if s.Row.Cut == nil {
		return nil
	}
	f := Problem{Severity: Warn, At: s.Row.At()}
	elastic := s.Row.Cord.Cord.Type == material.Elastic
	switch cut := *s.Row.Cut; {
	case cut < s.LeastCut()-rulerShows:
		short := CutShort{Cut: cut, Each: cut, Needs: s.LeastCut()}
		if legs := s.Legs(); legs != nil {
			short = CutShort{cut, legs.Count, legs.Folded, cut / length.MM(legs.Count), legs.Least}
		}
		f.Severity, f.Fact = Stop, short
	case cut < s.CutLength()-rulerShows:
		f.Fact = LittleLeft{cut, s.CutLength(), elastic}
		if elastic {
			f.Severity = Advise
		}
	default:
		return nil
	}
	return []Problem{f}
}

// rulerShows keeps what a ruler cannot show from deciding.
const rulerShows = length.MM(0.05)

// What may be wrong with a cord that is cut already.
type (
	CutShort struct {
		Cut         length.MM
		Legs        int // that it is cut or folded into; 0 for none
		Folded      bool
		Each, Needs length.MM // of each leg, or of the cord
	}
	LittleLeft struct {
		Cut, Would length.MM // what it is cut to, and what the house method gives
		Elastic    bool
	}
)

// NewCut cuts a new cord.
type NewCut struct{ Length length.MM }

func (CutShort) fact()   {}
func (LittleLeft) fact() {}

func (NewCut) effect() {}
