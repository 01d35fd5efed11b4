package check

import (
	"slices"

	"mala/core/edit"
	"mala/core/material"
	"mala/core/measure"
)

// A cap meets its bead if they touch at its rim, or within so much of it in mm. It
// faces away if what it opens to is much narrower, and the bead behind it is not.
const (
	atRim  = 0.05
	narrow = 0.8
)

// capMisfit fires for a cap whose rim does not meet its bead, or that opens away
// from it.
var capMisfit = Check{
	Code: "cap-misfit", Step: StepLayOut,
	Strand: func(_ *View, s *measure.Strand) []Problem {
		g := gather{strand: s}
		for i := range s.Beads {
			b := &s.Beads[i]
			if !isCap(b) {
				continue
			}
			open, back := capNeighbours(s, i)
			switch c := b.Material; {
			case facesAway(b, open, back):
				g.add("away "+c.ID+" "+back.Material.ID, i, func() Problem {
					return Problem{Severity: Warn, Fact: CapFacesAway{c, back.Material}}
				})
			case open != nil && !isCap(open) && c.Bead.Across > open.Material.Bead.Across+atRim:
				g.add("wide "+c.ID+" "+open.Material.ID, i, func() Problem {
					return Problem{Severity: Warn, Fact: CapWide{c, open.Material}}
				})
			case open != nil && !isCap(open) && !meetsRim(b, open):
				g.add("rim "+c.ID+" "+open.Material.ID, i, func() Problem {
					return Problem{Severity: Warn, Fact: CapOffRim{c, open.Material}}
				})
			}
		}
		return g.found
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix {
		s := v.Strand(f.At.Row)
		nodes := []int{s.Beads[f.At.Element].Node}
		for _, at := range f.More {
			if node := s.Beads[at.Element].Node; !slices.Contains(nodes, node) {
				nodes = append(nodes, node)
			}
		}
		return []Fix{turned(s, nodes[:1], false), turned(s, nodes, true)}
	},
}

func turned(s *measure.Strand, nodes []int, all bool) Fix {
	var ops []edit.Op
	for _, node := range nodes {
		ops = append(ops, edit.Turn{At: s.Row.At(), Node: node})
	}
	return fix(ReverseCap{all}, ops...)
}

func isCap(b *measure.Bead) bool { return b.Material.Bead.Shape == material.Cap }

func facesAway(b, open, back *measure.Bead) bool {
	wide := b.Material.Bead.Across
	return back != nil && !isCap(back) && back.Material.Bead.Across >= wide-atRim &&
		(open == nil || !isCap(open) && open.Material.Bead.Across < narrow*wide)
}

// meetsRim says whether the cap touches the bead it opens to at its rim.
func meetsRim(b, open *measure.Bead) bool {
	c, ok := material.Touch(b.Material.Bead.Face(true), open.Material.Bead.Face(b.Turned != open.Turned))
	return ok && c.Radius >= b.Material.Bead.Face(true).Edge()-atRim
}

// capNeighbours gives what the cap at i opens to and what stands at its back.
func capNeighbours(s *measure.Strand, i int) (open, back *measure.Bead) {
	before, next := neighboursOf(s, i)
	if s.Beads[i].Turned {
		return before, next
	}
	return next, before
}

// What may be wrong with a cap and the bead it opens to.
type (
	CapFacesAway struct{ Cap, Bead *material.Material }
	CapWide      struct{ Cap, Bead *material.Material }
	CapOffRim    struct{ Cap, Bead *material.Material } // its rim does not touch the bead
)

// ReverseCap reverses the cap, or all alike ones.
type ReverseCap struct{ All bool }

func (CapFacesAway) fact() {}
func (CapWide) fact()      {}
func (CapOffRim) fact()    {}

func (ReverseCap) effect() {}
