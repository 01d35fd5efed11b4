package check

import (
	"fmt"

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
		return []Fix{fix(fmt.Sprintf("Cut a new one of %s", s.CutLength().In(v.Unit)), edit.Op{Do: edit.SetCut, At: s.Row.At()})}
	},
}

func cordShort(v *View, s *measure.Strand) []Problem {
	if s.Row.Cut == nil {
		return nil
	}
	f := Problem{Severity: Warn, At: s.Row.At(), Title: "Little left to hold"}
	elastic := s.Row.Cord.Cord.Type == material.Elastic
	switch cut := *s.Row.Cut; {
	case cut < s.LeastCut()-rulerShows:
		f.Severity, f.Title = Stop, "Cut too short"
		f.Says = fmt.Sprintf("The cord is cut to %s; it needs at least %s.", cut.In(v.Unit), s.LeastCut().AtLeast(v.Unit))
		if legs := s.Legs(); legs != nil {
			what := "half of the fold"
			if !legs.Folded {
				what = "cord"
			}
			f.Says = fmt.Sprintf("The cord is cut to %s in all, so each %s has %s; it needs at least %s.", cut.In(v.Unit), what, (cut / length.MM(legs.Count)).In(v.Unit), legs.Least.AtLeast(v.Unit))
		}
	case cut < s.CutLength()-rulerShows:
		if elastic {
			f.Severity, f.Title = Advise, "Little left to tie"
		}
		f.Says = fmt.Sprintf("The cord is cut to %s; with the house's allowance it would be %s.", cut.In(v.Unit), s.CutLength().In(v.Unit))
	default:
		return nil
	}
	return []Problem{f}
}

// rulerShows keeps what a ruler cannot show from deciding.
const rulerShows = length.MM(0.05)
