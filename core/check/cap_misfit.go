package check

import (
	"fmt"
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
					return Problem{Severity: Warn, Title: "Cap faces away from its bead",
						Says: fmt.Sprintf("%s opens away from %s. Reverse it so that it sits on the bead.", c.Name, back.Material.Name)}
				})
			case open != nil && !isCap(open) && c.Bead.Across > open.Material.Bead.Across+atRim:
				g.add("wide "+c.ID+" "+open.Material.ID, i, func() Problem {
					return Problem{Severity: Warn, Title: "Cap wider than its bead",
						Says: fmt.Sprintf("%s is %s wide; %s under it is only %s.", c.Name, mm(c.Bead.Across), open.Material.Name, mm(open.Material.Bead.Across))}
				})
			case open != nil && !isCap(open) && !meetsRim(b, open):
				g.add("rim "+c.ID+" "+open.Material.ID, i, func() Problem {
					return Problem{Severity: Warn, Title: "Cap does not meet its bead",
						Says: fmt.Sprintf("The rim of %s stands off %s, which is too small or too pointed for it.", c.Name, open.Material.Name)}
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
		return []Fix{turned(s, nodes[:1], "Reverse the cap"), turned(s, nodes, "Reverse the caps")}
	},
}

func turned(s *measure.Strand, nodes []int, says string) Fix {
	var ops []edit.Op
	for _, node := range nodes {
		ops = append(ops, edit.Op{Do: edit.Turn, At: s.Row.At(), Node: node})
	}
	return fix(says, ops...)
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
