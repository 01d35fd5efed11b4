package check

import (
	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// knotShows advises when the knot is asked to hide and no bead's hole takes it, or
// takes it only with a pull.
var knotShows = Check{
	Code: "knot-shows", Step: StepEnds,
	Strand: func(v *View, s *measure.Strand) []Problem {
		k := s.Knot
		if k == nil || v.Piece.House.KnotPlace != piece.KnotHidden || len(s.Beads) == 0 || k.Bead >= 0 && !k.Pull {
			return nil
		}
		if k.Pull {
			return []Problem{{Severity: Advise, At: s.Row.AtBead(k.Bead), Fact: KnotTight{k.Across, s.Beads[k.Bead].Material}}}
		}
		return []Problem{{Severity: Advise, At: s.Row.At(), Fact: KnotShows{k.Across, widestHole(s)}}}
	},
	End: func(_ *View, s *measure.Strand, e *measure.End) []Problem {
		k := e.Hidden
		if k == nil || k.Bead >= 0 {
			return nil
		}
		b := s.Beads[s.Beside(e.Side)].Material
		return []Problem{{Severity: Advise, At: s.Row.AtEnd(e.Side), Fact: EndKnotShows{k.Across, b, e.Side}}}
	},
	Fix: func(v *View, f *Problem, shelf Shelf) []Fix {
		s := v.Strand(f.At.Row)
		if f.At.Side != "" {
			return []Fix{fix(ShowKnot{}, edit.SetEndWay{At: s.Row.AtEnd(f.At.Side)})}
		}
		fixes := strungOn(s, shelf.Materials, thinner(s.Row.Cord.Cord))
		return append(fixes, fix(ShowKnot{}, edit.SetHouse{Field: "knotPlace", Choice: piece.KnotShown}))
	},
}

// widestHole is the bead with the widest hole that could close round a knot.
func widestHole(s *measure.Strand) *material.Material {
	var widest *material.Material
	most := length.MM(0)
	for i := range s.Beads {
		if m := s.Beads[i].Material; material.Hides(m.Bead.Shape) && m.Bead.Hole > most {
			widest, most = m, m.Bead.Hole
		}
	}
	return widest
}

// What may be wrong with a knot that should hide. Knot is how thick it is.
type (
	KnotTight struct { // it goes into the bead with a pull
		Knot length.MM
		Bead *material.Material
	}
	KnotShows struct {
		Knot   length.MM
		Widest *material.Material // the bead with the widest hole; nil where none could hide it
	}
	EndKnotShows struct {
		Knot length.MM
		Bead *material.Material
		Side piece.Side
	}
)

// ShowKnot leaves the knot visible.
type ShowKnot struct{}

func (KnotTight) fact()    {}
func (KnotShows) fact()    {}
func (EndKnotShows) fact() {}

func (ShowKnot) effect() {}
