package check

import (
	"fmt"
	"math"

	"mala/core/edit"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
)

// inDrop stops beads of a drop or a loop whose hole is too small for the cord that goes
// through them again. Alike ones are one finding, at the first of them.
func inDrop(v *View, s *measure.Strand, at int) []Problem {
	d, elastic := s.Beads[at].Drop, s.Row.Cord.Cord.Type == material.Elastic
	for i := range at {
		if s.Beads[i].Drop == d && s.Beads[i].Passes == s.Beads[at].Passes {
			return nil
		}
	}
	var found []Problem
	judged := map[*material.Material]bool{}
	d.Each(func(b *measure.HungBead) {
		passes := b.Passes * s.Row.Passes
		if b == d.Through {
			passes = s.Beads[at].Passes + s.Row.Passes
		}
		bare := material.HoleFor(passes, s.Row.Cord.Cord.Diameter)
		need := max(bare, NeedleNeeds(s, passes, v.Piece.House.Needle))
		hole := b.Material.Bead.Hole
		if judged[b.Material] || hole >= max(need, snugFit*bare)-tiny || elastic && hole >= need-tiny {
			return
		}
		judged[b.Material] = true
		needed, held := against(need, hole)
		f := Problem{Severity: Stop, At: s.Row.AtBead(at), Title: "Hole too small for the cord", cause: "drop " + b.Material.ID,
			Says: fmt.Sprintf("%s of %s cord need a hole of %s; %s in %s has %s.", times(passes), mm(s.Row.Cord.Cord.Diameter), needed, b.Material.Name, dropOrLoop(d), held)}
		if hole >= need-tiny {
			f.Severity, f.Title = Warn, "The cord only just passes"
			f.Says = fmt.Sprintf("%s of %s cord fill a hole of %s; %s in %s has %s, and the last one jams.", times(passes), mm(s.Row.Cord.Cord.Diameter), needed, b.Material.Name, dropOrLoop(d), held)
		}
		found = append(found, f)
	})
	return found
}

func dropOrLoop(d *measure.Drop) string {
	if d.Through != nil {
		return "the loop"
	}
	return "the drop"
}

// loopShort warns of a loop whose beads do not reach round the bead that it runs through.
var loopShort = Check{
	Code: "loop-short", Step: StepLayOut,
	Strand: func(v *View, s *measure.Strand) []Problem {
		g := gather{strand: s}
		for i := range s.Beads {
			d := s.Beads[i].Drop
			if d == nil || !d.Short() {
				continue
			}
			g.add("loop "+d.Key, i, func() Problem {
				return Problem{Severity: Warn, Title: "The loop does not reach round its bead",
					Says: fmt.Sprintf("The beads of the loop come to %s, and the way round %s is %s: bare cord shows. Hang more beads in it.", v.in(d.Strung), d.Through.Material.Name, v.in(d.Round))}
			})
		}
		return g.found
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix {
		s := v.Strand(f.At.Row)
		bead := &s.Beads[f.At.Element]
		var most *pattern.Node
		for _, n := range s.Row.Line.Nodes[bead.Node].Items {
			if n.Kind == pattern.Bead && (most == nil || n.Count > most.Count) {
				most = n
			}
		}
		if most == nil || v.Piece.Palette[most.Key].Bead == nil {
			return nil
		}
		of := v.Piece.Palette[most.Key]
		more := int(math.Ceil(float64((bead.Drop.Round - bead.Drop.Strung) / of.Bead.Pitch())))
		return []Fix{fix(fmt.Sprintf("Hang %d more %s in it", more, of.Name), edit.Op{Do: edit.Count, At: s.Row.At(), Node: most.ID, N: most.Count + more})}
	},
}

// fewFilaments is how many strands a beading wire has at most that is too stiff to let a
// drop hang.
const fewFilaments = 7

// dropStiff advises where a drop is made of wire that stands off instead of hanging.
var dropStiff = Check{
	Code: "drop-stands-off", Step: StepLayOut,
	Strand: func(_ *View, s *measure.Strand) []Problem {
		c := s.Row.Cord.Cord
		if c.Type != material.Wire || c.Filaments == 0 || c.Filaments > fewFilaments {
			return nil
		}
		for i := range s.Beads {
			d := s.Beads[i].Drop
			if d == nil {
				continue
			}
			f := Problem{Severity: Advise, At: s.Row.AtBead(i), Title: "The drop stands off",
				Says: fmt.Sprintf("Wire of %d strands is stiff: a drop of it stands off instead of hanging. Wire of 19 hangs nearly straight, wire of 49 and thread hang freely.", c.Filaments)}
			if d.Through != nil {
				f.Title = "The loop stands off"
				f.Says = fmt.Sprintf("Wire of %d strands is stiff: a loop of it keeps its own curve instead of hanging. Wire of 19 hangs nearly as drawn, wire of 49 and thread hang freely.", c.Filaments)
			}
			return []Problem{f}
		}
		return nil
	},
}
